'use client';
import { type DependencyList, useCallback, useEffect, useState } from 'react';
import { onChange } from '@/storage/changes';
import type { Store } from '@/storage/db';
import { storageProblem } from '@/storage/problems';

/** Between two readings while changes keep coming. */
const COALESCE_MS = 120;

export interface Stored<T> {
  /** Undefined while it is read for the first time. */
  value: T | undefined;
  /** A sentence, when reading failed. */
  problem: string | undefined;
}

/** Read something from storage and again whenever one of the stores changes, in this tab or another. */
export function useStored<T>(load: () => Promise<T>, stores: readonly Store[], deps: DependencyList): Stored<T> {
  const [stored, setStored] = useState<Stored<T>>({ value: undefined, problem: undefined });
  // eslint-disable-next-line react-hooks/exhaustive-deps, react-hooks/use-memo -- the caller lists what `load` depends on
  const loading = useCallback(load, deps);
  const storeKey = stores.join(' ');
  useEffect(() => {
    let current = true;
    let reading = false;
    let again = false;
    // Changes that come while it is being read lead to one more reading, not one each.
    const read = (): void => {
      if (reading) {
        again = true;
        return;
      }
      reading = true;
      loading()
        .then(
          (value) => {
            if (current) setStored({ value, problem: undefined });
          },
          (error: unknown) => {
            if (current) setStored((before) => ({ ...before, problem: storageProblem(error) }));
          },
        )
        .finally(() => {
          reading = false;
          if (!again || !current) return;
          again = false;
          setTimeout(read, COALESCE_MS);
        });
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
