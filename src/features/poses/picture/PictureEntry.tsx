'use client';
import dynamic from 'next/dynamic';

/** The page of a picture, fetched when it is opened: it brings the reading of bodies along. */
export const PictureEntry = dynamic(() => import('./PicturePage').then((m) => m.PicturePage), {
  loading: () => <div className="mt-4 h-[70dvh] skeleton" aria-label="Opening" />,
});
