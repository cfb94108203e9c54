import { Again } from '@/app/bodies';
import type { Metadata } from 'next';
import { Suspense } from 'react';

export const metadata: Metadata = { title: 'Then and now' };

export default function Page() {
  return (
    <Suspense>
      <Again />
    </Suspense>
  );
}
