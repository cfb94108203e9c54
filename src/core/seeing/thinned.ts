import { paceAlong, type PathPoint } from './edgePace';

/** A path by so many of its points at most, at even distances along it; its ends stay. */
export function thinned(path: readonly PathPoint[], most: number): PathPoint[] {
  if (path.length <= most) return [...path];
  const at = paceAlong(path);
  return Array.from({ length: most }, (_, i) => at(i / (most - 1)));
}
