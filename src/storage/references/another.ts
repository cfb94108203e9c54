import { anotherPicture } from '@/core/practice/start/anotherPicture';
import type { Plan } from '@/core/practice/plan/schema';
import { BUILT_IN_SET_ID } from '@/core/references/picture';
import { type SubjectKind, subjectKindOf } from '@/core/references/subjectKind';
import { referencesOf } from './choices';
import { traitsOf } from './traits';

/**
 * Finds another picture for a pose of a session that runs. Plans of older versions don't say where their pictures came from: they take a
 * figure that ships.
 * @param plan As it is drawn, with what was exchanged so far.
 * @returns Undefined where there is no other.
 */
export async function findAnother(
  plan: Plan,
  at: { blockIndex: number; poseIndex: number },
  givenUp: readonly string[],
): Promise<{ referenceId: string; shows?: SubjectKind } | undefined> {
  const block = plan.blocks[at.blockIndex];
  const sets = (block.kind === 'poses' && block.from?.sets) || [BUILT_IN_SET_ID];
  const pool = (await Promise.all(sets.map(referencesOf))).flat();
  const referenceId = anotherPicture(plan, at, pool, givenUp);
  if (referenceId === undefined) return undefined;
  const shows = subjectKindOf((await traitsOf([referenceId]))[0]);
  return { referenceId, ...(shows && shows !== 'figure' && { shows }) };
}
