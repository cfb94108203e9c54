'use client';
import { useEffect } from 'react';
import { emptyOldBin } from '@/storage/bin';
import { seedOnFirstVisit } from '@/storage/seed';

/** On opening the program, whichever place comes first: the demo learner on the very first visit, and the bin emptied of what is due. */
export function FirstVisit() {
  useEffect(() => {
    // Each place tells of storage problems where it needs storage; here there is nothing to tell yet.
    seedOnFirstVisit(Date.now())
      .then(() => emptyOldBin(Date.now()))
      .catch(() => undefined);
  }, []);
  return null;
}
