import { mediumOf, poseIn } from '../practice/rules/poseExercise';
import { mapPoses, poseKey } from '../practice/plan/planPoses';
import type { Plan, PosePlan } from '../practice/plan/schema';
import { without } from '../without';
import type { RunEvent } from './log';

type Swap = Extract<RunEvent, { type: 'picture' | 'medium' }>;
type Where = { blockIndex: number; poseIndex: number };

/** What the learner changed of a plan while it ran. */
export interface PlanChanges {
  /** Poses worked by the other of two exercises, as `poseKey`s. */
  others: readonly string[];
  /** Poses from which on the block is drawn with the hand the plan doesn't say, as `poseKey`s. */
  hands: readonly string[];
  /** Pictures and media exchanged, in order. */
  swaps: readonly Swap[];
}
export const NO_CHANGES: PlanChanges = { others: [], hands: [], swaps: [] };

const isFrom = (at: Where, from: Where): boolean =>
  at.blockIndex > from.blockIndex || (at.blockIndex === from.blockIndex && at.poseIndex >= from.poseIndex);

/** From a pose on, another picture or medium wherever the plan has that pose's. */
function swapped(plan: Plan, swap: Swap): Plan {
  const before = poseIn(plan, swap);
  if (!before) return plan;
  if (swap.type === 'medium') {
    const medium = mediumOf(plan, swap);
    return mapPoses(plan, (pose, at) =>
      isFrom(at, swap) && mediumOf(plan, at) === medium ? { ...pose, medium: swap.medium } : pose,
    );
  }
  return mapPoses(plan, (pose, at) => {
    if (!isFrom(at, swap) || pose.referenceId !== before.referenceId) return pose;
    // What was noted of the old picture isn't true of the new one.
    const { referenceId, shows, leftOut } = swap;
    return { ...without(pose, 'leftOut', 'shows'), referenceId, ...(shows && { shows }), ...(leftOut && { leftOut }) };
  });
}

const withOtherHand = (pose: PosePlan): PosePlan => (pose.hand ? without(pose, 'hand') : { ...pose, hand: 'other' });

/** A plan as it is drawn: with the exercises, pictures, media and hands that were chosen on the way. */
export function withChoices(plan: Plan, { others, hands, swaps }: PlanChanges): Plan {
  let changed = plan;
  if (others.length > 0)
    changed = mapPoses(changed, (pose, at, { settings }) =>
      settings?.orExercise && others.includes(poseKey(at)) ? { ...pose, exercise: settings.orExercise } : pose,
    );
  for (const swap of swaps) changed = swapped(changed, swap);
  if (hands.length === 0) return changed;
  return mapPoses(changed, (pose, at) => {
    const turns = hands.filter((key) => {
      const [blockIndex, poseIndex] = key.split(':').map(Number);
      return blockIndex === at.blockIndex && isFrom(at, { blockIndex, poseIndex });
    });
    return turns.length % 2 === 1 ? withOtherHand(pose) : pose;
  });
}
