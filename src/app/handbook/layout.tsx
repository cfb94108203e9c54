import type { ReactNode } from 'react';
import { ChapterNav } from '@/features/handbook/ChapterNav';
import { TopBar } from '@/ui/TopBar';

export default function HandbookLayout({ children }: { children: ReactNode }) {
  return (
    <>
      <TopBar />
      <main className="px-4 pt-3 pb-12 sm:px-10">
        <ChapterNav />
        {children}
      </main>
    </>
  );
}
