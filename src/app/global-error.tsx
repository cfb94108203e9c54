'use client';
import { WaysOn } from '@/features/data/WaysOn';
import './globals.css';

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
        <WaysOn onRetry={reset} />
      </body>
    </html>
  );
}
