import { builtInSet } from '@/core/references/builtIn';
import type { ReferenceFacts } from '@/core/references/coverage';
import { PART_FAMILIES } from '@/core/figure/catalogue/families';
import { BUILT_IN_SET_ID, builtInFamilySetId, LIBRARY_ID } from '@/core/references/picture';
import type { Recipe } from '@/core/practice/plan/recipe';
import { setsOfBlock } from '@/core/practice/plan/setsOfBlock';
import { loadSet } from '@/storage/pictures/pictures';
import { referencesOf } from './choices';

/** Sets an odd one out can come from besides the figures. */
const PARTS = PART_FAMILIES.map(builtInFamilySetId);

/** The sets that some recipes are drawn from. */
export const setIdsOf = (recipes: readonly Recipe[]): string[] => [
  ...new Set(
    recipes.flatMap((recipe) => [
      recipe.setId,
      ...recipe.blocks.flatMap((b) => (b.kind === 'poses' ? setsOfBlock(recipe, b) : [])),
      // An odd one out comes from outside the set.
      ...(recipe.blocks.some((b) => b.kind === 'poses' && b.source.odd) ? [BUILT_IN_SET_ID, ...PARTS] : []),
    ]),
  ),
];

async function isHere(setId: string): Promise<boolean> {
  if (builtInSet(setId) || setId === LIBRARY_ID) return true;
  const set = await loadSet(setId);
  return set !== undefined && set.binnedAtMs === null;
}

/** What the sets hold that are still here. */
export async function loadSets(ids: readonly string[]): Promise<Map<string, ReferenceFacts[]>> {
  const here = await Promise.all(ids.map(isHere));
  const known = ids.filter((_, i) => here[i]);
  return new Map(await Promise.all(known.map(async (id) => [id, await referencesOf(id)] as const)));
}
