import { lineLength } from '../../hand/stroke';
import { evenly } from '../../hand/pace';
import type { Point } from '../../figure/facts/actionLine';
import type { Mark } from '../inkStroke';

/** What a mark is by how it bends. */
export type Bend = 'straight' | 'C' | 'S' | 'other';

/** Shorter than this a mark is a dot and has no bend, millimeters. */
const DOT_MM = 3;
/** It is looked at by so many steps along it. */
const STEPS = 16;
/** A mark that turns by less than this, to one side and to the other, is straight, degrees: a drawn straight line's own unrest. */
const STRAIGHT_DEG = 22;
/** To be an S it turns so much to each side, and none is an S or a C that turns more than this to one. */
const TURNED_DEG = 22;
const MOST_DEG = 300;
/** A line that comes off its chord by more than this is bent, however little it turns, share of the chord. */
const SAG = 0.06;

const DEG = 180 / Math.PI;

/** How a mark bends: by what it turns to the left and to the right, smoothed along it. */
export function bendOf({ points }: Mark): Bend | undefined {
  const length = lineLength(points);
  if (length < DOT_MM) return undefined;
  const line = points.map(([x, y]): Point => [x, y]);
  const even = smoothed(evenly(line, length / STEPS));
  if (even.length < 4) return 'straight';
  let [left, right, sum] = [0, 0, 0];
  // The largest turn that goes one way, and the largest the other way: unrest goes both ways and comes to little.
  let [low, high] = [0, 0];
  for (let i = 2; i < even.length; i++) {
    const [a, b, c] = [even[i - 2], even[i - 1], even[i]];
    const turn =
      Math.atan2(
        (b[0] - a[0]) * (c[1] - b[1]) - (b[1] - a[1]) * (c[0] - b[0]),
        (b[0] - a[0]) * (c[0] - b[0]) + (b[1] - a[1]) * (c[1] - b[1]),
      ) * DEG;
    sum += turn;
    left = Math.max(left, sum - low);
    right = Math.max(right, high - sum);
    low = Math.min(low, sum);
    high = Math.max(high, sum);
  }
  if (left > MOST_DEG || right > MOST_DEG) return 'other';
  if (left >= TURNED_DEG && right >= TURNED_DEG) return 'S';
  if (left < STRAIGHT_DEG && right < STRAIGHT_DEG && sagOf(even) < SAG) return 'straight';
  return 'C';
}

/** Each place in the middle of its neighbors and itself; the ends stay. */
const smoothed = (line: readonly Point[]): Point[] =>
  line.map((p, i) =>
    i === 0 || i === line.length - 1
      ? p
      : [(line[i - 1][0] + 2 * p[0] + line[i + 1][0]) / 4, (line[i - 1][1] + 2 * p[1] + line[i + 1][1]) / 4],
  );

/** How far a line comes off the straight one between its ends, share of that one's length. */
function sagOf(line: readonly Point[]): number {
  const [a, b] = [line[0], line[line.length - 1]];
  const chord = Math.hypot(b[0] - a[0], b[1] - a[1]);
  if (chord === 0) return Infinity;
  const off = line.map(([x, y]) => Math.abs((x - a[0]) * (b[1] - a[1]) - (y - a[1]) * (b[0] - a[0])) / chord);
  return Math.max(...off) / chord;
}

export interface MarksTold {
  marks: number;
  /** Length of a mark in the middle of all, and of all together, millimeters. */
  medianMm: number;
  lengthMm: number;
  /** How many bend how; dots bend in no way. */
  bends: Record<Bend, number>;
}

/** Marks of a drawing: how many, how long, how they bend. */
export function marksTold(marks: readonly Mark[]): MarksTold {
  const lengths = marks.map(({ points }) => lineLength(points)).sort((a, b) => a - b);
  const bends: Record<Bend, number> = { straight: 0, C: 0, S: 0, other: 0 };
  for (const mark of marks) {
    const bend = bendOf(mark);
    if (bend) bends[bend]++;
  }
  return {
    marks: marks.length,
    medianMm: lengths.length > 0 ? lengths[Math.floor(lengths.length / 2)] : 0,
    lengthMm: lengths.reduce((a, b) => a + b, 0),
    bends,
  };
}
