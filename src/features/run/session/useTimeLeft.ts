'use client';
import { useCallback } from 'react';
import type { Run } from './controller';

/** What the clock at the edge and the pace along an edge ask ten times a second. */
export function useTimeLeft(run: Run): { left: () => { share: number; ms: number }; spentShare: () => number } {
  const left = useCallback(() => {
    const now = run.state();
    if (now.phase === 'done') return { share: 0, ms: 0 };
    const { open } = run.timeline.segments[now.segmentIndex];
    // A page of lines counts up: nothing burns.
    if (open) return { share: 1, ms: Infinity };
    return { share: now.lengthMs === 0 ? 0 : now.leftMs / now.lengthMs, ms: now.leftMs };
  }, [run]);
  const spentShare = useCallback(() => 1 - left().share, [left]);
  return { left, spentShare };
}
