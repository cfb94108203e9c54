import type { Segment, Timeline } from '../practice/time/timeline';
import { firstOfPose, samePose } from './poseSegments';
import { potAt } from './pot';
import { lengthOf } from './replay';
import type { RunState } from './run';

/** What is left of the session if nothing more happens, milliseconds: changed lengths and what may not run over counted in, open parts at their expected length, a pot at what is left in it. @param from Whether the segment at hand counts where it is open: it has no end of its own. */
export function sessionLeftMs(timeline: Timeline, state: RunState, from: 'now' | 'after this' = 'now'): number {
  if (state.phase === 'done') return 0;
  const at = state.segmentIndex;
  const segment = timeline.segments[at];
  const pot = potAt(timeline, state);
  // The drawings of the pot at hand are counted once, together.
  const expectedMs = (i: number): number => {
    const { blockIndex, potMs } = timeline.segments[i];
    return potMs !== undefined && blockIndex === segment.blockIndex ? 0 : lengthOf(timeline, state.lengths, i);
  };
  let leftMs = pot?.leftMs ?? 0;
  if (segment.open && from === 'now') leftMs += Math.max(0, lengthOf(timeline, state.lengths, at) - state.elapsedMs);
  else if (!segment.open && segment.potMs === undefined) leftMs += state.leftMs;
  for (let i = at + 1; i < timeline.segments.length; i++) leftMs += expectedMs(i);
  if (state.oneMore)
    for (let i = firstOfPose(timeline.segments, at); i < timeline.segments.length; i++) {
      if (!samePose(timeline.segments[i], segment) || timeline.segments[i].kind === 'change') break;
      leftMs += expectedMs(i);
    }
  return leftMs;
}

/** How far into the plan it is, milliseconds; what runs over stays at the end of its segment. */
export function planSpentMs(segments: readonly Segment[], { segmentIndex, elapsedMs }: RunState): number {
  const segment = segments[Math.min(segmentIndex, segments.length - 1)];
  return Math.min(segment.endMs, segment.startMs + elapsedMs);
}
