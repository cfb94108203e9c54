'use client';
import dynamic from 'next/dynamic';
import { TopBar } from '@/ui/TopBar';

// Fetched when something did go wrong: every page carries this one.
const ResetSettings = dynamic(() => import('@/features/data/ResetSettings').then((m) => m.ResetSettings));
const TakeOut = dynamic(() => import('@/features/data/TakeOut').then((m) => m.TakeOut));

/** Something unexpected: what is safe, and the ways on. They stand here too, in case the Data page is the one that fails. */
export default function ErrorPage({ reset }: { reset: () => void }) {
  return (
    <>
      <TopBar />
      <main className="mx-4 py-12 sm:mx-10">
        <h1 className="text-[30px]">Something went wrong on this page</h1>
        <p className="mt-2 max-w-[60ch]">
          Your sessions, pages and pictures are safe in this browser; a session that was running waits on Today. Try
          again. If it happens once more, take everything out, then put settings back.
        </p>
        <button type="button" className="btn mt-5" onClick={reset}>
          Try again
        </button>
        <div className="mt-9 grid gap-x-12 gap-y-8 border-t border-hairline pt-6 lg:grid-cols-2">
          <TakeOut />
          <ResetSettings />
        </div>
      </main>
    </>
  );
}
