import type { Metadata } from 'next';
import { Suspense } from 'react';
import { Poses } from '@/features/poses/Poses';
import { DemoMark } from '@/features/data/DemoMark';
import { TopBar } from '@/ui/TopBar';

export const metadata: Metadata = { title: 'Poses' };

export default function Page() {
  return (
    <>
      <TopBar aside={<DemoMark />} />
      <main className="px-4 pt-5 pb-12 sm:px-10">
        <Suspense>
          <Poses />
        </Suspense>
      </main>
    </>
  );
}
