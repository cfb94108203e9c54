'use client';
import { useCallback, useEffect, useRef } from 'react';

const SOON_MS = 300;

/**
 * Writes what is being changed: soon after the last change, and at once when one leaves, by another page of the program or by closing or
 * hiding it. Nothing that was changed is lost in between.
 * @param key What the value is of. What still waits for the key before is written when it changes.
 * @param write Writes a value for the key it was given for; tells of its own problems.
 * @returns Takes each new value.
 */
export function useWriting<T>(key: string, write: (value: T, key: string) => void): (value: T) => void {
  const unwritten = useRef<{ value: T }>(undefined);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const writing = useRef(write);
  useEffect(() => {
    writing.current = write;
  });
  const flush = useCallback((): void => {
    clearTimeout(timer.current);
    const waiting = unwritten.current;
    unwritten.current = undefined;
    if (waiting) writing.current(waiting.value, key);
  }, [key]);
  useEffect(() => {
    const onHidden = (): void => {
      if (document.visibilityState === 'hidden') flush();
    };
    window.addEventListener('pagehide', flush);
    document.addEventListener('visibilitychange', onHidden);
    return () => {
      window.removeEventListener('pagehide', flush);
      document.removeEventListener('visibilitychange', onHidden);
      flush();
    };
  }, [flush]);
  return useCallback(
    (value) => {
      unwritten.current = { value };
      clearTimeout(timer.current);
      timer.current = setTimeout(flush, SOON_MS);
    },
    [flush],
  );
}
