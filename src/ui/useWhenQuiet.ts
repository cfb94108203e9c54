'use client';
import { useCallback, useEffect, useRef } from 'react';

/**
 * Do something once it is quiet, at the latest when something is clicked: what a click leads to finds it done. With the page it goes undone.
 * @param ms How long quiet is, milliseconds.
 * @returns Takes what is to be done; what was to be done before is not.
 */
export function useWhenQuiet(ms: number): (act: () => void) => void {
  const due = useRef<{ act: () => void; timer: ReturnType<typeof setTimeout> }>(undefined);
  useEffect(() => {
    const now = (): void => {
      const { act, timer } = due.current ?? {};
      due.current = undefined;
      clearTimeout(timer);
      act?.();
    };
    document.addEventListener('click', now, true);
    return () => {
      document.removeEventListener('click', now, true);
      clearTimeout(due.current?.timer);
    };
  }, []);
  return useCallback(
    (act) => {
      clearTimeout(due.current?.timer);
      const timer = setTimeout(() => {
        due.current = undefined;
        act();
      }, ms);
      due.current = { act, timer };
    },
    [ms],
  );
}
