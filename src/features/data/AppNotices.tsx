'use client';
import dynamic from 'next/dynamic';

// Loaded after the page, so that the layout and the pages share fewer modules (decision 0029).
const Availability = dynamic(() => import('./Availability').then((m) => m.Availability), { ssr: false });
const Updates = dynamic(() => import('./Updates').then((m) => m.Updates), { ssr: false });

/** Notices for every page: storage isn't available, a new version is ready. */
export function AppNotices() {
  return (
    <>
      <Availability />
      <Updates />
    </>
  );
}
