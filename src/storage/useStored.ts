'use client';
import { type DependencyList, useCallback, useEffect, useState } from 'react';
import { onChange } from './changes';
import type { Store } from './db';
import { storageProblem } from './problems';

export interface Stored<T> {
  /** Undefined while it is read for the first time. */
  value: T | undefined;
  /** A sentence, when reading failed. */
  problem: string | undefined;
}

/** Read something from storage and again whenever one of the stores changes, in this tab or another. */
export function useStored<T>(load: () => Promise<T>, stores: readonly Store[], deps: DependencyList): Stored<T> {
  const [stored, setStored] = useState<Stored<T>>({ value: undefined, problem: undefined });
  // The caller lists what `load` depends on, as with useEffect.
  const loading = useCallback(load, deps); // eslint-disable-line react-hooks/exhaustive-deps, react-hooks/use-memo
  const storeKey = stores.join(' ');
  useEffect(() => {
    let current = true;
    let latest = 0;
    const read = (): void => {
      const turn = ++latest;
      loading().then(
        (value) => {
          if (current && turn === latest) setStored({ value, problem: undefined });
        },
        (error: unknown) => {
          if (current && turn === latest) setStored((before) => ({ ...before, problem: storageProblem(error) }));
        },
      );
    };
    read();
    const stop = onChange((store) => {
      if (storeKey.split(' ').includes(store)) read();
    });
    return () => {
      current = false;
      stop();
    };
  }, [loading, storeKey]);
  return stored;
}
