import { drawingsOf } from './drawings';
import { answersFor } from './reflect';
import type { Session } from './session';

/** So many earlier counts are shown. */
const SHOWN = 5;

/**
 * By how many marks an exercise went over its allowance each time they were counted, oldest first, the last few; below it is negative.
 * @param beforeMs Only sessions begun before then.
 */
export function marksTrend(sessions: readonly Session[], exerciseId: string, beforeMs: number): number[] {
  return [...sessions]
    .filter((s) => s.startedAtMs < beforeMs)
    .sort((a, b) => a.startedAtMs - b.startedAtMs)
    .flatMap((session): number[] => {
      const used = answersFor(session.reflection, exerciseId).marks;
      if (used === undefined) return [];
      const allowed = drawingsOf(session).find((d) => d.exercise.id === exerciseId)?.exercise.rule.marks;
      return typeof allowed === 'number' ? [used - allowed] : [];
    })
    .slice(-SHOWN);
}

/** "+6, +2, 0, -1". */
export const trendWords = (trend: readonly number[]): string =>
  trend.map((over) => (over > 0 ? `+${String(over)}` : String(over))).join(', ');
