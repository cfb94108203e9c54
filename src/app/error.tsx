'use client';
import { WaysOn } from '@/features/data/WaysOn';
import { PlainBar } from '@/ui/PlainBar';

/** Something unexpected: what is safe, and the ways on. */
export default function ErrorPage({ reset }: { reset: () => void }) {
  return (
    <>
      <PlainBar />
      <main className="px-4 py-12 sm:px-10">
        <h1 className="text-[30px]">Something went wrong on this page</h1>
        <p className="mt-2 max-w-[60ch]">
          Your sessions, pages and pictures are safe in this browser; a session that was running waits on Today. Try
          again. If it happens once more, take everything out, then put settings back.
        </p>
        <WaysOn onRetry={reset} />
      </main>
    </>
  );
}
