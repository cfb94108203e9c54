'use client';
import { useCallback, useSyncExternalStore, useRef, useEffect, useState } from 'react';
import type { RunState } from '@/core/clock/run';
import { momentKey, type Run } from './controller';

/** The state of a run, refreshed when something happens and whenever the seconds shown change. */
export function useRunState(run: Run): RunState {
  const cached = useRef<{ key: string; state: RunState }>(undefined);
  const snapshot = useCallback((): RunState => {
    const state = run.state();
    const second = Math.ceil(state.leftMs / 1000);
    const up = Math.floor(state.elapsedMs / 1000);
    const key = `${momentKey(state)} ${String(second)} ${String(up)}`;
    if (cached.current?.key !== key) cached.current = { key, state };
    return cached.current.state;
  }, [run]);
  const subscribe = useCallback(
    (listener: () => void) => {
      const stop = run.subscribe(listener);
      const handle = setInterval(listener, 100);
      return () => {
        stop();
        clearInterval(handle);
      };
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
