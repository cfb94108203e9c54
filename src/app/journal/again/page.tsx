import type { Metadata } from 'next';
import { Suspense } from 'react';
import { Again } from '@/features/again/Again';

export const metadata: Metadata = { title: 'Then and now' };

export default function Page() {
  return (
    <Suspense>
      <Again />
    </Suspense>
  );
}
