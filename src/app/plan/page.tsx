import type { Metadata } from 'next';
import { DemoMark, Plan } from '@/app/bodies';
import { TopBar } from '@/ui/TopBar';

export const metadata: Metadata = { title: 'Plan' };

export default function Page() {
  return (
    <>
      <TopBar aside={<DemoMark />} />
      <Plan />
    </>
  );
}
