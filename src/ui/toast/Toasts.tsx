'use client';
import dynamic from 'next/dynamic';

/** The place of toasts, fetched after the page. */
export const Toasts = dynamic(() => import('./ToastHost').then((m) => m.ToastHost), { ssr: false });
