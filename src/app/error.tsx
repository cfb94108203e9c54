'use client';
import { DemoMark } from '@/features/data/DemoMark';
import { TopBar } from '@/ui/TopBar';

/** Something unexpected: what is safe, and the way on. */
export default function ErrorPage({ reset }: { reset: () => void }) {
  return (
    <>
      <TopBar aside={<DemoMark />} />
      <main className="mx-4 py-16 sm:mx-10">
        <h1 className="text-[30px]">Something went wrong on this page</h1>
        <p className="mt-2 max-w-[60ch]">
          Your sessions, pages and pictures are safe in this browser; a session that was running waits on Today. Try
          again, and if it happens once more, take your data out on the Data page.
        </p>
        <button type="button" className="btn mt-5" onClick={reset}>
          Try again
        </button>
      </main>
    </>
  );
}
