import { After, DemoMark } from '@/app/bodies';
import type { Metadata } from 'next';
import { Suspense } from 'react';
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
