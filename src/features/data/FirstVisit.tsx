'use client';
import { useEffect } from 'react';
import { emptyOldBin } from '@/storage/bin';
import { onBlocked } from '@/storage/db';
import { seedOnFirstVisit } from '@/storage/seed';
import { toastProblem } from '@/ui/toast/toast';

/** On opening the program, whichever place comes first: the demo learner on the very first visit, and the bin emptied of what is due. */
export function FirstVisit() {
  useEffect(() => {
    onBlocked(() =>
      toastProblem(
        'Another tab still holds an older Fox Minute open, so this one cannot be brought up to date. Nothing is changed; close the other tab.',
      ),
    );
    // Each place tells of storage problems where it needs storage; here there is nothing to tell yet.
    seedOnFirstVisit(Date.now())
      .then(() => emptyOldBin(Date.now()))
      .catch(() => undefined);
  }, []);
  return null;
}
