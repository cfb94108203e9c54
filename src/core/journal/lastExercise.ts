import { drawingsOf } from './drawings';
import type { Session } from './session';

/** Lengths count as alike within this ratio. */
const ALIKE = 1.5;
/** Only so many of the last drawings are looked through. */
const LAST_DRAWINGS = 200;

/**
 * Finds the exercise that was drawn last at a length, so that "10 x 30 s" is drawn by the rule it was drawn by before.
 * @param sessions Newest first.
 * @returns A function from a length in milliseconds to an exercise's id; undefined where nothing of that length was drawn.
 */
export function lastExerciseFor(sessions: readonly Session[]): (lengthMs: number) => string | undefined {
  const drawn: { id: string; lengthMs: number }[] = [];
  for (const session of sessions) {
    for (const { exercise, visit } of drawingsOf(session).toReversed())
      drawn.push({ id: exercise.id, lengthMs: visit.lengthMs });
    if (drawn.length >= LAST_DRAWINGS) break;
  }
  return (lengthMs) => drawn.find((one) => Math.abs(Math.log(one.lengthMs / lengthMs)) <= Math.log(ALIKE))?.id;
}

/** Exercises in the order they were drawn last, each once. */
export const lastExercises = (sessions: readonly Session[]): string[] => [
  ...new Set(
    sessions.flatMap((session) =>
      drawingsOf(session)
        .toReversed()
        .map(({ exercise }) => exercise.id),
    ),
  ),
];
