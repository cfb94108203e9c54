import { sideSign, type Side } from './skeleton';
import type { Vec3 } from './vector';

/** Middle of a closed grip, in the left hand's directions from the wrist; mirrored for the right. */
const GRIP: Vec3 = [-0.115, -0.4, -0.09];
/** Middle of the palm's flesh, likewise. */
const PALM: Vec3 = [-0.088, -0.28, -0.11];
/** Tip of the middle finger, a little bent. */
const TIPS: Vec3 = [-0.07, -0.84, -0.085];
const HAND_POINTS = { grip: GRIP, palm: PALM, tips: TIPS } as const;

/** Where a hand touches, from its wrist, in the hand's own directions. */
export function handPoint(kind: keyof typeof HAND_POINTS, side: Side): Vec3 {
  const [x, y, z] = HAND_POINTS[kind];
  return [x * sideSign(side), y, z];
}
