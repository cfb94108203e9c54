'use client';
import dynamic from 'next/dynamic';

// Fetched when something did go wrong: every page carries the pages for errors.
const ResetSettings = dynamic(() => import('./ResetSettings').then((m) => m.ResetSettings));
const TakeOut = dynamic(() => import('./TakeOut').then((m) => m.TakeOut));

/** The ways on from a page that failed. They stand on it too, in case the Data page is the one that fails. */
export function WaysOn({ onRetry }: { onRetry: () => void }) {
  return (
    <>
      <button type="button" className="btn mt-5" onClick={onRetry}>
        Try again
      </button>
      <div className="mt-9 grid gap-x-12 gap-y-8 border-t border-hairline pt-6 lg:grid-cols-2">
        <TakeOut />
        <ResetSettings />
      </div>
    </>
  );
}
