import { layOutRecipe } from '../plan/layOut';
import type { Recipe } from '../plan/recipe';
import { USUAL_SHEET } from '../paper/sheet';
import { sumPlan } from '../time/sums';

/** A session of some blocks and nothing else, as long as they take. */
export function aloneRecipe(
  some: Pick<Recipe, 'title' | 'why' | 'blocks' | 'setId' | 'medium' | 'seed' | 'cause'>,
): Recipe {
  const recipe: Recipe = {
    version: 1,
    availableMs: 1000,
    startsAtMinute: null,
    grade: '',
    sheet: USUAL_SHEET,
    restRule: null,
    audience: false,
    exercises: [],
    ...some,
  };
  return { ...recipe, availableMs: sumPlan(layOutRecipe(recipe, {}).plan).totalMs };
}
