import type { BodyMesh } from './bodyPack';

/** Half angles of iris and pupil seen from the middle of an eyeball, and how deep they are carved against its radius. */
const IRIS_RAD = 0.5;
const PUPIL_RAD = 0.22;
const IRIS_DEEP = 0.1;
const PUPIL_DEEP = 0.3;
/** How little of the light comes into a pupil and an iris. */
const PUPIL_LIGHT = 0.08;
const IRIS_LIGHT = 0.62;

const step = (from: number, to: number, v: number): number => {
  const t = Math.min(1, Math.max(0, (v - from) / (to - from)));
  return t * t * (3 - 2 * t);
};

/**
 * Eyes as they are carved: the iris a shallow dish and the pupil a hole, which is dark without being painted. They look straight ahead.
 * @returns The resting body with them, and how open to light each vertex is by its own form, 1 everywhere else.
 */
export function withIrises(
  { firstEye, vertexCount }: BodyMesh,
  rest: Float32Array,
): { rest: Float32Array; light: Float32Array } {
  const out = rest.slice();
  const light = new Float32Array(vertexCount).fill(1);
  const half = (vertexCount - firstEye) / 2;
  for (const from of [firstEye, firstEye + half]) {
    const middle = [0, 0, 0];
    for (let v = from; v < from + half; v++) for (let k = 0; k < 3; k++) middle[k] += rest[v * 3 + k] / half;
    for (let v = from; v < from + half; v++) {
      const q = [0, 1, 2].map((k) => rest[v * 3 + k] - middle[k]);
      const radius = Math.hypot(...q);
      const angle = Math.acos(q[2] / radius);
      const iris = 1 - step(IRIS_RAD * 0.85, IRIS_RAD * 1.05, angle);
      const pupil = 1 - step(PUPIL_RAD * 0.8, PUPIL_RAD * 1.2, angle);
      const deep = IRIS_DEEP * iris + PUPIL_DEEP * pupil;
      light[v] = 1 - (1 - IRIS_LIGHT) * iris - (IRIS_LIGHT - PUPIL_LIGHT) * pupil;
      for (let k = 0; k < 3; k++) out[v * 3 + k] -= q[k] * deep;
    }
  }
  return { rest: out, light };
}
