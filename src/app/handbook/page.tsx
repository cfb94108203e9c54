import type { Metadata } from 'next';
import { Handbook } from '@/features/handbook/Handbook';
import { TopBar } from '@/ui/TopBar';

export const metadata: Metadata = { title: 'Handbook' };

export default function Page() {
  return (
    <>
      <TopBar />
      <main className="mx-4 pt-5 pb-12 sm:mx-10">
        <Handbook />
      </main>
    </>
  );
}
