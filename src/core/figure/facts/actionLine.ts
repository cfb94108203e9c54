import { onSkin, type Rig } from '../skeleton/kinematics';
import { centerOfMass } from '../skeleton/mass';
import { SIDES, type Side } from '../skeleton/skeleton';
import type { Vec3 } from '../skeleton/vector';
import { lerp, mix } from '../skeleton/vector';

/** A point of the picture: pixels from its top left. */
export type Point = readonly [x: number, y: number];

export interface ActionLine {
  /** A cubic Bezier curve from the head to the foot: its four control points in the picture. */
  curve: readonly [Point, Point, Point, Point];
  kind: 'C' | 'S' | 'straight';
  /** The leg it runs into. */
  leg: Side;
}

/** Bends of less than this share of the line's length count as none. */
const STRAIGHT = 0.035;

/** Points the line passes, in the world: crown, neck, chest, belly, pelvis, knee, ankle. */
function through(rig: Rig, leg: Side): Vec3[] {
  const { pos } = rig;
  const middle = (a: Vec3, b: Vec3): Vec3 => lerp(a, b, 0.5);
  return [
    onSkin(rig, 'head', [0, 7.7, -0.14]),
    pos.neck,
    middle(pos.neck, pos.chest),
    pos.spine,
    middle(pos.pelvis, pos[`thigh.${leg}`]),
    pos[`calf.${leg}`],
    pos[`foot.${leg}`],
  ];
}

/** How sharply a chain of picture points turns, radians in all. */
function turning(points: readonly Point[]): number {
  let sum = 0;
  for (let i = 1; i + 1 < points.length; i++) {
    const a = Math.atan2(points[i][1] - points[i - 1][1], points[i][0] - points[i - 1][0]);
    const b = Math.atan2(points[i + 1][1] - points[i][1], points[i + 1][0] - points[i][0]);
    sum += Math.abs(Math.atan2(Math.sin(b - a), Math.cos(b - a)));
  }
  return sum;
}

/** Which leg continues the trunk: the one that carries, unless the other prolongs the line much more smoothly. */
function leadingLeg(rig: Rig, project: (p: Vec3) => Point): Side {
  const [cx, , cz] = centerOfMass(rig);
  const cost = (side: Side): number => {
    const foot = rig.pos[`foot.${side}`];
    const carries = Math.hypot(foot[0] - cx, foot[2] - cz) + Math.max(0, foot[1] - 0.6);
    return turning(through(rig, side).map(project)) + 4 * carries;
  };
  return cost(SIDES[0]) <= cost(SIDES[1]) ? SIDES[0] : SIDES[1];
}

/**
 * Least-squares cubic Bezier through points at chord-length parameters, ends fixed (the linear step of P. J. Schneider, "An algorithm
 * for automatically fitting digitized curves", Graphics Gems 1990, with free inner control points).
 */
export function fitCubic(points: readonly Point[]): [Point, Point, Point, Point] {
  const first = points[0];
  const last = points[points.length - 1];
  const lengths = points.slice(1).map((p, i) => Math.hypot(p[0] - points[i][0], p[1] - points[i][1]));
  const total = lengths.reduce((a, b) => a + b, 0) || 1;
  let run = 0;
  let [a11, a12, a22] = [0, 0, 0];
  const b1 = [0, 0];
  const b2 = [0, 0];
  points.forEach((p, i) => {
    if (i > 0) run += lengths[i - 1];
    const t = run / total;
    const s = 1 - t;
    const w1 = 3 * s * s * t;
    const w2 = 3 * s * t * t;
    a11 += w1 * w1;
    a12 += w1 * w2;
    a22 += w2 * w2;
    for (const k of [0, 1]) {
      const rest = p[k] - s * s * s * first[k] - t * t * t * last[k];
      b1[k] += w1 * rest;
      b2[k] += w2 * rest;
    }
  });
  const det = a11 * a22 - a12 * a12;
  const solve = (k: number): [number, number] =>
    Math.abs(det) < 1e-9
      ? [mix(first[k], last[k], 1 / 3), mix(first[k], last[k], 2 / 3)]
      : [(b1[k] * a22 - b2[k] * a12) / det, (a11 * b2[k] - a12 * b1[k]) / det];
  const [x1, x2] = solve(0);
  const [y1, y2] = solve(1);
  return [first, [x1, y1], [x2, y2], last];
}

/** The point of a cubic Bezier curve at a parameter from 0 to 1. */
export function onCubic([a, b, c, d]: ActionLine['curve'], t: number): Point {
  const s = 1 - t;
  const at = (k: 0 | 1): number => s * s * s * a[k] + 3 * s * s * t * b[k] + 3 * s * t * t * c[k] + t * t * t * d[k];
  return [at(0), at(1)];
}

/** Signed distances of a curve from its chord, over the chord's length: the largest to each side. */
function bulges(curve: readonly [Point, Point, Point, Point]): [number, number] {
  const [p0, , , p3] = curve;
  const dx = p3[0] - p0[0];
  const dy = p3[1] - p0[1];
  const len2 = dx * dx + dy * dy || 1;
  let [low, high] = [0, 0];
  for (let i = 1; i < 24; i++) {
    const [x, y] = onCubic(curve, i / 24);
    const aside = ((x - p0[0]) * dy - (y - p0[1]) * dx) / len2;
    low = Math.min(low, aside);
    high = Math.max(high, aside);
  }
  return [low, high];
}

/** What a curve is: bent one way, both ways, or not at all. */
export function curveKind(curve: readonly [Point, Point, Point, Point]): ActionLine['kind'] {
  const [low, high] = bulges(curve);
  const both = -low > STRAIGHT * 0.7 && high > STRAIGHT * 0.7;
  return both ? 'S' : Math.max(-low, high) < STRAIGHT ? 'straight' : 'C';
}

/** The line of action of a posed figure in a picture. */
export function actionLine(rig: Rig, project: (p: Vec3) => Point): ActionLine {
  const leg = leadingLeg(rig, project);
  const curve = fitCubic(through(rig, leg).map(project));
  return { curve, kind: curveKind(curve), leg };
}

/** The line through places of a part that is shown alone; its leg means nothing. */
export function lineThrough(points: readonly Point[]): ActionLine {
  const curve = fitCubic(points);
  return { curve, kind: curveKind(curve), leg: 'L' };
}
