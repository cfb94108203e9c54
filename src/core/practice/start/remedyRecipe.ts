import { blockIds, type Recipe } from '../plan/recipe';
import { aloneRecipe } from './aloneRecipe';
import type { Remedy } from './remedies';

/** A session of one remedy and nothing else. */
export const remedyRecipe = (
  { id, complaint, reason, blocks }: Remedy,
  setId: string,
  medium: string,
  seed: number,
): Recipe =>
  aloneRecipe({
    title: complaint,
    why: reason,
    blocks: blocks(blockIds(seed)),
    setId,
    medium,
    seed,
    cause: { remedy: id },
  });
