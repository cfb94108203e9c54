'use client';
import { type DependencyList, useCallback, useEffect, useState } from 'react';
import { onAvailability } from '@/storage/availability';
import { onChange } from '@/storage/changes';
import type { Store } from '@/storage/stores';
import { storageProblem } from '@/storage/problems';

/** Between two readings while changes keep coming. */
const COALESCE_MS = 120;

export interface Stored<T> {
  /** Undefined while it is read for the first time. */
  value: T | undefined;
  /** A sentence, when reading failed. */
  problem: string | undefined;
}

/** What was read, and what was asked: another question's answer is none. */
interface Answer<T> extends Stored<T> {
  to: unknown;
}
const UNANSWERED = { value: undefined, problem: undefined };

/**
 * Read something from storage and again whenever one of the stores changes, in this tab or another.
 * @param deps What `load` depends on. The moment one of them changes there is no value until the new one is read: a value never
 * belongs to the key before it.
 */
export function useStored<T>(load: () => Promise<T>, stores: readonly Store[], deps: DependencyList): Stored<T> {
  const [answer, setAnswer] = useState<Answer<T>>({ ...UNANSWERED, to: undefined });
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
            if (current) setAnswer({ value, problem: undefined, to: loading });
          },
          (error: unknown) => {
            if (current)
              setAnswer((before) => ({
                ...(before.to === loading ? before : UNANSWERED),
                problem: storageProblem(error),
                to: loading,
              }));
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
    // What could not be read is asked for again where memory takes the place of storage.
    const stopAvailability = onAvailability(read);
    return () => {
      current = false;
      stop();
      stopAvailability();
    };
  }, [loading, storeKey]);
  return answer.to === loading ? answer : UNANSWERED;
}
