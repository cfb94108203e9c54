import { Wall } from '@/app/bodies';
import type { Metadata } from 'next';

export const metadata: Metadata = { title: 'Wall' };

export default function Page() {
  return <Wall />;
}
