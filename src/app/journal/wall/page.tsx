import type { Metadata } from 'next';
import { Wall } from '@/features/wall/Wall';

export const metadata: Metadata = { title: 'Wall' };

export default function Page() {
  return <Wall />;
}
