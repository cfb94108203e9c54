import { mean } from 'd3-array';
import { mostMarks } from '../practice/rules/marks';
import { drawingsOf } from './drawings';
import { answersFor } from './reflect';
import type { Session } from './session';

/** So many earlier counts are shown. */
const SHOWN = 5;

/**
 * By how many marks an exercise went over its allowance each time they were counted, oldest first, the last few; below it is negative.
 * Of a session in which they were counted after each drawing it is the mean of these, rounded.
 * @param beforeMs Only sessions begun before then.
 */
export function marksTrend(sessions: readonly Session[], exerciseId: string, beforeMs: number): number[] {
  return [...sessions]
    .filter((s) => s.startedAtMs < beforeMs)
    .sort((a, b) => a.startedAtMs - b.startedAtMs)
    .flatMap((session): number[] => {
      const over = marksOverIn(session, exerciseId);
      return over === undefined ? [] : [Math.round(over)];
    })
    .slice(-SHOWN);
}

/** By how many marks an exercise went over its allowance in a session, in the mean of what was counted; undefined where nothing was. */
export function marksOverIn(session: Session, exerciseId: string): number | undefined {
  const drawn = drawingsOf(session).filter((d) => d.exercise.id === exerciseId);
  const most = drawn.length > 0 ? mostMarks(drawn[0].exercise.rule) : undefined;
  const said = answersFor(session.reflection, exerciseId).marks;
  const each = drawn.flatMap(({ visit }) => visit.marks ?? []);
  const used = each.length > 0 ? mean(each) : said;
  return most === undefined || used === undefined ? undefined : used - most;
}

/** "+6, +2, 0, -1". */
export const trendWords = (trend: readonly number[]): string =>
  trend.map((over) => (over > 0 ? `+${String(over)}` : String(over))).join(', ');
