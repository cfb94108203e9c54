import type { PosesRecipe, Recipe } from '../practice/plan/recipe';
import { clamp } from '../clamp';
import { exerciseById } from '../practice/exercises';
import { nextStepMs } from '../practice/time/staircase';
import type { WholeAnswer } from './workingTime';

/**
 * A recipe whose blocks that follow the answers have the length that is to be tried next: a step shorter after two whole figures running,
 * a step longer after one that was not, never outside the usual lengths of the exercise. What ran over its time was not whole in it.
 * @param answers By exercise, oldest first, as `wholeAnswers` gives them.
 */
export function followAnswers(
  recipe: Recipe,
  answers: ReadonlyMap<string, { answers: readonly WholeAnswer[] }>,
): Recipe {
  const follow = (block: PosesRecipe): PosesRecipe => {
    const said = answers.get(block.exercise)?.answers.map((a) => ({ ...a, down: a.down && a.spentMs <= a.lengthMs }));
    const nextMs = nextStepMs(said ?? []);
    if (nextMs === undefined) return block;
    const { shortestMs, longestMs } = exerciseById(block.exercise, recipe.exercises);
    const ms = clamp(nextMs, shortestMs, Math.max(longestMs, block.lengths.fromMs));
    return { ...block, lengths: { order: 'level', fromMs: ms, toMs: ms, listMs: [] } };
  };
  return {
    ...recipe,
    blocks: recipe.blocks.map((b) => (b.kind === 'poses' && b.settings.followsAnswers ? follow(b) : b)),
  };
}
