'use client';
import { type RefObject, useEffect } from 'react';

/** Height that a toast needs at the bottom of the window, its margin included, CSS pixels. */
const TOAST_ROOM = 110;

/** Keeps toasts clear of a bar near the bottom of the window while it is mounted. */
export function useBottomBar(bar: RefObject<HTMLElement | null>): void {
  useEffect(() => {
    const node = bar.current;
    if (!node) return;
    const { style } = document.documentElement;
    // On a short page the bar is above the bottom edge.
    const place = (): void => {
      const { top, bottom } = node.getBoundingClientRect();
      const isInTheWay = bottom > window.innerHeight - TOAST_ROOM && top < window.innerHeight;
      style.setProperty('--bottom-bar', `${isInTheWay ? String(Math.ceil(window.innerHeight - top)) : '0'}px`);
    };
    const observer = new ResizeObserver(place);
    // Whatever grows or shrinks above the bar resizes one of its ancestors.
    for (let element: Element | null = node; element; element = element.parentElement) observer.observe(element);
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
