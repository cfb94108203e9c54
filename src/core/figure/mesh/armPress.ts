import { clamp } from '../../clamp';
import type { Build } from '../skeleton/builds';
import type { Side } from '../skeleton/skeleton';
import { dot, length, scale, sub, type Vec3 } from '../skeleton/vector';
import { armJoints, armSegments, depthIn, fleshNearArm, type Segment } from './armSegments';
import type { BodyKit } from './kit';
import type { PlacedBones } from './placeBones';

/** From the nearest place of a segment's bone to a point. */
function fromAxis({ from, to }: Segment, p: Vec3): Vec3 {
  const axis = sub(to, from);
  const q = sub(p, from);
  return sub(q, scale(axis, clamp(dot(q, axis) / dot(axis, axis), 0, 1)));
}

/** Flesh gives way under an arm that lies in it: what faces the arm's bone is pressed out of the arm. Changes `p`. */
export function pressUnderArm(
  kit: BodyKit,
  p: Float32Array,
  n: Float32Array,
  bones: PlacedBones,
  side: Side,
  build: Build,
): void {
  const joints = armJoints(bones, side);
  const arm = armSegments(...joints, build);
  for (const v of fleshNearArm(kit, p, side, joints)) {
    const o = v * 3;
    for (const segment of arm) {
      const depth = depthIn(segment, p[o], p[o + 1], p[o + 2]);
      if (depth <= 0) continue;
      const out = fromAxis(segment, [p[o], p[o + 1], p[o + 2]]);
      const facing = -(n[o] * out[0] + n[o + 1] * out[1] + n[o + 2] * out[2]) / (length(out) || 1);
      // Flesh beside the arm is not pressed, nor is what lies beyond its bone.
      const share = clamp(facing * 1.6, 0, 1);
      for (let k = 0; k < 3; k++) p[o + k] -= (n[o + k] * depth * share) / Math.max(facing, 0.5);
    }
  }
}
