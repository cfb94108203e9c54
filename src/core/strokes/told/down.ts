import { evenly } from '../../hand/pace';
import type { Point } from '../../figure/facts/actionLine';
import type { Mark } from '../inkStroke';

/** The drawing's longer side is divided into so many cells: about a head's breadth of a standing figure each. */
const CELLS = 14;
/** The figure is down when so much of what is drawn on at the end has been drawn on. */
const DOWN = 0.9;

export interface Down {
  /** How much of the cells the finished drawing has ink in had some at moments from 0 to the end, in order of time. */
  steps: { atMs: number; share: number }[];
  /** When the figure was down, milliseconds of drawing time. */
  downMs: number;
  /** When the last place was touched that had not been before, milliseconds. */
  lastNewMs: number;
}

/**
 * How far the figure was down at each moment, by where ink had come: the finished drawing is the measure of itself, so that a drawing
 * which left out the feet is not held against a figure that has some.
 * @returns undefined where nothing was drawn.
 */
export function downOf(marks: readonly Mark[]): Down | undefined {
  const places = marks.flatMap(({ points }) => points);
  if (places.length === 0) return undefined;
  let [x0, y0, x1, y1] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const [x, y] of places) [x0, y0, x1, y1] = [Math.min(x0, x), Math.min(y0, y), Math.max(x1, x), Math.max(y1, y)];
  const cell = Math.max(x1 - x0, y1 - y0, 1) / CELLS;
  const touched = new Map<number, number>();
  for (const { points } of marks)
    for (let i = 0; i < points.length; i++) {
      const to: Point = [points[i][0], points[i][1]];
      const from: Point = i > 0 ? [points[i - 1][0], points[i - 1][1]] : to;
      // A quick stroke leaves few places behind it, and passed through all between them.
      for (const [x, y] of i > 0 ? [...evenly([from, to], cell / 2), to] : [to]) {
        const key = Math.floor((y - y0) / cell) * (CELLS + 1) + Math.floor((x - x0) / cell);
        if (!touched.has(key)) touched.set(key, points[i][2]);
      }
    }
  const times = [...touched.values()].sort((a, b) => a - b);
  const steps = times.map((atMs, i) => ({ atMs, share: (i + 1) / times.length }));
  const down = steps.find(({ share }) => share >= DOWN) ?? steps[steps.length - 1];
  return { steps, downMs: down.atMs, lastNewMs: times[times.length - 1] };
}
