import { type Field, fieldDistance, JOINT_STRIDE, lastOwner, narrow, primitiveDistance, SHAPE } from './field';
import type { Vec3 } from '../skeleton/vector';

/** A ball meshed more finely than the rest: head, hands, feet. `h` is its cell size, head heights. */
export interface Patch {
  center: Vec3;
  radius: number;
  h: number;
}

export interface Surface {
  /** xyz of each vertex, head heights. */
  positions: Float32Array;
  /** Unit normals. */
  normals: Float32Array;
  /** Three vertices a triangle, counter-clockwise seen from outside. */
  indices: Uint32Array;
  /** Which of PARTS each vertex belongs to, and how much nearer that part is than the next, head heights. */
  parts: Uint8Array;
  margins: Float32Array;
}

/** Samples per block edge, and blocks per super-block edge: empty space is discarded in two steps. */
const BLOCK = 4;
const SUPER = 3;
/** Cells by which patches and body overlap; they lie on the same level set, so the overlap does not show. */
const OVERLAP = 3;

const square = (v: number): number => v * v;
const distance2 = (p: Vec3, x: number, y: number, z: number): number =>
  square(x - p[0]) + square(y - p[1]) + square(z - p[2]);

/** Axis-aligned box around everything that adds flesh. */
export function fieldBounds(field: Field): { lo: Vec3; hi: Vec3 } {
  const lo: Vec3 = [Infinity, Infinity, Infinity];
  const hi: Vec3 = [-Infinity, -Infinity, -Infinity];
  for (let i = 0; i < field.count; i++) {
    if (field.shape[i] >= SHAPE.bump) continue;
    for (let k = 0; k < 3; k++) {
      lo[k] = Math.min(lo[k], field.center[i * 3 + k] - field.radius[i]);
      hi[k] = Math.max(hi[k], field.center[i * 3 + k] + field.radius[i]);
    }
  }
  return { lo, hi };
}

/**
 * Mesh the zero level set by surface nets (Gibson 1998), one Newton step along the gradient for each vertex, gradient normals.
 * @param h Cell size of the body, head heights.
 */
export function meshSurface(field: Field, h: number, patches: readonly Patch[]): Surface {
  const { lo, hi } = fieldBounds(field);
  const body = polygonize(field, h, lo, hi, {
    keeps: (x, y, z) => patches.every((p) => distance2(p.center, x, y, z) >= square(p.radius - OVERLAP * h)),
    skipsBlock: (x, y, z, r) =>
      patches.some((p) => Math.sqrt(distance2(p.center, x, y, z)) + r < p.radius - (OVERLAP + 2.5) * h),
  });
  const fine = patches.map((patch, i) => {
    const { center: c, radius: r } = patch;
    const earlier = patches.slice(0, i);
    return polygonize(field, patch.h, [c[0] - r, c[1] - r, c[2] - r], [c[0] + r, c[1] + r, c[2] + r], {
      keeps: (x, y, z) =>
        distance2(c, x, y, z) < r * r &&
        earlier.every((p) => distance2(p.center, x, y, z) >= square(p.radius - OVERLAP * Math.max(patch.h, p.h))),
      skipsBlock: (x, y, z, blockRadius) => distance2(c, x, y, z) > square(r + blockRadius + 2 * patch.h),
    });
  });
  return concatenate([body, ...fine]);
}

function concatenate(parts: readonly Surface[]): Surface {
  const size = (key: 'positions' | 'indices'): number => parts.reduce((sum, p) => sum + p[key].length, 0);
  const positions = new Float32Array(size('positions'));
  const normals = new Float32Array(positions.length);
  const indices = new Uint32Array(size('indices'));
  const owners = new Uint8Array(positions.length / 3);
  const margins = new Float32Array(positions.length / 3);
  let vertex = 0;
  let index = 0;
  for (const part of parts) {
    positions.set(part.positions, vertex * 3);
    normals.set(part.normals, vertex * 3);
    owners.set(part.parts, vertex);
    margins.set(part.margins, vertex);
    for (const i of part.indices) indices[index++] = i + vertex;
    vertex += part.positions.length / 3;
  }
  return { positions, normals, indices, parts: owners, margins };
}

interface Region {
  keeps: (x: number, y: number, z: number) => boolean;
  skipsBlock: (x: number, y: number, z: number, radius: number) => boolean;
}
interface Samples {
  size: Vec3;
  values: Float32Array;
  /** Active blocks: their coordinates (3 each) and the primitives that matter there. */
  blocks: number[];
  lists: Int16Array[];
}

function sampleBlocks(field: Field, h: number, lo: Vec3, hi: Vec3, region: Region): Samples {
  const blocksPer = [0, 1, 2].map((k) => Math.ceil((hi[k] - lo[k]) / h / BLOCK) + 1) as Vec3;
  const size = blocksPer.map((b) => b * BLOCK) as Vec3;
  const values = new Float32Array(size[0] * size[1] * size[2]).fill(NaN);
  const blocks: number[] = [];
  const lists: Int16Array[] = [];
  const near = new Int16Array(field.count);
  const list = new Int16Array(field.count);
  const half = h * BLOCK * 0.5 * Math.sqrt(3);
  const halfSuper = half * SUPER;
  const nearest = { d: 0 };

  /** Keep from `from` the primitives that can shape the surface within `radius` of a point; `nearest.d` is the closest of them. */
  const cull = (
    from: Int16Array | null,
    fromCount: number,
    into: Int16Array,
    x: number,
    y: number,
    z: number,
    radius: number,
    jointReach: number,
  ): number => {
    let n = 0;
    nearest.d = Infinity;
    for (let q = 0; q < fromCount; q++) {
      const i = from ? from[q] : q;
      const reach = Math.max(field.reach[i], jointReach);
      const d2 =
        square(x - field.center[i * 3]) + square(y - field.center[i * 3 + 1]) + square(z - field.center[i * 3 + 2]);
      if (d2 > square(field.radius[i] + radius + reach)) continue;
      if (field.shape[i] < SHAPE.bump) {
        const d = primitiveDistance(field, i, x, y, z);
        if (d - radius * 1.15 > reach) continue;
        if (d < nearest.d) nearest.d = d;
      }
      into[n++] = i;
    }
    return n;
  };

  for (let Z = 0; Z < blocksPer[2]; Z += SUPER)
    for (let Y = 0; Y < blocksPer[1]; Y += SUPER)
      for (let X = 0; X < blocksPer[0]; X += SUPER) {
        const mid = (b: number, axis: number, span: number): number =>
          lo[axis] + (b * BLOCK + (BLOCK * span - 1) / 2) * h;
        const [cx, cy, cz] = [mid(X, 0, SUPER), mid(Y, 1, SUPER), mid(Z, 2, SUPER)];
        if (region.skipsBlock(cx, cy, cz, halfSuper)) continue;
        let jointReach = 0;
        for (let o = 0; o < field.joints.length; o += JOINT_STRIDE) {
          const d2 = square(cx - field.joints[o]) + square(cy - field.joints[o + 1]) + square(cz - field.joints[o + 2]);
          if (d2 < square(field.joints[o + 5] + halfSuper))
            jointReach = Math.max(jointReach, field.joints[o + 3] * 0.8);
        }
        const nearCount = cull(null, field.count, near, cx, cy, cz, halfSuper, jointReach);
        if (nearest.d >= halfSuper * 1.25 + 2 * h) continue;
        for (let bz = Z; bz < Math.min(Z + SUPER, blocksPer[2]); bz++)
          for (let by = Y; by < Math.min(Y + SUPER, blocksPer[1]); by++)
            for (let bx = X; bx < Math.min(X + SUPER, blocksPer[0]); bx++) {
              const [x, y, z] = [mid(bx, 0, 1), mid(by, 1, 1), mid(bz, 2, 1)];
              if (region.skipsBlock(x, y, z, half)) continue;
              const n = cull(near, nearCount, list, x, y, z, half, jointReach);
              if (nearest.d > half * 1.25 + 2 * h + 0.05) continue;
              if (Math.abs(fieldDistance(field, list, n, x, y, z)) > half * 1.2 + 1.8 * h) continue;
              blocks.push(bx, by, bz);
              const kept = list.slice(0, n);
              lists.push(kept);
              sampleBlock(field, kept, values, size, lo, h, bx, by, bz);
            }
      }
  return { size, values, blocks, lists };
}

/** Half diagonal of two samples' span and a cell more, in cells: a first sample farther from the surface than this decides for its eight. */
const FAR_CELLS = 4.2;

/** Reused by every block. */
const fewOfBlock = new Int16Array(1024);

/** Fill one block, eight samples at a time; where the surface is provably more than a cell away all eight take the first one's value. */
function sampleBlock(
  field: Field,
  list: Int16Array,
  values: Float32Array,
  size: Vec3,
  lo: Vec3,
  h: number,
  bx: number,
  by: number,
  bz: number,
): void {
  const count = list.length;
  const few = fewOfBlock;
  const sy = size[0];
  const sz = size[0] * size[1];
  for (let k = 0; k < BLOCK; k += 2)
    for (let j = 0; j < BLOCK; j += 2)
      for (let i = 0; i < BLOCK; i += 2) {
        const o = bx * BLOCK + i + (by * BLOCK + j) * sy + (bz * BLOCK + k) * sz;
        const x = lo[0] + (bx * BLOCK + i) * h;
        const y = lo[1] + (by * BLOCK + j) * h;
        const z = lo[2] + (bz * BLOCK + k) * h;
        const first = fieldDistance(field, list, count, x, y, z);
        values[o] = first;
        const far = first > FAR_CELLS * h || first < -FAR_CELLS * h;
        const m = far ? 0 : narrow(field, list, count, few, x + h / 2, y + h / 2, z + h / 2, 2 * h);
        for (let q = 1; q < 8; q++) {
          const at = o + (q & 1) + ((q >> 1) & 1) * sy + (q >> 2) * sz;
          values[at] = far
            ? first
            : fieldDistance(field, few, m, x + (q & 1) * h, y + ((q >> 1) & 1) * h, z + (q >> 2) * h);
        }
      }
}

/** Cell edges by corner number (bit 0 x, bit 1 y, bit 2 z), two corners an edge, four edges along each axis. */
const EDGES = Int8Array.of(0, 1, 2, 3, 4, 5, 6, 7, 0, 2, 1, 3, 4, 6, 5, 7, 0, 4, 1, 5, 2, 6, 3, 7);
function polygonize(field: Field, h: number, lo: Vec3, hi: Vec3, region: Region): Surface {
  const { size, values, blocks, lists } = sampleBlocks(field, h, lo, hi, region);
  const sy = size[0];
  const sz = size[0] * size[1];
  const vertexOf = new Int32Array(values.length).fill(-1);
  const positions: number[] = [];
  const normals: number[] = [];
  const cells: number[] = [];
  const parts: number[] = [];
  const margins: number[] = [];
  const value = new Float64Array(8);
  const few = new Int16Array(field.count);
  const eps = Math.min(0.012, h * 0.6);
  for (let b = 0; b < lists.length; b++) {
    const list = lists[b];
    const n = list.length;
    for (let k = 0; k < BLOCK; k++)
      for (let j = 0; j < BLOCK; j++)
        for (let i = 0; i < BLOCK; i++) {
          const X = blocks[b * 3] * BLOCK + i;
          const Y = blocks[b * 3 + 1] * BLOCK + j;
          const Z = blocks[b * 3 + 2] * BLOCK + k;
          if (X >= size[0] - 1 || Y >= size[1] - 1 || Z >= size[2] - 1) continue;
          const o = X + Y * sy + Z * sz;
          const v0 = values[o];
          const v1 = values[o + 1];
          const v2 = values[o + sy];
          const v3 = values[o + sy + 1];
          const v4 = values[o + sz];
          const v5 = values[o + sz + 1];
          const v6 = values[o + sz + sy];
          const v7 = values[o + sz + sy + 1];
          const first = v0 < 0;
          if (
            v1 < 0 === first &&
            v2 < 0 === first &&
            v3 < 0 === first &&
            v4 < 0 === first &&
            v5 < 0 === first &&
            v6 < 0 === first &&
            v7 < 0 === first
          )
            continue;
          // A corner that no active block sampled is not a number, and makes the sum so.
          if (Number.isNaN(v0 + v1 + v2 + v3 + v4 + v5 + v6 + v7)) continue;
          value[0] = v0;
          value[1] = v1;
          value[2] = v2;
          value[3] = v3;
          value[4] = v4;
          value[5] = v5;
          value[6] = v6;
          value[7] = v7;
          let px = 0;
          let py = 0;
          let pz = 0;
          let crossings = 0;
          for (let e = 0; e < 12; e++) {
            const a = EDGES[2 * e];
            const va = value[a];
            const vc = value[EDGES[2 * e + 1]];
            if (va < 0 === vc < 0) continue;
            const t = va / (va - vc);
            px += (a & 1) + (e < 4 ? t : 0);
            py += ((a >> 1) & 1) + (e >= 4 && e < 8 ? t : 0);
            pz += (a >> 2) + (e >= 8 ? t : 0);
            crossings++;
          }
          const x = lo[0] + (X + px / crossings) * h;
          const y = lo[1] + (Y + py / crossings) * h;
          const z = lo[2] + (Z + pz / crossings) * h;
          if (!region.keeps(x, y, z)) continue;
          // Gradient from the corners of a tetrahedron, then one Newton step of at most 0.7 cells.
          const m = narrow(field, list, n, few, x, y, z, 4 * eps);
          const f0 = fieldDistance(field, few, m, x + eps, y - eps, z - eps);
          const f1 = fieldDistance(field, few, m, x - eps, y - eps, z + eps);
          const f2 = fieldDistance(field, few, m, x - eps, y + eps, z - eps);
          const f3 = fieldDistance(field, few, m, x + eps, y + eps, z + eps);
          const owner = lastOwner();
          parts.push(owner.part);
          margins.push(owner.margin);
          const gx = f0 - f1 - f2 + f3;
          const gy = -f0 - f1 + f2 + f3;
          const gz = -f0 + f1 - f2 + f3;
          const size3 = Math.hypot(gx, gy, gz) || 1;
          const newton = -(f0 + f1 + f2 + f3) / 4 / Math.max(0.5, size3 / (4 * eps));
          const step = Math.max(-0.7 * h, Math.min(0.7 * h, newton)) / size3;
          vertexOf[o] = positions.length / 3;
          positions.push(x + gx * step, y + gy * step, z + gz * step);
          normals.push(gx / size3, gy / size3, gz / size3);
          cells.push(o);
        }
  }
  return {
    positions: Float32Array.from(positions),
    normals: Float32Array.from(normals),
    indices: connect(cells, values, vertexOf, positions, [1, sy, sz]),
    parts: Uint8Array.from(parts),
    margins: Float32Array.from(margins),
  };
}

/** Two triangles for each grid edge that crosses the surface, split along the shorter diagonal. */
function connect(
  cells: readonly number[],
  values: Float32Array,
  vertexOf: Int32Array,
  positions: readonly number[],
  stride: Vec3,
): Uint32Array {
  const gap2 = (p: number, q: number): number =>
    square(positions[p * 3] - positions[q * 3]) +
    square(positions[p * 3 + 1] - positions[q * 3 + 1]) +
    square(positions[p * 3 + 2] - positions[q * 3 + 2]);
  const out = new Uint32Array(cells.length * 18);
  let n = 0;
  for (const o of cells)
    for (let axis = 0; axis < 3; axis++) {
      const u = stride[(axis + 1) % 3];
      const w = stride[(axis + 2) % 3];
      const from = values[o];
      if (from < 0 === values[o + stride[axis]] < 0 || o - u - w < 0) continue;
      const [a, b, c, d] = [vertexOf[o], vertexOf[o - u], vertexOf[o - u - w], vertexOf[o - w]];
      if (b < 0 || c < 0 || d < 0) continue;
      const quad = from < 0 ? [a, b, c, d] : [a, d, c, b];
      const first = gap2(quad[0], quad[2]) <= gap2(quad[1], quad[3]) ? 0 : 1;
      const at = (q: number): number => quad[(q + first) % 4];
      for (const q of [0, 1, 2, 0, 2, 3]) out[n++] = at(q);
    }
  return out.subarray(0, n);
}
