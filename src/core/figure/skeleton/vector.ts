import { norm3 } from '../../norms';
/** Three-component vectors and unit quaternions as plain tuples; allocation is cheap here, only the field evaluator avoids it. */
export type Vec3 = [number, number, number];
/** Quaternion [x, y, z, w]. */
export type Quat = [number, number, number, number];

export const RAD_PER_DEG = Math.PI / 180;
export const IDENTITY: Quat = [0, 0, 0, 1];

export const mix = (a: number, b: number, t: number): number => a + (b - a) * t;

export const add = (a: Vec3, b: Vec3): Vec3 => [a[0] + b[0], a[1] + b[1], a[2] + b[2]];
export const sub = (a: Vec3, b: Vec3): Vec3 => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
export const scale = (a: Vec3, s: number): Vec3 => [a[0] * s, a[1] * s, a[2] * s];
export const dot = (a: Vec3, b: Vec3): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
export const lerp = (a: Vec3, b: Vec3, t: number): Vec3 => [mix(a[0], b[0], t), mix(a[1], b[1], t), mix(a[2], b[2], t)];
export const cross = (a: Vec3, b: Vec3): Vec3 => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];
export const length = (a: Vec3): number => norm3(a[0], a[1], a[2]);
export const normalize = (a: Vec3): Vec3 => scale(a, 1 / (length(a) || 1));

export const quatMul = (a: Quat, b: Quat): Quat => [
  a[3] * b[0] + a[0] * b[3] + a[1] * b[2] - a[2] * b[1],
  a[3] * b[1] - a[0] * b[2] + a[1] * b[3] + a[2] * b[0],
  a[3] * b[2] + a[0] * b[1] - a[1] * b[0] + a[2] * b[3],
  a[3] * b[3] - a[0] * b[0] - a[1] * b[1] - a[2] * b[2],
];
export const quatProduct = (...factors: Quat[]): Quat => factors.reduce(quatMul);
export const conjugate = (q: Quat): Quat => [-q[0], -q[1], -q[2], q[3]];
const quatNormalize = (q: Quat): Quat => {
  const l = Math.sqrt(q[0] * q[0] + q[1] * q[1] + q[2] * q[2] + q[3] * q[3]) || 1;
  return [q[0] / l, q[1] / l, q[2] / l, q[3] / l];
};

/** Rotation about an axis by an angle in radians. */
export const axisAngle = (axis: Vec3, angle: number): Quat => {
  const s = Math.sin(angle / 2);
  const n = normalize(axis);
  return [n[0] * s, n[1] * s, n[2] * s, Math.cos(angle / 2)];
};
export const aboutX = (deg: number): Quat => axisAngle([1, 0, 0], deg * RAD_PER_DEG);
export const aboutY = (deg: number): Quat => axisAngle([0, 1, 0], deg * RAD_PER_DEG);
export const aboutZ = (deg: number): Quat => axisAngle([0, 0, 1], deg * RAD_PER_DEG);

export const rotate = (q: Quat, p: Vec3): Vec3 => {
  const [x, y, z, w] = q;
  const tx = 2 * (y * p[2] - z * p[1]);
  const ty = 2 * (z * p[0] - x * p[2]);
  const tz = 2 * (x * p[1] - y * p[0]);
  return [p[0] + w * tx + y * tz - z * ty, p[1] + w * ty + z * tx - x * tz, p[2] + w * tz + x * ty - y * tx];
};

/** Spherical interpolation along the shorter arc. */
export const slerp = (a: Quat, b: Quat, t: number): Quat => {
  let cosine = a[0] * b[0] + a[1] * b[1] + a[2] * b[2] + a[3] * b[3];
  const sign = cosine < 0 ? -1 : 1;
  cosine *= sign;
  let ka = 1 - t;
  let kb = t;
  if (cosine <= 0.9995) {
    const angle = Math.acos(cosine);
    ka = Math.sin((1 - t) * angle) / Math.sin(angle);
    kb = Math.sin(t * angle) / Math.sin(angle);
  }
  kb *= sign;
  return quatNormalize([a[0] * ka + b[0] * kb, a[1] * ka + b[1] * kb, a[2] * ka + b[2] * kb, a[3] * ka + b[3] * kb]);
};

/** The shortest rotation that takes unit vector a to unit vector b. */
export const rotationBetween = (a: Vec3, b: Vec3): Quat => {
  const cosine = dot(a, b);
  if (cosine < -0.99999) return axisAngle(Math.abs(a[0]) < 0.9 ? cross(a, [1, 0, 0]) : cross(a, [0, 1, 0]), Math.PI);
  const c = cross(a, b);
  return quatNormalize([c[0], c[1], c[2], 1 + cosine]);
};

/** Rotation whose matrix has the orthonormal columns x, y, z. */
export const rotationFromBasis = (x: Vec3, y: Vec3, z: Vec3): Quat => {
  const trace = x[0] + y[1] + z[2];
  if (trace > 0) {
    const s = 2 * Math.sqrt(trace + 1);
    return [(y[2] - z[1]) / s, (z[0] - x[2]) / s, (x[1] - y[0]) / s, s / 4];
  }
  if (x[0] > y[1] && x[0] > z[2]) {
    const s = 2 * Math.sqrt(1 + x[0] - y[1] - z[2]);
    return [s / 4, (y[0] + x[1]) / s, (z[0] + x[2]) / s, (y[2] - z[1]) / s];
  }
  if (y[1] > z[2]) {
    const s = 2 * Math.sqrt(1 + y[1] - x[0] - z[2]);
    return [(y[0] + x[1]) / s, s / 4, (z[1] + y[2]) / s, (z[0] - x[2]) / s];
  }
  const s = 2 * Math.sqrt(1 + z[2] - x[0] - y[1]);
  return [(z[0] + x[2]) / s, (z[1] + y[2]) / s, s / 4, (x[1] - y[0]) / s];
};
