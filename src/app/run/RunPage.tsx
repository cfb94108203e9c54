'use client';
import dynamic from 'next/dynamic';
import type { ReactNode } from 'react';
import { body } from '@/app/body';

// Fetched while the session is read.
const RunGate = body(() => import('@/features/run/RunGate').then((m) => m.RunGate), '/run');
// In a rest, and only when it is asked for.
const PagesDialog = dynamic(() => import('@/features/journal/PagesDialog').then((m) => m.PagesDialog), { ssr: false });

/** The run, and the pages that are put away in its rests. */
export const RunPage = (): ReactNode => (
  <RunGate pages={(sessionId, onClose) => <PagesDialog sessionId={sessionId} onClose={onClose} />} />
);
