import { SecondWindow } from '@/app/bodies';
import type { Metadata } from 'next';
import { Suspense } from 'react';

export const metadata: Metadata = { title: 'Second window' };

export default function Page() {
  return (
    <Suspense>
      <SecondWindow />
    </Suspense>
  );
}
