import type { ReferenceFacts } from '../../references/coverage';
import { pick } from '../../references/pick';
import { subjectKindOf } from '../../references/subjectKind';
import { fulfills } from '../../references/wishes';
import type { Plan, PosesBlock } from '../plan/schema';
import { poseExercise } from '../rules/poseExercise';
import { suits } from '../rules/suits';

/** Every picture a plan draws from. */
export const picturesOf = (plan: Plan): string[] =>
  plan.blocks.flatMap((b) => (b.kind === 'poses' ? b.poses.flatMap((p) => p.referenceId ?? []) : []));

/**
 * Picks another picture for a pose of a session that runs: from where its block's came, as wished there, and not used in this session.
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
  const { from } = plan.blocks[at.blockIndex] as PosesBlock;
  const exercise = poseExercise(plan, at);
  const taken = new Set([...picturesOf(plan), ...givenUp]);
  const poses = new Set(pool.flatMap((r) => (taken.has(r.id) && r.pose !== undefined ? [r.pose] : [])));
  const free = pool.filter(
    (r) => !taken.has(r.id) && fulfills(r, from?.wishes ?? {}) && (!exercise || suits(exercise, subjectKindOf(r))),
  );
  // Another pose before another view of one that is drawn anyway.
  const fresh = free.filter((r) => r.pose === undefined || !poses.has(r.pose));
  const seed = plan.seed * 31 + at.blockIndex * 7 + at.poseIndex + givenUp.length * 1009;
  return pick({ pool: fresh.length > 0 ? fresh : free, count: 1, order: 'shuffled', seed, timesDrawn: new Map() }).at(0)
    ?.id;
}
