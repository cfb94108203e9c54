import type { ReferenceFacts } from '../../references/coverage';
import { pick } from '../../references/pick';
import { subjectKindOf } from '../../references/subjectKind';
import { fulfills } from '../../references/wishes';
import type { Plan, PosesBlock } from '../plan/schema';
import { picturesOf } from '../plan/planPoses';
import { poseExercise, poseIn } from '../rules/poseExercise';
import { suits } from '../rules/suits';
import { holdable } from './chooseReferences';

/**
 * Picks another picture for a pose of a running session, from the sets and wishes of its block. It isn't in the session yet, and it can be
 * held for as long as the pose is drawn.
 * @param plan As it is drawn, with what was exchanged so far.
 * @param pool Everything the block's sets hold.
 * @param givenUp Pictures that were exchanged before.
 * @returns Undefined where the sets have no other.
 */
export function anotherPicture(
  plan: Plan,
  at: { blockIndex: number; poseIndex: number },
  pool: readonly ReferenceFacts[],
  givenUp: readonly string[],
): string | undefined {
  const { from, settings } = plan.blocks[at.blockIndex] as PosesBlock;
  const exercise = poseExercise(plan, at);
  const taken = new Set([...picturesOf(plan), ...givenUp]);
  const posesTaken = new Set(pool.flatMap((r) => (taken.has(r.id) && r.pose !== undefined ? [r.pose] : [])));
  const free = pool.filter(
    (r) => !taken.has(r.id) && fulfills(r, from?.wishes ?? {}) && (!exercise || suits(exercise, subjectKindOf(r))),
  );
  const held = holdable(free, poseIn(plan, at)?.drawMs ?? 0, settings);
  // A new pose comes before another view of one that the session has.
  const fresh = held.filter((r) => r.pose === undefined || !posesTaken.has(r.pose));
  const seed = plan.seed * 31 + at.blockIndex * 7 + at.poseIndex + givenUp.length * 1009;
  return pick({ pool: fresh.length > 0 ? fresh : held, count: 1, order: 'shuffled', seed, timesDrawn: new Map() }).at(0)
    ?.id;
}
