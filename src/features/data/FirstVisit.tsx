'use client';
import { useEffect } from 'react';
import { toastProblem } from '@/ui/toast/toast';

/** Opens the records, whichever place comes first. */
export function FirstVisit() {
  useEffect(() => {
    void import('@/storage/opening').then(({ openRecords }) =>
      openRecords(Date.now(), () =>
        toastProblem(
          'Another tab still holds an older Fox Minute open, so this one cannot be brought up to date. Nothing is changed; close the other tab.',
        ),
      ),
    );
  }, []);
  return null;
}
