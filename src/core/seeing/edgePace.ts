import { norm2 } from '../norms';
/** A point on a path, in the path's own unit. */
export type PathPoint = readonly [x: number, y: number];

/** Running length at each point of a path. */
function lengths(path: readonly PathPoint[]): number[] {
  let total = 0;
  return path.map(([x, y], i) => {
    if (i > 0) total += norm2(x - path[i - 1][0], y - path[i - 1][1]);
    return total;
  });
}

/** Length of a path in the unit of its points. */
export const pathLength = (path: readonly PathPoint[]): number => lengths(path).at(-1) ?? 0;

/**
 * A pace along an edge: constant speed by arc length, so that it is exactly at the end when the time is.
 * @param path At least one point.
 * @returns The point at a share of the length, 0 to 1.
 */
export function paceAlong(path: readonly PathPoint[]): (share: number) => PathPoint {
  const along = lengths(path);
  const total = along[along.length - 1];
  return (share) => {
    const at = Math.max(0, Math.min(1, share)) * total;
    let low = 0;
    let high = along.length - 1;
    while (low + 1 < high) {
      const middle = (low + high) >> 1;
      if (along[middle] <= at) low = middle;
      else high = middle;
    }
    const stretch = along[high] - along[low];
    if (stretch === 0) return path[high];
    const t = (at - along[low]) / stretch;
    return [path[low][0] + (path[high][0] - path[low][0]) * t, path[low][1] + (path[high][1] - path[low][1]) * t];
  };
}

/** A closed outline as a path once around, beginning at the corner nearest to a point (without one, at the top) and ending there. */
export function onceAround(outline: readonly PathPoint[], from?: PathPoint): PathPoint[] {
  const reach = ([x, y]: PathPoint): number => (from ? norm2(x - from[0], y - from[1]) : y);
  const first = outline.reduce((best, p, i) => (reach(p) < reach(outline[best]) ? i : best), 0);
  return [...outline.slice(first), ...outline.slice(0, first), outline[first]];
}
