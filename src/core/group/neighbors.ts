import type { Point } from '../figure/facts/actionLine';
import { JOINTS } from './joints';
import { otherSide, type Placed } from './placeMembers';

/** Places that a pose is told by. */
const POSE = ['crown', ...JOINTS] as const;
/** Poses are compared by at least so many places that both show. */
const LEAST_SHARED = 8;
/** Two poses are one when their places differ by less than this in the mean, of the mean distance of a place from the middle: of pairs of the sets’ figures 26 in a thousand are so alike. */
const ALIKE = 0.22;
/** A foot is lifted when its ankle is so much higher than the other, in heads. */
const LIFTED_HEADS = 0.7;

export interface Neighbors {
  a: Placed;
  b: Placed;
  /** The pose of one repeats the other's, or is its mirror. */
  alike: 'repeats' | 'mirrors' | undefined;
  /** Both lift the same leg. */
  lifts: 'left' | 'right' | undefined;
}

/** How far two poses differ, the second seen in a mirror where that is asked; undefined where too little of both is seen. */
export function poseDifference(
  a: ReadonlyMap<string, Point>,
  b: ReadonlyMap<string, Point>,
  mirrored: boolean,
): number | undefined {
  const pairs = POSE.flatMap((name): [Point, Point][] => {
    const [p, q] = [a.get(name), b.get(mirrored ? otherSide(name) : name)];
    return p && q ? [[p, mirrored ? [-q[0], q[1]] : q]] : [];
  });
  if (pairs.length < LEAST_SHARED) return undefined;
  const [pa, pb] = [normal(pairs.map(([p]) => p)), normal(pairs.map(([, q]) => q))];
  return pa.reduce((sum, p, i) => sum + Math.hypot(p[0] - pb[i][0], p[1] - pb[i][1]), 0) / pa.length;
}

/** Places around their middle, in units of their mean distance from it. */
function normal(points: readonly Point[]): Point[] {
  const [mx, my] = [0, 1].map((k) => points.reduce((sum, p) => sum + p[k], 0) / points.length);
  const size = points.reduce((sum, [x, y]) => sum + Math.hypot(x - mx, y - my), 0) / points.length || 1;
  return points.map(([x, y]): Point => [(x - mx) / size, (y - my) / size]);
}

/** Which leg a figure lifts; undefined for none. */
export function liftedLeg({ marks, headMm }: Pick<Placed, 'marks' | 'headMm'>): 'left' | 'right' | undefined {
  const [left, right] = [marks.get('left ankle'), marks.get('right ankle')];
  if (!left || !right || Math.abs(left[1] - right[1]) < LIFTED_HEADS * headMm) return undefined;
  return left[1] < right[1] ? 'left' : 'right';
}

/** Whether one pose repeats another or is its mirror image; undefined where it is neither. */
function alikeness(a: Placed, b: Placed): Neighbors['alike'] {
  const [same, other] = [poseDifference(a.marks, b.marks, false), poseDifference(a.marks, b.marks, true)];
  const [nearest, way] =
    (other ?? Infinity) < (same ?? Infinity) ? ([other, 'mirrors'] as const) : ([same, 'repeats'] as const);
  return nearest !== undefined && nearest < ALIKE ? way : undefined;
}

/**
 * Pairs across the sheet that say the same: those next to each other, alike or not, and any others whose poses are alike, since a repeat
 * is seen from anywhere on the sheet. Which leg is lifted counts only between neighbors.
 */
export function neighborsOf(placed: readonly Placed[]): Neighbors[] {
  const across = placed.toSorted((a, b) => a.middleX - b.middleX);
  return across.flatMap((a, i) =>
    across.slice(i + 1).flatMap((b, k): Neighbors[] => {
      const alike = alikeness(a, b);
      if (k > 0) return alike ? [{ a, b, alike, lifts: undefined }] : [];
      const lifted = liftedLeg(a);
      return [{ a, b, alike, lifts: lifted === liftedLeg(b) ? lifted : undefined }];
    }),
  );
}
