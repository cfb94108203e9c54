import { stateOnTimeline } from '@/core/clock/run';
import type { Session } from '@/core/journal/session';
import { hiddenReference } from '@/core/practice/rules/showsReference';
import { expandPlan } from '@/core/practice/time/timeline';

/** For a session that runs: what is being drawn from memory at a moment, wall time in milliseconds; null when nothing is. */
export function hiddenAt({ plan, log, startedAtMs }: Session): (wallMs: number) => string | null {
  const timeline = expandPlan(plan);
  return (wallMs) => {
    const state = stateOnTimeline(timeline, log, wallMs - startedAtMs);
    return hiddenReference(plan, timeline.segments[state.segmentIndex]);
  };
}
