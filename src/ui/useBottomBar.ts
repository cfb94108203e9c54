'use client';
import { type RefObject, useEffect } from 'react';
import { useSize } from './useSize';

/** Keeps toasts above a bar at the bottom of the window, as long as the bar is there. */
export function useBottomBar(bar: RefObject<HTMLElement | null>): void {
  const size = useSize(bar);
  const height = size?.height ?? 0;
  useEffect(() => {
    if (height === 0) return;
    const { style } = document.documentElement;
    style.setProperty('--bottom-bar', `${String(Math.ceil(height))}px`);
    return () => {
      style.removeProperty('--bottom-bar');
    };
  }, [height]);
}
