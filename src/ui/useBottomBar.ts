'use client';
import { type RefObject, useEffect } from 'react';

/** What a toast takes of the bottom of the window, with what it keeps free below, CSS pixels. */
const TOAST_ROOM = 110;

/** Keeps toasts above a bar near the bottom of the window, as long as the bar is there. */
export function useBottomBar(bar: RefObject<HTMLElement | null>): void {
  useEffect(() => {
    const node = bar.current;
    if (!node) return;
    const { style } = document.documentElement;
    // On a short page the bar stands higher than the window's edge.
    const place = (): void => {
      const { top, bottom } = node.getBoundingClientRect();
      const isInTheWay = bottom > window.innerHeight - TOAST_ROOM && top < window.innerHeight;
      style.setProperty('--bottom-bar', `${isInTheWay ? String(Math.ceil(window.innerHeight - top)) : '0'}px`);
    };
    const observer = new ResizeObserver(place);
    observer.observe(node);
    observer.observe(document.body);
    window.addEventListener('scroll', place, { passive: true });
    window.addEventListener('resize', place);
    return () => {
      observer.disconnect();
      window.removeEventListener('scroll', place);
      window.removeEventListener('resize', place);
      style.removeProperty('--bottom-bar');
    };
  }, [bar]);
}
