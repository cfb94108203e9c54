import type { Metadata } from 'next';
import { Months } from '@/features/months/Months';

export const metadata: Metadata = { title: 'Months' };

export default function Page() {
  return <Months />;
}
