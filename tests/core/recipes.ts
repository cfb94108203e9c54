import { posesBlock } from '@/core/practice/edit/newBlock';
import { fitPlan } from '@/core/practice/fit/fit';
import { layOutRecipe } from '@/core/practice/plan/layOut';
import type { PosesRecipe, Recipe, RecipeBlock } from '@/core/practice/plan/recipe';
import { type PlanSums, sumPlan } from '@/core/practice/time/sums';

/** A block of level poses without lead-in, and a change of so many milliseconds. */
export const level = (id: string, count: number, drawMs: number, more: Partial<PosesRecipe> = {}): PosesRecipe => ({
  ...posesBlock(id, 'flowing-gesture', count, drawMs),
  leadInMs: 0,
  changeMs: 0,
  ...more,
});

export const list = (id: string, minutes: readonly number[], more: Partial<PosesRecipe> = {}): PosesRecipe => ({
  ...level(id, minutes.length, 60_000, more),
  lengths: { order: 'own list', fromMs: 60_000, toMs: 60_000, listMs: minutes.map((m) => m * 60_000) },
});

const base = fitPlan({ availableMs: 1_200_000, aim: 'everything', shape: 'climb', setId: 's', seed: 1 }).recipe;
export const recipeWith = (blocks: RecipeBlock[], more: Partial<Recipe> = {}): Recipe => ({ ...base, blocks, ...more });

export const sumsOf = (recipe: Recipe): PlanSums => sumPlan(layOutRecipe(recipe, {}).plan);
