import { DemoMark } from '@/app/bodies';
import type { ReactNode } from 'react';
import { JournalPlaces } from '@/ui/JournalPlaces';
import { TopBar } from '@/ui/TopBar';

export default function JournalLayout({ children }: { children: ReactNode }) {
  return (
    <>
      <TopBar aside={<DemoMark />} />
      <main className="px-4 pt-3 pb-12 sm:px-10">
        <JournalPlaces />
        {children}
      </main>
    </>
  );
}
