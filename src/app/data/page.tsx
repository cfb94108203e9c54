import type { Metadata } from 'next';
import { Data } from '@/features/data/Data';
import { TopBar } from '@/ui/TopBar';

export const metadata: Metadata = { title: 'Data' };

export default function Page() {
  return (
    <>
      <TopBar />
      <main className="mx-4 pt-5 pb-12 sm:mx-10">
        <Data />
      </main>
    </>
  );
}
