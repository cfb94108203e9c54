import type { Metadata } from 'next';
import { Suspense } from 'react';
import { After } from '@/features/journal/After';
import { TopBar } from '@/ui/TopBar';

export const metadata: Metadata = { title: 'After the session' };

export default function Page() {
  return (
    <>
      <TopBar />
      <main className="mx-4 pt-6 pb-12 sm:mx-10">
        <Suspense>
          <After />
        </Suspense>
      </main>
    </>
  );
}
