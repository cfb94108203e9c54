'use client';
import { useCallback, useEffect, useRef } from 'react';

const SOON_MS = 300;

/**
 * Writes a value while it is being edited: 300 ms after the last change, and at once when the edit ends. It ends when focus leaves the
 * field, on Enter, on unmount, and when the page is hidden or closed. So a write never lands after what the learner did next, such as
 * clearing the field with a button.
 * @param key Names the value being edited. A pending value is written under its old key when the key changes.
 * @param write Writes a value under the key it was entered for, and reports its own errors.
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
    const onKey = (event: KeyboardEvent): void => {
      if (event.key === 'Enter') flush();
    };
    window.addEventListener('pagehide', flush);
    document.addEventListener('focusout', flush);
    document.addEventListener('keydown', onKey);
    document.addEventListener('visibilitychange', onHidden);
    return () => {
      window.removeEventListener('pagehide', flush);
      document.removeEventListener('focusout', flush);
      document.removeEventListener('keydown', onKey);
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
