import { anotherPicture } from '@/core/practice/start/anotherPicture';
import type { PictureNotes } from '@/core/practice/plan/pictureNotes';
import type { Plan } from '@/core/practice/plan/schema';
import { BUILT_IN_SET_ID } from '@/core/references/picture';
import { referencesOf } from './choices';
import { pictureNotesOf } from './pictureNotes';

/**
 * Finds another picture for a pose of a running session. A plan that doesn't say where its pictures came from gets a built-in figure.
 * @param plan As it is drawn, with what was exchanged so far.
 * @returns Undefined if there is no other.
 */
export async function findAnother(
  plan: Plan,
  at: { blockIndex: number; poseIndex: number },
  givenUp: readonly string[],
): Promise<({ referenceId: string } & PictureNotes) | undefined> {
  const block = plan.blocks[at.blockIndex];
  const sets = (block.kind === 'poses' && block.from?.sets) || [BUILT_IN_SET_ID];
  const pool = (await Promise.all(sets.map(referencesOf))).flat();
  const referenceId = anotherPicture(plan, at, pool, givenUp);
  return referenceId === undefined ? undefined : { referenceId, ...(await pictureNotesOf(referenceId)) };
}
