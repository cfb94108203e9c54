import type { Metadata } from 'next';
import { Suspense } from 'react';
import { MonthSheet } from '@/features/months/MonthSheet';

export const metadata: Metadata = { title: 'A month' };

export default function Page() {
  return (
    <Suspense>
      <MonthSheet />
    </Suspense>
  );
}
