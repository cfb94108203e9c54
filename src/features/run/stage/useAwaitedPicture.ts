import { useEffect } from 'react';
import type { RunState } from '@/core/clock/run';
import type { Run } from '@/features/run/session/controller';

/** A picture that comes this soon after it was due holds nothing up. */
const AT_ONCE_MS = 250;

/** The clock never runs without its picture: it is held from when the picture was due until it is on screen. */
export function useAwaitedPicture(run: Run, { phase, holdReason, segmentIndex }: RunState, awaited: boolean): void {
  useEffect(() => {
    if (!awaited) {
      if (holdReason === 'picture') run.command('picture seen');
      return;
    }
    if (phase !== 'running') return;
    const timer = setTimeout(() => run.command('await picture'), AT_ONCE_MS);
    return () => clearTimeout(timer);
  }, [run, awaited, phase, holdReason, segmentIndex]);
}
