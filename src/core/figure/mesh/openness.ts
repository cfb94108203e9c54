import { cross, normalize, type Vec3 } from '../skeleton/vector';
import type { Triangles } from '../picture/raster';

/** Pixels along a side of the depth picture that is taken from each direction. */
const SIZE = 256;
/** What is this much in front of a point is the point's own surface, head heights. */
const BIAS = 0.035;
/** An occluder counts fully up to the first distance and not at all beyond the second, head heights. */
const NEAR = 0.35;
const FAR = 2.2;
/** Light that the ground gives back. */
const GROUND_BOUNCE = 0.45;

/** Directions spread evenly over the sphere: a golden spiral. */
const directions = (count: number): Vec3[] =>
  Array.from({ length: count }, (_, i): Vec3 => {
    const y = 1 - (2 * (i + 0.5)) / count;
    const r = Math.sqrt(1 - y * y);
    const a = i * 2.399963;
    return [r * Math.cos(a), y, r * Math.sin(a)];
  });

const falloff = (d: number): number => {
  const t = Math.min(1, Math.max(0, (d - NEAR) / (FAR - NEAR)));
  return 1 - t * t * (3 - 2 * t);
};

/** Heights of a mesh toward a direction, as a picture of SIZE by SIZE that is filled by drawTriangle. */
interface DepthMap {
  map: Float32Array;
  x: Float32Array;
  y: Float32Array;
  depth: Float32Array;
}
export const depthMap = (vertices: number, size = SIZE): DepthMap => ({
  map: new Float32Array(size * size),
  x: new Float32Array(vertices),
  y: new Float32Array(vertices),
  depth: new Float32Array(vertices),
});

/** Keeps the highest of a triangle's pixels. What faces away is behind something that does not: bodies are closed. */
export function drawTriangle(
  { map, x: sx, y: sy, depth: sd }: DepthMap,
  a: number,
  b: number,
  c: number,
  size = SIZE,
): void {
  const ax = sx[a];
  const ay = sy[a];
  const abx = sx[b] - ax;
  const aby = sy[b] - ay;
  const acx = sx[c] - ax;
  const acy = sy[c] - ay;
  const area = abx * acy - acx * aby;
  if (area < 1e-9) return;
  const x0 = Math.max(0, Math.ceil(ax + Math.min(0, abx, acx) - 0.5));
  const x1 = Math.min(size - 1, Math.floor(ax + Math.max(0, abx, acx) - 0.5));
  if (x0 > x1) return;
  const y0 = Math.max(0, Math.ceil(ay + Math.min(0, aby, acy) - 0.5));
  const y1 = Math.min(size - 1, Math.floor(ay + Math.max(0, aby, acy) - 0.5));
  const inv = 1 / area;
  for (let y = y0; y <= y1; y++)
    for (let x = x0; x <= x1; x++) {
      const px = x + 0.5 - ax;
      const py = y + 0.5 - ay;
      const wb = (px * acy - acx * py) * inv;
      const wc = (abx * py - px * aby) * inv;
      if (wb < 0 || wc < 0 || wb + wc > 1) continue;
      const d = sd[a] + (sd[b] - sd[a]) * wb + (sd[c] - sd[a]) * wc;
      if (d > map[y * size + x]) map[y * size + x] = d;
    }
}

/**
 * How open each vertex is to the sky, 0 to 1: the share of directions, weighed by the cosine, in which nothing near stands; by depth
 * pictures from all round. The ground at y = 0 gives back some light.
 * @param p Vertices that are asked for, and `n` their normals.
 * @param occluders All that may stand in the way.
 * @param count Directions; more is smoother.
 */
export function openness(
  p: Float32Array,
  n: Float32Array,
  { positions, indices }: Triangles,
  count: number,
): Float32Array {
  const vertices = p.length / 3;
  const lo = [Infinity, Infinity, Infinity];
  const hi = [-Infinity, -Infinity, -Infinity];
  for (let i = 0; i < p.length; i++) {
    const k = i % 3;
    if (p[i] < lo[k]) lo[k] = p[i];
    if (p[i] > hi[k]) hi[k] = p[i];
  }
  const [cx, cy, cz] = [0, 1, 2].map((k) => (lo[k] + hi[k]) / 2);
  const radius = Math.hypot(hi[0] - lo[0], hi[1] - lo[1], hi[2] - lo[2]) / 2 + 0.05;
  const k = SIZE / (2 * radius);
  const m = positions.length / 3;
  const picture = depthMap(m);
  const { map, x: sx, y: sy, depth: sd } = picture;
  const blocked = new Float32Array(vertices);
  const total = new Float32Array(vertices);
  for (const d of directions(count)) {
    const u = normalize(cross(Math.abs(d[1]) < 0.9 ? [0, 1, 0] : [1, 0, 0], d));
    const v = cross(d, u);
    const [d0, d1, d2] = d;
    const [u0, u1, u2] = u;
    const [v0, v1, v2] = v;
    map.fill(-1e9);
    for (let i = 0, o = 0; i < m; i++, o += 3) {
      const x = positions[o] - cx;
      const y = positions[o + 1] - cy;
      const z = positions[o + 2] - cz;
      sx[i] = (x * u0 + y * u1 + z * u2) * k + SIZE / 2;
      sy[i] = (x * v0 + y * v1 + z * v2) * k + SIZE / 2;
      sd[i] = x * d0 + y * d1 + z * d2;
    }
    for (let t = 0; t < indices.length; t += 3) drawTriangle(picture, indices[t], indices[t + 1], indices[t + 2]);
    for (let i = 0, o = 0; i < vertices; i++, o += 3) {
      const cosine = n[o] * d0 + n[o + 1] * d1 + n[o + 2] * d2;
      if (cosine <= 0.05) continue;
      total[i] += cosine;
      const x = p[o] + n[o] * 0.02 - cx;
      const y = p[o + 1] + n[o + 1] * 0.02 - cy;
      const z = p[o + 2] + n[o + 2] * 0.02 - cz;
      const px = ((x * u0 + y * u1 + z * u2) * k + SIZE / 2) | 0;
      const py = ((x * v0 + y * v1 + z * v2) * k + SIZE / 2) | 0;
      let block = 0;
      if (px >= 0 && py >= 0 && px < SIZE && py < SIZE) {
        const over = map[py * SIZE + px] - (x * d0 + y * d1 + z * d2);
        if (over > BIAS && over < FAR) block = falloff(over);
      }
      if (d1 < -0.02) block = Math.max(block, (1 - GROUND_BOUNCE) * falloff(Math.max(0, p[o + 1]) / -d1));
      blocked[i] += cosine * block;
    }
  }
  return blocked.map((sum, i) => (total[i] > 0 ? Math.max(0, 1 - (1.15 * sum) / total[i]) : 1));
}
