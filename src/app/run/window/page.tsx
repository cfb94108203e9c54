import type { Metadata } from 'next';
import { Suspense } from 'react';
import { SecondWindow } from '@/features/run/SecondWindow';

export const metadata: Metadata = { title: 'Second window' };

export default function Page() {
  return (
    <Suspense>
      <SecondWindow />
    </Suspense>
  );
}
