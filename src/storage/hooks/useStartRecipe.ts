'use client';
import type { Recipe } from '@/core/practice/plan/recipe';
import { MEDIA } from '@/core/practice/paper/materials';
import { BUILT_IN_SET_ID } from '@/core/references/picture';
import { storageProblem } from '@/storage/problems';
import { loadSetting } from '@/storage/settings';
import { useStart } from './useStart';

/** Makes a recipe for what is drawn from and with, and a seed. */
type MakeRecipe = (setId: string, medium: string, seed: number) => Recipe | Promise<Recipe>;

/**
 * Start a session of a recipe in one tap, with pictures of the set and in the medium chosen last.
 * @param onProblem Told in a sentence where it could not be started. Must stay the same function.
 */
export function useStartRecipe(onProblem: (sentence: string) => void): {
  starting: boolean;
  startRecipe: (make: MakeRecipe) => void;
} {
  const { starting, start } = useStart(onProblem);
  const begin = async (make: MakeRecipe): Promise<void> => {
    const nowMs = Date.now();
    // What chooses pictures is fetched when it is wanted.
    const [setId, medium, { planWithPictures }] = await Promise.all([
      loadSetting('setId'),
      loadSetting('medium'),
      import('@/storage/references/planWithPictures'),
    ]);
    const recipe = await make(setId ?? BUILT_IN_SET_ID, medium ?? MEDIA[0].id, Math.floor(nowMs / 1000));
    start(await planWithPictures(recipe, nowMs));
  };
  return {
    starting,
    startRecipe: (make) => {
      begin(make).catch((error: unknown) => onProblem(storageProblem(error)));
    },
  };
}
