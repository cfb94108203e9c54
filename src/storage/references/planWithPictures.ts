import { drawingHistory } from '@/core/journal/history';
import { layOutRecipe } from '@/core/practice/plan/layOut';
import type { Recipe } from '@/core/practice/plan/recipe';
import type { Plan } from '@/core/practice/plan/schema';
import { chooseReferences } from '@/core/practice/start/chooseReferences';
import { latelyCount, poolsOf } from '@/core/practice/start/poolsOf';
import { listOwnSessions } from '@/storage/sessions/sessions';
import { factsOf } from './choices';
import { loadSets, setIdsOf } from './pools';

/** A recipe laid out with pictures: those drawn least, unlike what the last two sessions had. */
export async function planWithPictures(recipe: Recipe, nowMs: number): Promise<Plan> {
  const past = drawingHistory(await listOwnSessions(), nowMs);
  const [bySet, lately] = await Promise.all([
    loadSets(setIdsOf([recipe])),
    factsOf(past.drawn.slice(-latelyCount(past.recent))),
  ]);
  const chosen = chooseReferences(recipe, poolsOf(bySet, past, lately));
  return layOutRecipe(recipe, chosen).plan;
}
