'use client';
import { useCallback, useEffect, useRef } from 'react';
import type { Settings } from '@/core/settings';
import { saveSetting } from '@/storage/settings';

const SOON_MS = 300;

/**
 * Keeps a setting that is being changed: soon after the last change, and at once when one leaves, by another page of the program or by
 * closing or hiding it. Nothing that was changed is lost in between.
 * @param onProblem Called where it could not be written.
 * @returns Takes each new value.
 */
export function useKeeping<K extends keyof Settings>(
  name: K,
  onProblem: (error: unknown) => void,
): (value: Settings[K]) => void {
  const unkept = useRef<{ value: Settings[K] }>(undefined);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const problem = useRef(onProblem);
  useEffect(() => {
    problem.current = onProblem;
  });
  const flush = useCallback((): void => {
    clearTimeout(timer.current);
    const waiting = unkept.current;
    unkept.current = undefined;
    if (waiting) saveSetting(name, waiting.value).catch((error: unknown) => problem.current(error));
  }, [name]);
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
      unkept.current = { value };
      clearTimeout(timer.current);
      timer.current = setTimeout(flush, SOON_MS);
    },
    [flush],
  );
}
