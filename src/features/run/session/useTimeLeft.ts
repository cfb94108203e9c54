'use client';
import { useCallback } from 'react';
import type { RunState } from '@/core/clock/run';
import type { TimeLeft } from '@/ui/EdgeClock';
import type { Run } from './controller';
import { onTick } from './ticks';

function leftOf(run: Run, now: RunState): TimeLeft {
  if (now.phase === 'done') return { share: 0, ms: 0 };
  const { open } = run.timeline.segments[now.segmentIndex];
  // A page of lines counts up: nothing burns.
  if (open) return { share: 1, ms: Infinity };
  return { share: now.lengthMs === 0 ? 0 : now.leftMs / now.lengthMs, ms: now.leftMs };
}

/** What the clock at the edge follows, and what the pace along an edge asks ten times a second. */
export function useTimeLeft(run: Run): {
  followLeft: (move: (left: TimeLeft) => void) => () => void;
  spentShare: () => number;
} {
  const followLeft = useCallback(
    (move: (left: TimeLeft) => void) => {
      move(leftOf(run, run.state()));
      return onTick(run, (now) => move(leftOf(run, now)));
    },
    [run],
  );
  // The pace along an edge goes by the length that is expected, also where the drawing is open.
  const spentShare = useCallback(() => {
    const now = run.state();
    return now.phase === 'done' || now.lengthMs === 0 ? 1 : Math.min(1, now.elapsedMs / now.lengthMs);
  }, [run]);
  return { followLeft, spentShare };
}
