import { GroupPage } from '@/app/bodies';
import type { Metadata } from 'next';
import { Suspense } from 'react';
import { TopBar } from '@/ui/TopBar';

export const metadata: Metadata = { title: 'Several figures' };

export default function Page() {
  return (
    <>
      <TopBar />
      <main className="px-4 pt-4 pb-12 sm:px-10">
        <Suspense>
          <GroupPage />
        </Suspense>
      </main>
    </>
  );
}
