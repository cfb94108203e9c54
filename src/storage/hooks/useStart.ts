'use client';
import { useRouter } from 'next/navigation';
import { useCallback, useState } from 'react';
import type { Plan } from '@/core/practice/plan/schema';
import { storageProblem } from '@/storage/problems';
import { startSession } from '@/storage/sessions/startSession';

const nothing = (): Promise<void> => Promise.resolve();

/**
 * Start a session and go to it, once.
 * @param onProblem Told in a sentence where it could not be started; it can be tried again. Must stay the same function.
 * @returns Whether one is being started, and starting one: `first` is done before.
 */
export function useStart(onProblem: (sentence: string) => void): {
  starting: boolean;
  start: (plan: Plan, first?: () => Promise<void>) => void;
} {
  const router = useRouter();
  const [starting, setStarting] = useState(false);
  const start = useCallback(
    (plan: Plan, first = nothing) => {
      setStarting(true);
      first()
        .then(() => startSession(plan))
        .then(
          () => router.push('/run'),
          (error: unknown) => {
            setStarting(false);
            onProblem(storageProblem(error));
          },
        );
    },
    [router, onProblem],
  );
  return { starting, start };
}
