import { lineLength } from '../../hand/stroke';
import type { Mark } from '../inkStroke';

/**
 * How far the point of a tool moves while the forearm lies still, millimeters. From the wrist to the point it is a hand's breadth more
 * than half the hand's length: 0.108 of the body's height to the fingertips (Winter, Biomechanics and Motor Control of Human Movement,
 * table 4.1), about 130 mm to a held point; the wrist turns some 20 degrees to the thumb and 30 to the other side (AAOS, Joint Motion,
 * 1965), a chord of 2 · 130 · sin 25°.
 */
const WRIST_CHORD_MM = 110;

export interface Reach {
  /** Share of the length that is in marks which no wrist reaches with the forearm at rest. */
  beyondWrist: number;
  /** Of the longest mark, from end to end of it in a straight line, millimeters. */
  longestMm: number;
}

/** How far a mark reaches: the longest way between two of its places, near enough by sixteen directions. */
function spanOf({ points }: Mark): number {
  let span = 0;
  for (let i = 0; i < 16; i++) {
    const [c, s] = [Math.cos((i * Math.PI) / 16), Math.sin((i * Math.PI) / 16)];
    let [low, high] = [Infinity, -Infinity];
    for (const [x, y] of points) {
      const along = x * c + y * s;
      low = Math.min(low, along);
      high = Math.max(high, along);
    }
    span = Math.max(span, high - low);
  }
  return span;
}

/**
 * From the shoulder, or from the wrist: what is longer than a wrist reaches was not drawn from it. What is shorter may be either.
 * @param movedMm How many millimeters the hand moves for one of the sheet.
 * @returns undefined where nothing was drawn.
 */
export function reachOf(marks: readonly Mark[], movedMm: number): Reach | undefined {
  const all = marks.map((mark) => ({ mm: lineLength(mark.points), span: spanOf(mark) * movedMm }));
  const total = all.reduce((sum, { mm }) => sum + mm, 0);
  if (total === 0) return undefined;
  const beyond = all.filter(({ span }) => span > WRIST_CHORD_MM).reduce((sum, { mm }) => sum + mm, 0);
  return { beyondWrist: beyond / total, longestMm: Math.max(...all.map(({ span }) => span)) };
}
