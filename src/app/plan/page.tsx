import type { Metadata } from 'next';
import { DemoMark } from '@/features/data/DemoMark';
import { Plan } from '@/features/plan/Plan';
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
