import { apart } from '../../plane';
import { RAD_PER_DEG } from '../skeleton/vector';
import type { Point } from './actionLine';

/** A line across the body in the picture: its two ends, and its tilt in degrees, positive where the picture's right end is higher. */
export interface Tilt {
  from: Point;
  to: Point;
  deg: number;
  /** Seen so nearly end on that its tilt says little. */
  endOn: boolean;
}

/** A landmark in the picture. */
export interface Mark {
  name: string;
  at: Point;
  visible: boolean;
  /** Nothing but the part it lies on is before it: one sees where it is, though it is turned away. */
  findable?: boolean;
}

/** Two landmarks that line up within 1.5 % of the figure's height; the farthest apart come first. */
export interface Alignment {
  a: string;
  b: string;
  kind: 'plumb' | 'level';
  /** The shared x of a plumb line or y of a level. */
  at: number;
}

const ALIGNED = 0.015;

/** A line across the body shorter than this share of its true length is seen end on. */
const END_ON = 0.4;

/** The tilt of the line between two points, degrees, positive where its right end in the picture is higher. */
export function tiltDeg(a: Point, b: Point): number {
  const [l, r] = a[0] <= b[0] ? [a, b] : [b, a];
  return Math.atan2(l[1] - r[1], r[0] - l[0]) / RAD_PER_DEG;
}

/** @param trueLength Pixels it would have if it lay across the view. */
export function tiltOf(left: Point, right: Point, trueLength: number): Tilt {
  const [from, to] = left[0] <= right[0] ? [left, right] : [right, left];
  return { from, to, deg: tiltDeg(from, to), endOn: apart(from, to) < END_ON * trueLength };
}

/** What lies above the other of two landmarks is worth a plumb line only if they are apart, and not of the same limb's end. */
export function alignments(marks: readonly Mark[], height: number): Alignment[] {
  const out: (Alignment & { apart: number })[] = [];
  const shown = marks.filter((m) => m.visible);
  for (let i = 0; i < shown.length; i++)
    for (let j = i + 1; j < shown.length; j++) {
      const [a, b] = [shown[i], shown[j]];
      const dx = Math.abs(a.at[0] - b.at[0]);
      const dy = Math.abs(a.at[1] - b.at[1]);
      if (dx < ALIGNED * height && dy > 0.2 * height)
        out.push({ a: a.name, b: b.name, kind: 'plumb', at: (a.at[0] + b.at[0]) / 2, apart: dy });
      else if (dy < ALIGNED * height && dx > 0.06 * height)
        out.push({ a: a.name, b: b.name, kind: 'level', at: (a.at[1] + b.at[1]) / 2, apart: dx });
    }
  return out.sort((a, b) => b.apart - a.apart).map(({ a, b, kind, at }) => ({ a, b, kind, at }));
}
