'use client';
import { type RefObject, useEffect, useRef } from 'react';
import type { Aids } from '@/features/run/stage/aids';
import type { Run } from './controller';
import { shareRun } from './runChannel';

/** Other windows see what is seen here. @returns The aids as they are now, for changes that come before the next render. */
export function useSharing(sessionId: string, run: Run, aids: Aids): RefObject<Aids> {
  const now = useRef(aids);
  const shared = useRef<ReturnType<typeof shareRun>>(undefined);
  useEffect(() => {
    const sharing = shareRun(sessionId, run, () => now.current);
    shared.current = sharing;
    return sharing.stop;
  }, [run, sessionId]);
  useEffect(() => {
    now.current = aids;
    shared.current?.tell();
  }, [aids]);
  return now;
}
