import type { Point } from '../figure/facts/actionLine';

/**
 * The places that are looked for in a drawing, in the order in which they are asked for: five say how large the head is and how long
 * the legs, each further one narrows it. Left and right are the sitter's own.
 */
export const PLACES = [
  'crown',
  'chin',
  'pubic bone',
  'left ankle',
  'right ankle',
  'left shoulder',
  'right shoulder',
  'left hip point',
  'right hip point',
  'left outer hip',
  'right outer hip',
  'left knee',
  'right knee',
  'left elbow',
  'right elbow',
  'left wrist',
  'right wrist',
  'pit of the neck',
  'end of the breastbone',
  'left heel',
  'right heel',
  'left toes',
  'right toes',
] as const;
export type PlaceName = (typeof PLACES)[number];

/** A place in a picture or a drawing, and how sure it is. */
export interface Place {
  at: Point;
  /** Standard deviation of each of its coordinates, in the unit of `at`. */
  sigma: number;
}
export type Places = ReadonlyMap<PlaceName, Place>;

export const isPlace = (name: string): name is PlaceName => (PLACES as readonly string[]).includes(name);

/** From the highest to the lowest of some places, in their unit; 0 for fewer than two. */
export function heightOf(places: Places): number {
  const ys = [...places.values()].map(({ at: [, y] }) => y);
  return ys.length > 1 ? Math.max(...ys) - Math.min(...ys) : 0;
}
