import { PART_FAMILIES } from '../../figure/catalogue/families';
import { BUILT_IN_SET_ID, builtInFamilySetId } from '../../references/picture';
import { exerciseById } from '../exercises';
import type { PosesRecipe, Recipe } from './recipe';

/**
 * The sets a block is drawn from: the one chosen for it or for the session. Where that is all the figures that ship, an exercise about
 * parts is drawn from theirs.
 */
export function setsOfBlock(recipe: Recipe, { exercise, source }: PosesRecipe): string[] {
  const set = source.setId ?? recipe.setId;
  const about = exerciseById(exercise, recipe.exercises)?.form?.about ?? [];
  if ((source.setId ?? undefined) !== undefined || set !== BUILT_IN_SET_ID || about.length === 0) return [set];
  return PART_FAMILIES.filter((family) => about.includes(family)).map(builtInFamilySetId);
}
