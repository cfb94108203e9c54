import { mediumById } from '../paper/materials';
import type { Plan } from '../plan/schema';
import type { Segment } from '../time/timeline';
import { mediaOf, poseExercise } from './poseExercise';

/** What a pose is drawn with; undefined where nothing is posed. */
function toolsOf(
  plan: Plan,
  segment: Segment,
): { medium: string | undefined; second: string | undefined; hand: 'usual' | 'other' } | undefined {
  const block = plan.blocks[segment.blockIndex];
  const exercise = poseExercise(plan, segment);
  if (block.kind !== 'poses' || !exercise) return undefined;
  const [medium, second] = mediaOf(plan, segment);
  return { medium, second, hand: exercise.rule.hand };
}

/**
 * What changes in the hand before a pose: "Switch to the charcoal stick. Use your other hand." Empty where nothing does.
 * @param at Index of a segment of the pose.
 */
export function switchWords(plan: Plan, segments: readonly Segment[], at: number): string {
  if (at < 0) return '';
  const next = toolsOf(plan, segments[at]);
  const drawn = segments
    .slice(0, at)
    .findLast(
      (s) => s.kind === 'draw' && (s.blockIndex !== segments[at].blockIndex || s.poseIndex !== segments[at].poseIndex),
    );
  const before = drawn && toolsOf(plan, drawn);
  if (!next) return '';
  const usual = before?.hand ?? 'usual';
  return [
    ...(before && next.medium !== undefined && next.medium !== before.medium
      ? [`Switch to ${mediumById(next.medium).name}.`]
      : []),
    ...(before && next.second !== undefined && next.second !== before.second
      ? [`Keep the ${mediumById(next.second).name} ready too.`]
      : []),
    ...(next.hand === usual ? [] : [next.hand === 'other' ? 'Use your other hand.' : 'Back to your usual hand.']),
  ].join(' ');
}
