import { exerciseById } from '../exercises';
import { durationWords } from '../time/duration';
import { poseLengths, type Recipe, type RecipeBlock } from './recipe';

function blockWords(block: RecipeBlock, { exercises }: Pick<Recipe, 'exercises'>): string {
  if (block.kind === 'rest') return `${block.purpose ?? 'rest'} ${durationWords(block.durationMs)}`;
  if (block.kind === 'body') return 'body';
  if (block.kind === 'lines') return 'lines';
  const lengths = poseLengths(block);
  const [low, high] = [Math.min(...lengths), Math.max(...lengths)];
  const each = low === high ? durationWords(low) : `${durationWords(low)} to ${durationWords(high)}`;
  return `${exerciseById(block.exercise, exercises).name} ${String(lengths.length)} × ${each}`;
}

/** The shape of a plan in a line: "body, Flowing gesture 10 × 30 s, rest 5 min, Main piece 1 × 20 min". */
export const recipeWords = (recipe: Pick<Recipe, 'blocks' | 'exercises'>): string =>
  recipe.blocks.map((block) => blockWords(block, recipe)).join(', ');
