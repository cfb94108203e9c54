import { Courses } from '@/app/bodies';
import type { Metadata } from 'next';
import { TopBar } from '@/ui/TopBar';

export const metadata: Metadata = { title: 'Courses and classes' };

export default function Page() {
  return (
    <>
      <TopBar />
      <main className="px-4 pt-5 pb-12 sm:px-10">
        <Courses />
      </main>
    </>
  );
}
