'use client';
import { useState } from 'react';
import { storageProblem } from '@/storage/problems';
import { resetSettings } from '@/storage/settings';

/** Every setting back to how it comes; what was drawn stays. */
export function ResetSettings() {
  const [told, setTold] = useState('');
  return (
    <section aria-labelledby="reset-heading">
      <h2 id="reset-heading" className="text-[20px]">
        Put settings back to the start
      </h2>
      <p className="mt-1">
        Minutes, room, keys and how each page was left, and the plan being built. Sessions, pages, pictures and kept
        plans stay.
      </p>
      <button
        type="button"
        className="btn-quiet btn mt-3"
        onClick={() => {
          resetSettings().then(
            () => setTold('Settings are as they come. Nothing else was touched.'),
            (error: unknown) => setTold(storageProblem(error)),
          );
        }}
      >
        Put settings back
      </button>
      <p role="status" className="mt-1 min-h-[20px] text-quiet">
        {told}
      </p>
    </section>
  );
}
