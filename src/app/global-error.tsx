'use client';
import dynamic from 'next/dynamic';
import './globals.css';

// Fetched when something did go wrong: every page carries this one.
const ResetSettings = dynamic(() => import('@/features/data/ResetSettings').then((m) => m.ResetSettings));
const TakeOut = dynamic(() => import('@/features/data/TakeOut').then((m) => m.TakeOut));

/** What is around every page failed: the ways on without it. */
export default function GlobalErrorPage({ reset }: { reset: () => void }) {
  return (
    <html lang="en">
      <body className="min-h-dvh bg-ground p-10 font-sans text-ink">
        <h1 className="text-[30px]">Fox Minute could not be shown</h1>
        <p className="mt-2 max-w-[60ch]">
          Your sessions, pages and pictures are safe in this browser. Try again. If it happens once more, take
          everything out, then put settings back.
        </p>
        <button type="button" className="btn mt-5" onClick={reset}>
          Try again
        </button>
        <div className="mt-9 grid gap-x-12 gap-y-8 lg:grid-cols-2">
          <TakeOut />
          <ResetSettings />
        </div>
      </body>
    </html>
  );
}
