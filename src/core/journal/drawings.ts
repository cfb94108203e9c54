import { MIN_DRAWING_MS, visitSpentMs } from '../clock/account';
import { stateOnTimeline } from '../clock/run';
import type { Visit } from '../clock/visit';
import type { Exercise } from '../practice/exercises/exercise';
import { poseExercise } from '../practice/rules/poseExercise';
import { drawingKey } from '../practice/rules/holds';
import { referenceOf } from '../practice/rules/showsReference';
import type { Plan } from '../practice/plan/schema';
import { expandPlan, type Segment } from '../practice/time/timeline';
import type { Session } from './session';

/** One stay at a drawing. Going back to it and starting it over are stays of their own. */
export interface Drawing {
  /** Stays at the same segment have the same. */
  segmentIndex: number;
  /** Stays at the same drawing have the same: at one pose, or at all holds of it. */
  drawing: string;
  exercise: Exercise;
  /** What it was drawn from; null for nothing. */
  referenceId: string | null;
  /** Said with it: which quality of line, which element. */
  label?: string;
  spentMs: number;
  visit: Visit;
}

const poseLabel = ({ blocks }: Plan, { blockIndex, poseIndex }: Segment): string | undefined => {
  const block = blocks[blockIndex];
  return block.kind === 'poses' ? block.poses[poseIndex]?.label : undefined;
};

/** Every stay at a drawing in a session, in order, however short. */
function staysOf({ plan, log, lastSeenMs }: Session): Drawing[] {
  const timeline = expandPlan(plan);
  return stateOnTimeline(timeline, log, lastSeenMs).visits.flatMap((visit): Drawing[] => {
    const segment = timeline.segments[visit.segmentIndex];
    const exercise = segment.kind === 'draw' ? poseExercise(plan, segment) : undefined;
    if (!exercise) return [];
    const { segmentIndex } = visit;
    const label = poseLabel(plan, segment);
    const referenceId = referenceOf(plan, segment);
    return [
      {
        segmentIndex,
        drawing: drawingKey(plan, segment),
        exercise,
        referenceId,
        spentMs: visitSpentMs(visit),
        visit,
        ...(label && { label }),
      },
    ];
  });
}

/** The stays that were worked in, in order: nothing that was only passed. */
export const drawingsOf = (session: Session): Drawing[] => staysOf(session).filter((d) => d.spentMs >= MIN_DRAWING_MS);

/** What was drawn, pose by pose: all stays at one together. */
export function posesDrawn(session: Session): Drawing[] {
  const poses = new Map<string, Drawing>();
  for (const stay of staysOf(session)) {
    const before = poses.get(stay.drawing)?.spentMs ?? 0;
    poses.set(stay.drawing, { ...stay, spentMs: before + stay.spentMs });
  }
  return [...poses.values()].filter((d) => d.spentMs >= MIN_DRAWING_MS);
}
