import type { Metadata } from 'next';
import { Suspense } from 'react';
import { After } from '@/features/journal/After';
import { DemoMark } from '@/features/data/DemoMark';
import { TopBar } from '@/ui/TopBar';

export const metadata: Metadata = { title: 'After the session' };

export default function Page() {
  return (
    <>
      <TopBar aside={<DemoMark />} />
      <main className="px-4 pt-6 pb-12 sm:px-10">
        <Suspense>
          <After />
        </Suspense>
      </main>
    </>
  );
}
