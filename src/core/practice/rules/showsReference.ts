import { poseExercise, poseIn } from './poseExercise';
import type { Plan } from '../plan/schema';
import type { Segment } from '../time/timeline';

/** Whether something is drawn in a segment. */
export const isDrawing = ({ kind }: Pick<Segment, 'kind'>): boolean => kind === 'draw' || kind === 'drawAgain';

/** What a pose is drawn from; null where there is no picture, or no pose. */
export function referenceOf(plan: Plan, segment: Segment): string | null {
  return poseIn(plan, segment)?.referenceId ?? null;
}

/**
 * The reference may be seen now: always while drawing, unless the exercise hides it; before and after, only to look. Where it is hidden
 * for one of two drawings, it is shown for the other.
 */
export function showsReference(plan: Plan, segment: Segment): boolean {
  if (referenceOf(plan, segment) === null) return false;
  if (segment.kind === 'look' || segment.kind === 'lookAgain') return true;
  const hiddenFor = { shown: '', 'look then hidden': 'draw', 'shown then hidden': 'drawAgain', none: segment.kind };
  return isDrawing(segment) && segment.kind !== hiddenFor[poseExercise(plan, segment)?.rule.reference ?? 'none'];
}

/** The reference that must not be seen anywhere now, since it is being drawn without it; null when there is none. */
export function hiddenReference(plan: Plan, segment: Segment | undefined): string | null {
  return segment && isDrawing(segment) && !showsReference(plan, segment) ? referenceOf(plan, segment) : null;
}
