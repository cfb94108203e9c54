import { drawingsOf } from './drawings';
import type { Session } from './session';

/** Of the drawings whose focal area was chosen before and asked for after: in how many the eye still went there. */
export function focalKept(sessions: readonly Session[]): { kept: number; of: number } {
  const answers = sessions
    // Whole evenings are gone through only where something was answered.
    .filter(({ log }) => log.some(({ type }) => type === 'focalKept'))
    .flatMap((session) => drawingsOf(session).flatMap(({ visit }) => visit.focalKept ?? []));
  return { kept: answers.filter(Boolean).length, of: answers.length };
}
