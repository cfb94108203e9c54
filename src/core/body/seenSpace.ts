import { type BodyPoint, POINT_NAMES } from './points';

/** A body in space, meters from the middle of the hips: x to the picture's right, y down, z away from the eye. */
export type Space = readonly (readonly [number, number, number])[];

const HIPS = [POINT_NAMES.indexOf('left hip'), POINT_NAMES.indexOf('right hip')] as const;

/**
 * A body in space as its picture has it: across and down exactly as its points lie in the picture, toward and away as it was found.
 * @param aspect Width over height of the picture.
 * @param found The body in space as it was found.
 */
export function seenSpace(points: readonly BodyPoint[], aspect: number, found: Space): [number, number, number][] {
  const flat = points.map(({ x, y }): [number, number] => [x * aspect, y]);
  const middle = (k: 0 | 1): number => (flat[HIPS[0]][k] + flat[HIPS[1]][k]) / 2;
  const root = [middle(0), middle(1)];
  // The scale at which both agree best.
  let [both, own] = [0, 0];
  flat.forEach((p, i) => {
    for (const k of [0, 1] as const) {
      both += (p[k] - root[k]) * found[i][k];
      own += (p[k] - root[k]) ** 2;
    }
  });
  const scale = both > 0 && own > 0 ? both / own : 1;
  return flat.map((p, i) => [(p[0] - root[0]) * scale, (p[1] - root[1]) * scale, found[i][2]]);
}
