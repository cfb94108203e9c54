'use client';
import { useCallback, useEffect, useRef, useState, useSyncExternalStore } from 'react';
import type { RunState } from '@/core/clock/run';
import { momentKey, type Run } from './controller';
import { onTick } from './ticks';

/**
 * The state of a run, refreshed when something happens: not while time alone passes (see `Ticking`).
 * @param phrase What else on the screen depends on the time within a segment, as a word that changes when it does.
 */
export function useRunState(run: Run, phrase: (state: RunState) => string): RunState {
  const cached = useRef<{ key: string; state: RunState }>(undefined);
  const snapshot = useCallback((): RunState => {
    const state = run.state();
    const key = `${momentKey(state)} ${phrase(state)}`;
    if (cached.current?.key !== key) cached.current = { key, state };
    return cached.current.state;
  }, [run, phrase]);
  const subscribe = useCallback(
    (listener: () => void) => {
      const stops = [run.subscribe(listener), onTick(run, listener)];
      return () => stops.forEach((stop) => stop());
    },
    [run],
  );
  return useSyncExternalStore(subscribe, snapshot, snapshot);
}

export function useRunProblem(run: Run): string | undefined {
  const [problem, setProblem] = useState(run.problem());
  useEffect(() => run.subscribe(() => setProblem(run.problem())), [run]);
  return problem;
}

/** Whether something on screen is not on disk yet. */
export const useRunUnsaved = (run: Run): boolean => useSyncExternalStore(run.subscribe, run.unsaved, run.unsaved);
