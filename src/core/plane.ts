import { norm2 } from './norms';
import type { Point } from './figure/facts/actionLine';

/** How far two points of a picture are apart, in their unit. */
export const apart = (a: Point, b: Point): number => norm2(b[0] - a[0], b[1] - a[1]);

/** The point halfway between two. */
export const middle = (a: Point, b: Point): Point => [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2];

/** How far a point is from the stretch between two others, in their unit. */
export function toSegment(p: Point, a: Point, b: Point): number {
  const [dx, dy] = [b[0] - a[0], b[1] - a[1]];
  const u = Math.max(0, Math.min(1, ((p[0] - a[0]) * dx + (p[1] - a[1]) * dy) / (dx * dx + dy * dy || 1)));
  return apart(p, [a[0] + u * dx, a[1] + u * dy]);
}
