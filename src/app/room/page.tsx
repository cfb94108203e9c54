import { DemoMark, RoomPage } from '@/app/bodies';
import type { Metadata } from 'next';
import { TopBar } from '@/ui/TopBar';

export const metadata: Metadata = { title: 'Your room' };

export default function Page() {
  return (
    <>
      <TopBar aside={<DemoMark />} />
      <main className="px-4 pt-5 pb-12 sm:px-10">
        <RoomPage />
      </main>
    </>
  );
}
