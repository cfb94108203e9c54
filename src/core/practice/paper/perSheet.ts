import { exerciseById } from '../exercises';
import type { Exercise } from '../exercises/exercise';
import { poseLengths, type PosesRecipe } from '../plan/recipe';
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
