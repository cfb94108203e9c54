import { withCount } from '../edit/edit';
import { layOutRecipe } from '../plan/layOut';
import { MAX_COUNT, overTheMost, type PosesRecipe, type Recipe, rowLengths } from '../plan/recipe';
import { sumPlan } from '../time/sums';

export interface RoomForOne {
  /** The block that would have one more. */
  blockId: string;
  /** How long it would be drawn, milliseconds. */
  drawMs: number;
  recipe: Recipe;
}

/** A row of level or own lengths can have one more; ladders keep their rungs, pots their time, pinned blocks everything. */
const canHaveOne = ({ pinned, lengths, settings, bothHands, labels, count }: PosesRecipe): boolean =>
  !pinned &&
  (lengths.order === 'level' || lengths.order === 'own list') &&
  settings.atZero !== 'pot' &&
  settings.atZero !== 'open' &&
  settings.oneDrawing === undefined &&
  !bothHands &&
  labels.length === 0 &&
  count < MAX_COUNT;

/**
 * The longest pose that would still fit into what is left of the time, as one more of a block that is there: with its lead-in, its
 * change, and any rest that would then be due.
 * @returns undefined where none would fit.
 */
export function roomForOne(recipe: Recipe, availableMs: number): RoomForOne | undefined {
  const options = recipe.blocks
    .flatMap((block) => {
      if (block.kind !== 'poses' || !canHaveOne(block)) return [];
      const row = rowLengths(block);
      return [{ block, drawMs: row[row.length - 1] }];
    })
    .sort((a, b) => b.drawMs - a.drawMs);
  const leftMs = availableMs - sumPlan(layOutRecipe(recipe, {}).plan).totalMs;
  for (const { block, drawMs } of options) {
    if (drawMs > leftMs) continue;
    const more = withCount(block, block.count + 1);
    const next = { ...recipe, blocks: recipe.blocks.map((b) => (b === block ? more : b)) };
    if (overTheMost(next.blocks) === undefined && sumPlan(layOutRecipe(next, {}).plan).totalMs <= availableMs)
      return { blockId: block.id, drawMs, recipe: next };
  }
  return undefined;
}
