import { Journal } from '@/app/bodies';
import type { Metadata } from 'next';
import { Suspense } from 'react';

export const metadata: Metadata = { title: 'Journal' };

export default function Page() {
  return (
    <Suspense>
      <Journal />
    </Suspense>
  );
}
