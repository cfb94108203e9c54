import { apart } from '../../plane';
import type { Mark } from '../inkStroke';

/** Put down again farther from where it was lifted than this, a tool was set down anew elsewhere, millimeters: about two widths of a pencil's line off by eye. */
const ELSEWHERE_MM = 5;

export interface Lifts {
  /** How often the tool left the sheet between the first place and the last. */
  lifts: number;
  /** Lifts after which it went on somewhere else. */
  relocations: number;
  /** How far it was off in the middle of all lifts, millimeters; 0 without any. */
  medianMm: number;
}

/** Lifts of a drawing, and where it went on after them. @param marks In the order they were made. */
export function liftsOf(marks: readonly Mark[]): Lifts {
  const jumps = marks.slice(1).map(({ points: [start] }, i) => {
    const { points } = marks[i];
    const end = points[points.length - 1];
    return apart([end[0], end[1]], [start[0], start[1]]);
  });
  const sorted = jumps.toSorted((a, b) => a - b);
  return {
    lifts: jumps.length,
    relocations: jumps.filter((mm) => mm > ELSEWHERE_MM).length,
    medianMm: sorted.length > 0 ? sorted[Math.floor(sorted.length / 2)] : 0,
  };
}
