'use client';
import { useEffect, useState } from 'react';

/** Whether this has been on screen for some time: what is only scrolled past begins no work. @param ms Milliseconds. */
export function useLingered(ms: number): boolean {
  const [lingered, setLingered] = useState(false);
  useEffect(() => {
    const timer = setTimeout(() => setLingered(true), ms);
    return () => clearTimeout(timer);
  }, [ms]);
  return lingered;
}
