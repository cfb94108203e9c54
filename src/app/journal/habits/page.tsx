import { Habits } from '@/app/bodies';
import type { Metadata } from 'next';

export const metadata: Metadata = { title: 'Habits' };

export default function Page() {
  return <Habits />;
}
