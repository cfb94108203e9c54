import { type Drawing, posesDrawn } from './drawings';
import type { Session } from './session';

/** Two drawings of one pose: the line without values, and the tone put to it. */
export interface LineAndTone {
  line: Drawing;
  tone: Drawing;
}

/** The drawings of a session that belong together as a line and its tone, in order. */
export function linesAndTones(session: Session): LineAndTone[] {
  const drawn = posesDrawn(session);
  return drawn.flatMap((line, i) => {
    const tone = drawn.at(i + 1);
    const [first, second] = line.exercise.form?.parts ?? [];
    if (!tone || !second || line.label !== first.label || tone.label !== second.label) return [];
    return tone.exercise.id === line.exercise.id && tone.referenceId === line.referenceId ? [{ line, tone }] : [];
  });
}
