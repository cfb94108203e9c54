import { dot, cross, sub, type Vec3 } from '../skeleton/vector';

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
  let far = -Infinity;
  let found: SkinPoint | undefined;
  const vertex = (v: number): Vec3 => [p[v * 3], p[v * 3 + 1], p[v * 3 + 2]];
  for (let t = 0; t < triangles.length; t += 3) {
    const [a, b, c] = [triangles[t], triangles[t + 1], triangles[t + 2]];
    const corner = vertex(a);
    const e1 = sub(vertex(b), corner);
    const e2 = sub(vertex(c), corner);
    const h = cross(direction, e2);
    const det = dot(e1, h);
    if (Math.abs(det) < 1e-12) continue;
    const s = sub(origin, corner);
    const u = dot(s, h) / det;
    if (u < -1e-6 || u > 1 + 1e-6) continue;
    const q = cross(s, e1);
    const v = dot(direction, q) / det;
    if (v < -1e-6 || u + v > 1 + 1e-6) continue;
    const distance = dot(e2, q) / det;
    if (distance <= 0 || distance <= far || distance > within) continue;
    far = distance;
    found = { corners: [a, b, c], weights: [1 - u - v, u, v] };
  }
  if (!found) throw new Error(`no skin from ${origin.join(', ')} toward ${direction.join(', ')}`);
  return found;
}
