import type { Metadata } from 'next';
import { RunGate } from '@/features/run/RunGate';

export const metadata: Metadata = { title: 'Session' };

export default function Page() {
  return <RunGate />;
}
