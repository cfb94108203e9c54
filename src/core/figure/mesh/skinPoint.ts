import type { Vec3 } from '../skeleton/vector';

/** A place on the skin: three vertices and how much of each. It is the same place for every build and in every pose. */
export interface SkinPoint {
  corners: readonly [number, number, number];
  weights: Vec3;
}

/** Where a place is on a posed (or resting) mesh, head heights. */
export function skinAt(p: Float32Array, { corners, weights }: SkinPoint): Vec3 {
  const at = (k: number): number =>
    weights[0] * p[corners[0] * 3 + k] + weights[1] * p[corners[1] * 3 + k] + weights[2] * p[corners[2] * 3 + k];
  return [at(0), at(1), at(2)];
}

/**
 * The outermost place of the skin along a ray.
 * Source: T. Möller and B. Trumbore, "Fast, minimum storage ray/triangle intersection", 1997.
 * @param triangles Three vertices each.
 * @param within Nothing farther along the ray than this is taken, head heights.
 * @throws when the ray meets no skin.
 */
export function skinAlong(
  p: Float32Array,
  triangles: Uint32Array,
  origin: Vec3,
  direction: Vec3,
  within = Infinity,
): SkinPoint {
  let far = 0;
  let found: SkinPoint | undefined;
  const [ox, oy, oz] = origin;
  const [dx, dy, dz] = direction;
  for (let t = 0; t < triangles.length; t += 3) {
    const a = triangles[t] * 3;
    const b = triangles[t + 1] * 3;
    const c = triangles[t + 2] * 3;
    const e1x = p[b] - p[a];
    const e1y = p[b + 1] - p[a + 1];
    const e1z = p[b + 2] - p[a + 2];
    const e2x = p[c] - p[a];
    const e2y = p[c + 1] - p[a + 1];
    const e2z = p[c + 2] - p[a + 2];
    const hx = dy * e2z - dz * e2y;
    const hy = dz * e2x - dx * e2z;
    const hz = dx * e2y - dy * e2x;
    const det = e1x * hx + e1y * hy + e1z * hz;
    if (Math.abs(det) < 1e-12) continue;
    const sx = ox - p[a];
    const sy = oy - p[a + 1];
    const sz = oz - p[a + 2];
    const u = (sx * hx + sy * hy + sz * hz) / det;
    if (u < -1e-6 || u > 1 + 1e-6) continue;
    const qx = sy * e1z - sz * e1y;
    const qy = sz * e1x - sx * e1z;
    const qz = sx * e1y - sy * e1x;
    const v = (dx * qx + dy * qy + dz * qz) / det;
    if (v < -1e-6 || u + v > 1 + 1e-6) continue;
    const distance = (e2x * qx + e2y * qy + e2z * qz) / det;
    if (distance <= far || distance > within) continue;
    far = distance;
    found = { corners: [a / 3, b / 3, c / 3], weights: [1 - u - v, u, v] };
  }
  if (!found) throw new Error(`no skin from ${origin.join(', ')} toward ${direction.join(', ')}`);
  return found;
}
