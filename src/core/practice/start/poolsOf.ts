import { countCells, countFacings, facingHabit, type ReferenceFacts } from '../../references/coverage';
import type { ReferencePools } from './chooseReferences';

/** How many of the last drawings tell a habit. */
export const HABIT_WINDOW = 40;

/**
 * What a recipe's pictures are chosen from and by.
 * @param past How often each reference was drawn, and how many of the last drawings are of the last two sessions.
 * @param lately Facts of the last drawings, newest last: HABIT_WINDOW of them, or the recent ones where those are more.
 */
export function poolsOf(
  bySet: ReferencePools['bySet'],
  past: { timesDrawn: ReadonlyMap<string, number>; recent: number; memorySessions: number },
  lately: readonly ReferenceFacts[],
): ReferencePools {
  const habits = lately.slice(-HABIT_WINDOW);
  const facings = countFacings(habits);
  return {
    bySet,
    timesDrawn: past.timesDrawn,
    cells: countCells(habits),
    recent: past.recent > 0 ? lately.slice(-past.recent) : [],
    memorySessions: past.memorySessions,
    ...(facingHabit(facings) && { level: facings }),
  };
}

/** How many of the last drawings `poolsOf` has to know. */
export const latelyCount = (recent: number): number => Math.max(HABIT_WINDOW, recent);
