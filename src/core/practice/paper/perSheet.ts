import { exerciseById } from '../exercises';
import type { Exercise } from '../exercises/exercise';
import { poseLengths, type PosesRecipe, type Recipe } from '../plan/recipe';
import { MOST_ON_A_SHEET, type Sheet } from './sheet';

/** Drawings of a block on one sheet: as was said, else all of them or as many as on any sheet. */
export function perSheetOf(
  block: PosesRecipe,
  sheet: Pick<Sheet, 'perSheet'>,
  exercises: readonly Exercise[] = [],
): number {
  const usual = exerciseById(block.exercise, exercises).form?.onOneSheet
    ? Math.min(MOST_ON_A_SHEET, poseLengths(block).length)
    : sheet.perSheet;
  return block.settings.perSheet ?? usual;
}

/** A recipe with so many times as many drawings on each sheet. */
export const onFewerSheets = (recipe: Recipe, times: number): Recipe => ({
  ...recipe,
  sheet: { ...recipe.sheet, perSheet: Math.min(MOST_ON_A_SHEET, recipe.sheet.perSheet * times) },
  blocks: recipe.blocks.map((b) =>
    b.kind === 'poses' && b.settings.perSheet !== undefined
      ? { ...b, settings: { ...b.settings, perSheet: Math.min(MOST_ON_A_SHEET, b.settings.perSheet * times) } }
      : b,
  ),
});
