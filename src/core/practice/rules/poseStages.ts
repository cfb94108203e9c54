import { poseExercise } from './poseExercise';
import type { Plan } from '../plan/schema';
import { schoolStages, stageLengths } from './stages';
import type { Segment } from '../time/timeline';

/** Own stages shorter than this are dropped, as those of a school are. */
const SHORTEST_OWN_MS = 4000;

/** The stages of a drawing of some length: the block's own, or its exercise's school; none for drawing once more. */
export function poseStages(
  plan: Plan,
  segment: Pick<Segment, 'kind' | 'blockIndex' | 'poseIndex'>,
  drawMs: number,
): { name: string; lengthMs: number }[] {
  const block = plan.blocks[segment.blockIndex];
  if (segment.kind !== 'draw' || block.kind !== 'poses') return [];
  const own = block.settings?.stages;
  if (own) return stageLengths(own, drawMs, SHORTEST_OWN_MS);
  return schoolStages(poseExercise(plan, segment)?.school ?? 'none', drawMs);
}

/** The stage that runs after some time, and where each stage after the first begins, milliseconds from the start of the drawing. */
export function stageAt(
  stages: readonly { name: string; lengthMs: number }[],
  elapsedMs: number,
): { now: string | undefined; startsMs: number[] } {
  const startsMs: number[] = [];
  let at = 0;
  let now = stages[0]?.name;
  for (const { name, lengthMs } of stages) {
    if (at > 0) startsMs.push(at);
    if (elapsedMs >= at) now = name;
    at += lengthMs;
  }
  return { now, startsMs };
}
