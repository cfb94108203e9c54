import { norm2 } from './norms';
import type { Point } from './figure/facts/actionLine';

/** How far two points of a picture are apart, in their unit. */
export const apart = (a: Point, b: Point): number => norm2(b[0] - a[0], b[1] - a[1]);

/** The point halfway between two. */
export const middle = (a: Point, b: Point): Point => [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2];
