import type { Metadata } from 'next';
import { Suspense } from 'react';
import { Journal } from '@/features/journal/Journal';
import { DemoMark } from '@/features/data/DemoMark';
import { TopBar } from '@/ui/TopBar';

export const metadata: Metadata = { title: 'Journal' };

export default function Page() {
  return (
    <>
      <TopBar aside={<DemoMark />} />
      <main className="mx-4 pt-5 pb-12 sm:mx-10">
        <Suspense>
          <Journal />
        </Suspense>
      </main>
    </>
  );
}
