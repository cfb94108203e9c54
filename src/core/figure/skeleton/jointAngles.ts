import { clamp } from '../../clamp';
import {
  aboutY,
  aboutZ,
  axisAngle,
  conjugate,
  cross,
  type Quat,
  quatMul,
  RAD_PER_DEG,
  rotate,
  type Vec3,
} from './vector';

export const degrees = (radians: number): number => radians / RAD_PER_DEG;

/** A ball joint: swing by [raise, azimuth], then twist about the bone's own axis; degrees. */
export function ballRotation([raise, azimuth, twist]: Vec3, sign: number): Quat {
  const plane: Vec3 = [Math.sin(azimuth * RAD_PER_DEG) * sign, 0, Math.cos(azimuth * RAD_PER_DEG)];
  return quatMul(axisAngle(cross([0, -1, 0], plane), raise * RAD_PER_DEG), aboutY(twist * sign));
}

/** The inverse of the swing-twist: [raise, azimuth, twist] of a local rotation, degrees. */
export function ballAngles(q: Quat, sign: number): Vec3 {
  const down = rotate(q, [0, -1, 0]);
  const raise = degrees(Math.acos(clamp(-down[1], -1, 1)));
  const azimuth = degrees(Math.atan2(down[0] * sign, down[2]));
  const twistOnly = quatMul(conjugate(ballRotation([raise, azimuth, 0], sign)), q);
  const twist = wrapDegrees(degrees(2 * Math.atan2(twistOnly[1], twistOnly[3])));
  return [raise, azimuth, twist * sign];
}

/** An angle from -180 up to, but not, 180 degrees. */
export const wrapDegrees = (angle: number): number => ((((angle + 180) % 360) + 360) % 360) - 180;

/** Degrees [y, z, x] of a rotation composed as Ry * Rz * Rx. */
export function eulerYzx(q: Quat): Vec3 {
  const axis = rotate(q, [1, 0, 0]);
  const rz = degrees(Math.asin(clamp(axis[1], -1, 1)));
  const ry = degrees(Math.atan2(-axis[2], axis[0]));
  const rest = quatMul(conjugate(quatMul(aboutY(ry), aboutZ(rz))), q);
  return [ry, rz, wrapDegrees(degrees(2 * Math.atan2(rest[0], rest[3])))];
}
