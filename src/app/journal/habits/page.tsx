import type { Metadata } from 'next';
import { Habits } from '@/features/habits/Habits';

export const metadata: Metadata = { title: 'Habits' };

export default function Page() {
  return <Habits />;
}
