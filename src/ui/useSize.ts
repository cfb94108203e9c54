'use client';
import { type RefObject, useEffect, useState } from 'react';

/** Size of an element in CSS pixels, kept up to date; undefined before it is known. */
export function useSize(element: RefObject<HTMLElement | null>): { width: number; height: number } | undefined {
  const [size, setSize] = useState<{ width: number; height: number }>();
  useEffect(() => {
    const node = element.current;
    if (!node) return;
    const observer = new ResizeObserver(([entry]) => {
      const { width, height } = entry.contentRect;
      setSize({ width, height });
    });
    observer.observe(node);
    return () => observer.disconnect();
  }, [element]);
  return size;
}
