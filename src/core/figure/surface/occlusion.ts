import { type Field, fieldDistance, narrow, nearestListed, SHAPE } from './field';
import { isThick, type Solid, solidDistance } from './solids';
import { fieldBounds, type Surface } from './surface';
import type { Vec3 } from '../skeleton/vector';

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

/** Sample the field and thick solids coarsely; far outside and deep inside only a bound is stored. */
export function coarseGrid(field: Field, solids: readonly Solid[], groundY: number): DistanceGrid {
  const bounds = fieldBounds(field);
  const lo = bounds.lo.map((v) => v - PAD) as Vec3;
  const size = [0, 1, 2].map((k) => Math.ceil((bounds.hi[k] + PAD - lo[k]) / CELL) + 1) as Vec3;
  const values = new Float32Array(size[0] * size[1] * size[2]);
  const list = new Int16Array(field.count);
  const few = new Int16Array(field.count);
  const half = 2.6 * CELL;
  const quarter = CELL; // a sub-block's middle to its corners, and a little
  const at = (axis: number, i: number): number => lo[axis] + i * CELL;
  const fill = (bx: number, by: number, bz: number, span: number, value: number): void => {
    for (let k = bz; k < Math.min(bz + span, size[2]); k++)
      for (let j = by; j < Math.min(by + span, size[1]); j++)
        for (let i = bx; i < Math.min(bx + span, size[0]); i++) values[i + size[0] * (j + size[1] * k)] = value;
  };
  for (let bz = 0; bz < size[2]; bz += BLOCK)
    for (let by = 0; by < size[1]; by += BLOCK)
      for (let bx = 0; bx < size[0]; bx += BLOCK) {
        const [cx, cy, cz] = [at(0, bx + 1.5), at(1, by + 1.5), at(2, bz + 1.5)];
        let n = 0;
        let nearest = Infinity;
        for (let i = 0; i < field.count; i++) {
          if (field.shape[i] >= SHAPE.bump) continue;
          const c = i * 3;
          const bound =
            Math.hypot(cx - field.center[c], cy - field.center[c + 1], cz - field.center[c + 2]) - field.radius[i];
          if (bound > Math.min(nearest, 0.85) + 2 * half) continue;
          list[n++] = i;
          if (bound + 2 * field.radius[i] < nearest) nearest = bound + 2 * field.radius[i];
        }
        if (n === 0) {
          fill(bx, by, bz, BLOCK, 0.85);
          continue;
        }
        for (let k = 0; k < BLOCK; k += 2)
          for (let j = 0; j < BLOCK; j += 2)
            for (let i = 0; i < BLOCK; i += 2) {
              const [x, y, z] = [at(0, bx + i + 0.5), at(1, by + j + 0.5), at(2, bz + k + 0.5)];
              const m = narrow(field, list, n, few, x, y, z, 2 * quarter);
              const middle = nearestListed();
              if (middle > 0.85 || middle < -3 * quarter) fill(bx + i, by + j, bz + k, 2, middle);
              else
                for (let q = 0; q < 8; q++) {
                  const [ix, iy, iz] = [bx + i + (q & 1), by + j + ((q >> 1) & 1), bz + k + (q >> 2)];
                  if (ix < size[0] && iy < size[1] && iz < size[2])
                    values[ix + size[0] * (iy + size[1] * iz)] = fieldDistance(
                      field,
                      few,
                      m,
                      at(0, ix),
                      at(1, iy),
                      at(2, iz),
                    );
                }
            }
      }
  for (const solid of solids.filter(isThick))
    for (let k = 0, o = 0; k < size[2]; k++)
      for (let j = 0; j < size[1]; j++)
        for (let i = 0; i < size[0]; i++, o++) {
          const d = solidDistance(solid, at(0, i), at(1, j) - groundY, at(2, k));
          if (d < values[o]) values[o] = d;
        }
  return { lo, h: CELL, size, values };
}

/** Trilinear sample, clamped to the grid. */
function sampleGrid({ size, lo, h, values: v }: DistanceGrid, x: number, y: number, z: number): number {
  const nx = size[0];
  const ny = size[1];
  let a = (x - lo[0]) / h;
  let b = (y - lo[1]) / h;
  let c = (z - lo[2]) / h;
  a = a < 0 ? 0 : a > nx - 1.001 ? nx - 1.001 : a;
  b = b < 0 ? 0 : b > ny - 1.001 ? ny - 1.001 : b;
  c = c < 0 ? 0 : c > size[2] - 1.001 ? size[2] - 1.001 : c;
  const i = a | 0;
  const j = b | 0;
  const k = c | 0;
  const fx = a - i;
  const fy = b - j;
  const fz = c - k;
  const o = i + nx * (j + ny * k);
  const q = o + nx * ny;
  const front0 = v[o] + (v[o + 1] - v[o]) * fx;
  const front1 = v[o + nx] + (v[o + nx + 1] - v[o + nx]) * fx;
  const back0 = v[q] + (v[q + 1] - v[q]) * fx;
  const back1 = v[q + nx] + (v[q + nx + 1] - v[q + nx]) * fx;
  const front = front0 + (front1 - front0) * fy;
  return front + (back0 + (back1 - back0) * fy - front) * fz;
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

/** How open each vertex is to the sky, 0 to 1, counting what the grid holds and the ground at `groundY`. */
export function bakeOcclusion(
  { positions: p, normals: n }: Surface,
  grid: DistanceGrid,
  groundY: number,
): Float32Array {
  const open = new Float32Array(p.length / 3);
  const total = RAYS.reduce((sum, ray) => sum + ray[4], 0) * TAPS.reduce((sum, tap) => sum + tap[1], 0);
  for (let i = 0; i < open.length; i++) {
    const o = i * 3;
    const a = n[o];
    const b = n[o + 1];
    const c = n[o + 2];
    const steep = Math.abs(b) < 0.8;
    const l = steep ? Math.hypot(a, c) : Math.hypot(b, c);
    const tx = steep ? -c / l : 0;
    const ty = steep ? 0 : -c / l;
    const tz = (steep ? a : b) / l;
    const ux = b * tz - c * ty;
    const uy = c * tx - a * tz;
    const uz = a * ty - b * tx;
    let blocked = 0;
    for (let r = 0; r < RAYS.length; r++) {
      const ray = RAYS[r];
      const along = ray[2] * ray[1];
      const across = ray[3] * ray[1];
      const dx = a * ray[0] + tx * along + ux * across;
      const dy = b * ray[0] + ty * along + uy * across;
      const dz = c * ray[0] + tz * along + uz * across;
      // From the far end: open there means open all the way, for distances cannot shrink faster than one goes.
      for (let k = TAPS.length - 1; k >= 0; k--) {
        const t = TAPS[k][0];
        const expected = ray[0] * t * 0.92;
        const y = p[o + 1] + dy * t;
        const near = sampleGrid(grid, p[o] + dx * t, y, p[o + 2] + dz * t);
        const missing = 1 - Math.min(near, y - groundY) / expected;
        if (missing > 0) blocked += ray[4] * TAPS[k][1] * Math.min(1, missing);
        else if (k === TAPS.length - 1) break;
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
