import { MonthSheet } from '@/app/bodies';
import type { Metadata } from 'next';
import { Suspense } from 'react';

export const metadata: Metadata = { title: 'A month' };

export default function Page() {
  return (
    <Suspense>
      <MonthSheet />
    </Suspense>
  );
}
