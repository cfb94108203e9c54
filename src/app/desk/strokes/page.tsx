import { StrokesPage } from '@/app/bodies';
import type { Metadata } from 'next';
import { Suspense } from 'react';
import { TopBar } from '@/ui/TopBar';

export const metadata: Metadata = { title: 'Stroke by stroke' };

export default function Page() {
  return (
    <>
      <TopBar />
      <main className="px-4 pt-4 pb-12 sm:px-10">
        <Suspense>
          <StrokesPage />
        </Suspense>
      </main>
    </>
  );
}
