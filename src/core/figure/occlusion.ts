import { type Field, fieldDistance, primitiveDistance, SHAPE } from './field';
import { isThick, type Solid, solidDistance } from './solids';
import { fieldBounds, type Surface } from './surface';
import type { Vec3 } from './vector';

/** The field on a coarse lattice, enough to tell how much open space is around a point. */
export interface DistanceGrid {
  lo: Vec3;
  h: number;
  size: Vec3;
  values: Float32Array;
}

const CELL = 0.13;
const PAD = 0.3;
const BLOCK = 4;

/** Sample the field coarsely; far outside and deep inside only a bound is stored. */
export function coarseGrid(field: Field): DistanceGrid {
  const bounds = fieldBounds(field);
  const lo = bounds.lo.map((v) => v - PAD) as Vec3;
  const size = [0, 1, 2].map((k) => Math.ceil((bounds.hi[k] + PAD - lo[k]) / CELL) + 1) as Vec3;
  const values = new Float32Array(size[0] * size[1] * size[2]);
  const list = new Int16Array(field.count);
  const half = 2.6 * CELL;
  const at = (axis: number, i: number): number => lo[axis] + i * CELL;
  const fillBlock = (bx: number, by: number, bz: number, value: (i: number, j: number, k: number) => number): void => {
    for (let k = bz; k < Math.min(bz + BLOCK, size[2]); k++)
      for (let j = by; j < Math.min(by + BLOCK, size[1]); j++)
        for (let i = bx; i < Math.min(bx + BLOCK, size[0]); i++)
          values[i + size[0] * (j + size[1] * k)] = value(i, j, k);
  };
  for (let bz = 0; bz < size[2]; bz += BLOCK)
    for (let by = 0; by < size[1]; by += BLOCK)
      for (let bx = 0; bx < size[0]; bx += BLOCK) {
        const [cx, cy, cz] = [at(0, bx + 1.5), at(1, by + 1.5), at(2, bz + 1.5)];
        let nearest = Infinity;
        const near: [index: number, distance: number][] = [];
        for (let i = 0; i < field.count; i++) {
          if (field.shape[i] >= SHAPE.bump) continue;
          const c = i * 3;
          const bound =
            Math.hypot(cx - field.center[c], cy - field.center[c + 1], cz - field.center[c + 2]) - field.radius[i];
          if (bound > nearest + 2 * half) continue;
          const d = primitiveDistance(field, i, cx, cy, cz);
          if (d < nearest) nearest = d;
          near.push([i, d]);
        }
        if (nearest > 0.85 || nearest < -half - 0.12) {
          fillBlock(bx, by, bz, () => nearest);
          continue;
        }
        const limit = Math.max(nearest, 0) + 2.3 * half + 0.12;
        let n = 0;
        for (const [i, d] of near) if (d < limit) list[n++] = i;
        const count = n;
        fillBlock(bx, by, bz, (i, j, k) => fieldDistance(field, list, count, at(0, i), at(1, j), at(2, k)));
      }
  return { lo, h: CELL, size, values };
}

/** Trilinear sample, clamped to the grid. */
function sampleGrid(g: DistanceGrid, x: number, y: number, z: number): number {
  const [nx, ny, nz] = g.size;
  const fit = (v: number, n: number): number => (v < 0 ? 0 : v > n - 1.001 ? n - 1.001 : v);
  const a = fit((x - g.lo[0]) / g.h, nx);
  const b = fit((y - g.lo[1]) / g.h, ny);
  const c = fit((z - g.lo[2]) / g.h, nz);
  const i = a | 0;
  const j = b | 0;
  const k = c | 0;
  const fx = a - i;
  const fy = b - j;
  const fz = c - k;
  const o = i + nx * (j + ny * k);
  const sy = nx;
  const sz = nx * ny;
  const v = g.values;
  const alongX = (p: number): number => v[p] * (1 - fx) + v[p + 1] * fx;
  const front = alongX(o) * (1 - fy) + alongX(o + sy) * fy;
  const back = alongX(o + sz) * (1 - fy) + alongX(o + sz + sy) * fy;
  return front * (1 - fz) + back * fz;
}

/** Sample distances along each ray and what a blocked sample weighs. */
const TAPS: readonly [distance: number, weight: number][] = [
  [0.1, 0.5],
  [0.2, 0.3],
  [0.36, 0.25],
  [0.6, 0.2],
];
/** One ray along the normal and four at 50 degrees: [cosine, sine, along tangent, along bitangent, weight]. */
const RAYS: readonly [number, number, number, number, number][] = [
  [1, 0, 0, 0, 1],
  [0.64, 0.77, 1, 0, 0.7],
  [0.64, 0.77, -1, 0, 0.7],
  [0.64, 0.77, 0, 1, 0.7],
  [0.64, 0.77, 0, -1, 0.7],
];

/** How open each vertex is to the sky, 0 to 1, counting the figure itself, the ground at `groundY` and thick props. */
export function bakeOcclusion(
  surface: Surface,
  grid: DistanceGrid,
  groundY: number,
  solids: readonly Solid[],
): Float32Array {
  const { positions: p, normals: n } = surface;
  const open = new Float32Array(p.length / 3);
  const thick = solids.filter(isThick);
  const free = (x: number, y: number, z: number): number => {
    let d = Math.min(sampleGrid(grid, x, y, z), y - groundY);
    for (const solid of thick) d = Math.min(d, solidDistance(solid, x, y - groundY, z));
    return d;
  };
  for (let i = 0; i < open.length; i++) {
    const o = i * 3;
    const [a, b, c] = [n[o], n[o + 1], n[o + 2]];
    const steep = Math.abs(b) < 0.8;
    const l = steep ? Math.hypot(a, c) : Math.hypot(b, c);
    const [tx, ty, tz] = steep ? [-c / l, 0, a / l] : [0, -c / l, b / l];
    const [ux, uy, uz] = [b * tz - c * ty, c * tx - a * tz, a * ty - b * tx];
    let blocked = 0;
    let total = 0;
    for (const [cs, sn, ca, sa, weight] of RAYS) {
      const dx = a * cs + (tx * ca + ux * sa) * sn;
      const dy = b * cs + (ty * ca + uy * sa) * sn;
      const dz = c * cs + (tz * ca + uz * sa) * sn;
      for (const [t, tapWeight] of TAPS) {
        const expected = cs * t * 0.92;
        const missing = (expected - free(p[o] + dx * t, p[o + 1] + dy * t, p[o + 2] + dz * t)) / expected;
        if (missing > 0) blocked += weight * tapWeight * Math.min(1, missing);
        total += weight * tapWeight;
      }
    }
    open[i] = Math.max(0, 1 - (1.25 * blocked) / total);
  }
  return open;
}

/** A square map of contact darkness on the ground, row 0 at the far (-z) edge, 0 to 255. */
export interface ContactMap {
  data: Uint8Array;
  resolution: number;
  center: [x: number, z: number];
  size: [width: number, depth: number];
}

/** Darkness on the ground under and beside what stands on it. */
export function contactMap(
  positions: Float32Array,
  grid: DistanceGrid,
  groundY: number,
  solids: readonly Solid[],
): ContactMap {
  const resolution = 128;
  let [x0, x1, z0, z1] = [Infinity, -Infinity, Infinity, -Infinity];
  for (let i = 0; i < positions.length; i += 3) {
    x0 = Math.min(x0, positions[i]);
    x1 = Math.max(x1, positions[i]);
    z0 = Math.min(z0, positions[i + 2]);
    z1 = Math.max(z1, positions[i + 2]);
  }
  const pad = 1;
  const width = x1 - x0 + 2 * pad;
  const depth = z1 - z0 + 2 * pad;
  const data = new Uint8Array(resolution * resolution);
  const taps: readonly [height: number, weight: number][] = [
    [0.06, 0.5],
    [0.16, 0.35],
    [0.36, 0.3],
  ];
  for (let j = 0; j < resolution; j++)
    for (let i = 0; i < resolution; i++) {
      const x = x0 - pad + (width * (i + 0.5)) / resolution;
      const z = z0 - pad + (depth * (j + 0.5)) / resolution;
      let dark = 0;
      for (const [height, weight] of taps) {
        let d = sampleGrid(grid, x, groundY + height, z);
        for (const solid of solids) d = Math.min(d, solidDistance(solid, x, height, z));
        dark += weight * Math.max(0, Math.min(1, (height - d) / height));
      }
      const rim = Math.min(1, Math.min(i, j, resolution - 1 - i, resolution - 1 - j) / 10);
      data[j * resolution + i] = Math.round(255 * Math.min(0.7, dark * 0.55) * rim);
    }
  return { data, resolution, center: [(x0 + x1) / 2, (z0 + z1) / 2], size: [width, depth] };
}
