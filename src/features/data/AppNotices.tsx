'use client';
import dynamic from 'next/dynamic';

// Fetched after the page: storage modules in the layout's own scripts would be shared with every page's, and could be
// asked for before the script that holds them has arrived.
const Availability = dynamic(() => import('./Availability').then((m) => m.Availability), { ssr: false });
const Updates = dynamic(() => import('./Updates').then((m) => m.Updates), { ssr: false });

/** What the app says on every page: that nothing is kept, and that a new version is ready. */
export function AppNotices() {
  return (
    <>
      <Availability />
      <Updates />
    </>
  );
}
