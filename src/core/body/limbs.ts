import { type BodyPoint, pointOf, type PointName } from './points';
import { RAD_PER_DEG } from '../figure/skeleton/vector';

/** The segments by whose directions poses are compared. */
const LIMBS: readonly (readonly [PointName, PointName])[] = [
  ['left shoulder', 'right shoulder'],
  ['left hip', 'right hip'],
  ['left shoulder', 'left elbow'],
  ['left elbow', 'left wrist'],
  ['right shoulder', 'right elbow'],
  ['right elbow', 'right wrist'],
  ['left hip', 'left knee'],
  ['left knee', 'left ankle'],
  ['right hip', 'right knee'],
  ['right knee', 'right ankle'],
];
/** A point less surely seen says nothing of a direction. */
const SEEN = 0.3;

/** Directions of the limbs in a picture, whole degrees clockwise from the picture's right; null where not seen. */
export function limbDirections(points: readonly BodyPoint[], aspect: number): (number | null)[] {
  return LIMBS.map(([a, b]) => {
    const [from, to] = [pointOf(points, a), pointOf(points, b)];
    if (Math.min(from.seen, to.seen) < SEEN) return null;
    return Math.round(Math.atan2(to.y - from.y, (to.x - from.x) * aspect) / RAD_PER_DEG);
  });
}

/** How differently two bodies lie in their pictures: mean angle between their limbs, degrees; unknown limbs count as a right angle. */
export function limbDistance(a: readonly (number | null)[], b: readonly (number | null)[]): number {
  const sum = a.reduce<number>((total, v, i) => {
    const w = b[i];
    if (v === null || w === null) return total + 90;
    return total + Math.abs(((v - w + 540) % 360) - 180);
  }, 0);
  return sum / Math.max(1, a.length);
}
