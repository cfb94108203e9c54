import { LINE_AND_TONE } from '../practice/edit/newBlock';
import { type Drawing, posesDrawn } from './drawings';
import type { Session } from './session';

/** Two drawings of one pose: the line without values, and the tone put to it. */
export interface LineAndTone {
  line: Drawing;
  tone: Drawing;
}

/** The drawings of a session that belong together as a line and its tone, in order. */
export function linesAndTones(session: Session): LineAndTone[] {
  const [lineLabel, toneLabel] = LINE_AND_TONE;
  const drawn = posesDrawn(session);
  return drawn.flatMap((line, i) => {
    const tone = drawn.at(i + 1);
    const together =
      line.label === lineLabel && tone?.label === toneLabel && tone.referenceId === line.referenceId ? tone : undefined;
    return together ? [{ line, tone: together }] : [];
  });
}
