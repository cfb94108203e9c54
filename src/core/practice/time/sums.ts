import type { Plan } from '../plan/schema';
import { expandPlan, segmentMs, type SegmentKind } from './timeline';

export interface PlanSums {
  /** Poses and pages of lines. */
  drawingMs: number;
  /** Looking before drawing, and again after it. */
  lookingMs: number;
  leadInMs: number;
  changingMs: number;
  restingMs: number;
  /** Body moves and breathing. */
  preparingMs: number;
  totalMs: number;
  /** The total without what counts up: open parts have no least length. Equal to the total where nothing is open. */
  atLeastMs: number;
}

const SUM_OF: Record<SegmentKind, Exclude<keyof PlanSums, 'totalMs' | 'atLeastMs'>> = {
  body: 'preparingMs',
  page: 'drawingMs',
  leadIn: 'leadInMs',
  look: 'lookingMs',
  draw: 'drawingMs',
  drawAgain: 'drawingMs',
  lookAgain: 'lookingMs',
  change: 'changingMs',
  rest: 'restingMs',
  lookBack: 'lookingMs',
};

/** Where the planned time goes, milliseconds; the six parts add up to the total. What is open counts at its expected length. */
export function sumPlan(plan: Plan): PlanSums {
  const { segments, totalMs } = expandPlan(plan);
  const sums: PlanSums = {
    drawingMs: 0,
    lookingMs: 0,
    leadInMs: 0,
    changingMs: 0,
    restingMs: 0,
    preparingMs: 0,
    totalMs,
    atLeastMs: totalMs,
  };
  for (const segment of segments) {
    sums[SUM_OF[segment.kind]] += segmentMs(segment);
    if (segment.open) sums.atLeastMs -= segmentMs(segment);
  }
  return sums;
}

/** How many drawings a plan asks for. */
export function countPoses(plan: Plan): number {
  return plan.blocks.reduce((sum, block) => sum + (block.kind === 'poses' ? block.poses.length : 0), 0);
}
