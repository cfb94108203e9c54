'use client';
import { useEffect } from 'react';
import { toastProblem } from '@/ui/toast/toast';

// Fetched before the page wakes up: all that is shown waits for it.
const fetched = typeof window === 'undefined' ? undefined : import('@/storage/opening');
fetched?.catch(() => undefined);

/** Opens the records, whichever place comes first. */
export function FirstVisit() {
  useEffect(() => {
    void fetched?.then(({ openRecords }) =>
      openRecords(Date.now(), () =>
        toastProblem(
          'Another tab still holds an older Fox Minute open, so this one cannot be brought up to date. Nothing is changed; close the other tab.',
        ),
      ),
    );
  }, []);
  return null;
}
