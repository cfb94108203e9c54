import { drawingsOf } from './drawings';
import type { Session } from './session';

const FEWEST = 4;
const ROUND_MS = 15_000;

/** The median of some lengths, rounded up to a quarter of a minute; undefined for fewer than four. */
export function usualLength(lengthsMs: readonly number[]): number | undefined {
  if (lengthsMs.length < FEWEST) return undefined;
  const sorted = lengthsMs.toSorted((a, b) => a - b);
  const middle = (sorted.length - 1) / 2;
  return Math.ceil((sorted[Math.floor(middle)] + sorted[Math.ceil(middle)]) / 2 / ROUND_MS) * ROUND_MS;
}

/** How long drawings of each exercise really took, by exercise; sessions in which the learner explained to others are left out. */
export function usualTimes(sessions: readonly Session[]): Map<string, number> {
  const spent = new Map<string, number[]>();
  for (const session of sessions) {
    if (session.plan.audience) continue;
    for (const { exercise, spentMs, visit } of drawingsOf(session)) {
      // An attempt that was started over says nothing of how long a drawing takes.
      if (visit.ended === 'restart') continue;
      spent.set(exercise.id, [...(spent.get(exercise.id) ?? []), spentMs]);
    }
  }
  return new Map(
    [...spent].flatMap(([id, list]): [string, number][] => {
      const usual = usualLength(list);
      return usual === undefined ? [] : [[id, usual]];
    }),
  );
}
