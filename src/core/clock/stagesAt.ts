import { poseStages, type StageLength } from '../practice/rules/poseStages';
import type { Plan } from '../practice/plan/schema';
import type { Laid } from '../practice/time/timeline';
import { potAt } from './pot';
import type { RunState } from './run';

/**
 * The length that the stages of the drawing at hand are laid over, milliseconds: its own; out of a pot, an even share of what was left
 * when it was begun, since the rest is for the others.
 */
export function stagedMs(timeline: Laid, state: RunState): number {
  const pot = timeline.segments[state.segmentIndex]?.potMs === undefined ? undefined : potAt(timeline, state);
  if (!pot || pot.drawings < 2) return state.lengthMs;
  return Math.min(state.lengthMs, Math.floor((pot.leftMs + state.elapsedMs) / pot.drawings));
}

/** The stages of the drawing at hand. None where it is open, and none in more time with a drawing that had its stages before. */
export function stagesAt(plan: Plan, timeline: Laid, state: RunState): StageLength[] {
  const segment = timeline.segments[state.segmentIndex];
  const visit = state.visits.at(-1);
  if (!segment || segment.open || visit?.extra === 'more time') return [];
  return poseStages(plan, segment, stagedMs(timeline, state), visit?.wholeInMs);
}
