import { Months } from '@/app/bodies';
import type { Metadata } from 'next';

export const metadata: Metadata = { title: 'Months' };

export default function Page() {
  return <Months />;
}
