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

/** Those who stand next to each other across the sheet, and whether they say the same. */
export function neighborsOf(placed: readonly Placed[]): Neighbors[] {
  const across = placed.toSorted((a, b) => a.middleX - b.middleX);
  return across.slice(1).map((b, i): Neighbors => {
    const a = across[i];
    const [same, other] = [poseDifference(a.marks, b.marks, false), poseDifference(a.marks, b.marks, true)];
    const [nearest, way] =
      (other ?? Infinity) < (same ?? Infinity) ? ([other, 'mirrors'] as const) : ([same, 'repeats'] as const);
    const alike = nearest !== undefined && nearest < ALIKE ? way : undefined;
    const lifted = liftedLeg(a);
    return { a, b, alike, lifts: lifted === liftedLeg(b) ? lifted : undefined };
  });
}
