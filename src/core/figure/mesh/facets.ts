import { normalize, type Vec3 } from '../skeleton/vector';

/** The faces of a mesh gathered into planes: the plane of each face, by number. */
export interface Facets {
  count: number;
  ofFace: Uint16Array;
}

const ROUNDS = 12;

/** Area-weighted normal, middle and area of each quad. */
function faceFrames(p: Float32Array, quads: Uint32Array): { n: Float32Array; c: Float32Array; area: Float32Array } {
  const faces = quads.length / 4;
  const n = new Float32Array(faces * 3);
  const c = new Float32Array(faces * 3);
  const area = new Float32Array(faces);
  for (let f = 0; f < faces; f++) {
    const [i, j, k, l] = [0, 1, 2, 3].map((q) => quads[f * 4 + q] * 3);
    const u = [0, 1, 2].map((a) => p[k + a] - p[i + a]);
    const v = [0, 1, 2].map((a) => p[l + a] - p[j + a]);
    const cross: Vec3 = [u[1] * v[2] - u[2] * v[1], u[2] * v[0] - u[0] * v[2], u[0] * v[1] - u[1] * v[0]];
    const size = Math.hypot(...cross) || 1e-9;
    area[f] = size / 2;
    for (let a = 0; a < 3; a++) {
      n[f * 3 + a] = cross[a] / size;
      c[f * 3 + a] = (p[i + a] + p[j + a] + p[k + a] + p[l + a]) / 4;
    }
  }
  return { n, c, area };
}

/** Faces beside each face, -1 where there is none. */
function facesBeside(quads: Uint32Array): Int32Array {
  const out = new Int32Array(quads.length).fill(-1);
  const open = new Map<string, number>();
  for (let i = 0; i < quads.length; i++) {
    const [a, b] = [quads[i], quads[(i & ~3) + ((i + 1) & 3)]];
    const other = open.get(`${String(b)} ${String(a)}`);
    if (other === undefined) open.set(`${String(a)} ${String(b)}`, i);
    else {
      out[i] = other >> 2;
      out[other] = i >> 2;
    }
  }
  return out;
}

/**
 * Gather faces into so many planes, each of one piece, as near to flat as they can be: seeds grow over their neighbors, least bent
 * first, and begin anew from their flattest faces.
 * Source: D. Cohen-Steiner, P. Alliez and M. Desbrun, "Variational shape approximation", SIGGRAPH 2004, with the L2,1 metric.
 * @param weight How many planes a face asks for against others: more where small forms matter.
 */
export function facetsOf(p: Float32Array, quads: Uint32Array, count: number, weight: (face: number) => number): Facets {
  const faces = quads.length / 4;
  const { n, area } = faceFrames(p, quads);
  const beside = facesBeside(quads);
  // Seeds in proportion to what their faces weigh.
  const total = area.reduce((sum, a, f) => sum + a * weight(f), 0);
  const seeds: number[] = [];
  for (let f = 0, run = 0; f < faces; f++) {
    run += area[f] * weight(f);
    if (run >= ((seeds.length + 0.5) * total) / count) seeds.push(f);
  }
  const ofFace = new Uint16Array(faces);
  const normals = seeds.map((f): Vec3 => [n[f * 3], n[f * 3 + 1], n[f * 3 + 2]]);
  const bend = (f: number, facet: number): number =>
    area[f] *
    weight(f) *
    ((n[f * 3] - normals[facet][0]) ** 2 +
      (n[f * 3 + 1] - normals[facet][1]) ** 2 +
      (n[f * 3 + 2] - normals[facet][2]) ** 2);
  for (let round = 0; round < ROUNDS; round++) {
    const taken = new Uint8Array(faces);
    // Least bent first: buckets of rising cost stand in for a heap.
    const queue: [cost: number, face: number, facet: number][][] = [];
    const put = (face: number, facet: number): void => {
      const cost = bend(face, facet);
      const bucket = Math.min(4095, Math.floor(Math.sqrt(cost / total) * 40000));
      (queue[bucket] ??= []).push([cost, face, facet]);
      lowest = Math.min(lowest, bucket);
    };
    let lowest = 0;
    seeds.forEach(put);
    for (; lowest < 4096;) {
      const next = queue[lowest]?.pop();
      if (!next) {
        lowest++;
        continue;
      }
      const [, face, facet] = next;
      if (taken[face]) continue;
      taken[face] = 1;
      ofFace[face] = facet;
      for (let k = 0; k < 4; k++) {
        const other = beside[face * 4 + k];
        if (other >= 0 && !taken[other]) put(other, facet);
      }
    }
    const sums = seeds.map((): Vec3 => [0, 0, 0]);
    for (let f = 0; f < faces; f++) for (let k = 0; k < 3; k++) sums[ofFace[f]][k] += n[f * 3 + k] * area[f];
    sums.forEach((sum, i) => {
      normals[i] = normalize(sum);
    });
    const flattest = seeds.map(() => Infinity);
    for (let f = 0; f < faces; f++) {
      const cost = bend(f, ofFace[f]);
      if (cost < flattest[ofFace[f]]) {
        flattest[ofFace[f]] = cost;
        seeds[ofFace[f]] = f;
      }
    }
  }
  return { count: seeds.length, ofFace };
}

/** How far a vertex goes onto the planes it touches: all of the way would tear none, but thin forms would collapse. */
const FLATTENED = 0.7;

/**
 * A mesh as its planes: vertices brought onto them, each plane with its one normal.
 * @returns Vertices of their own for every plane, which vertex of the mesh each was, and its plane.
 */
export function faceted(
  p: Float32Array,
  quads: Uint32Array,
  { count, ofFace }: Facets,
): { positions: Float32Array; normals: Float32Array; indices: Uint32Array; source: Uint32Array; facet: Uint16Array } {
  const { n, c, area } = faceFrames(p, quads);
  const normal = new Float64Array(count * 3);
  const middle = new Float64Array(count * 3);
  const size = new Float64Array(count);
  for (let f = 0; f < ofFace.length; f++) {
    size[ofFace[f]] += area[f];
    for (let k = 0; k < 3; k++) {
      normal[ofFace[f] * 3 + k] += n[f * 3 + k] * area[f];
      middle[ofFace[f] * 3 + k] += c[f * 3 + k] * area[f];
    }
  }
  for (let i = 0; i < count; i++) {
    const l = Math.hypot(normal[i * 3], normal[i * 3 + 1], normal[i * 3 + 2]) || 1;
    for (let k = 0; k < 3; k++) {
      normal[i * 3 + k] /= l;
      middle[i * 3 + k] /= size[i] || 1;
    }
  }
  // Each vertex onto all the planes around it, by turns.
  const around = Array.from({ length: p.length / 3 }, () => new Set<number>());
  for (let i = 0; i < quads.length; i++) around[quads[i]].add(ofFace[i >> 2]);
  const flat = p.slice();
  around.forEach((planes, v) => {
    for (let turn = 0; turn < 3; turn++)
      for (const i of planes) {
        const off = [0, 1, 2].reduce((sum, k) => sum + normal[i * 3 + k] * (flat[v * 3 + k] - middle[i * 3 + k]), 0);
        for (let k = 0; k < 3; k++) flat[v * 3 + k] -= normal[i * 3 + k] * off * (turn === 0 ? FLATTENED : 0.3);
      }
  });
  const own = new Map<number, number>();
  const source: number[] = [];
  const facet: number[] = [];
  const indices: number[] = [];
  for (let f = 0; f < ofFace.length; f++) {
    const corners = [0, 1, 2, 3].map((k) => {
      const key = quads[f * 4 + k] * count + ofFace[f];
      let at = own.get(key);
      if (at === undefined) {
        own.set(key, (at = source.length));
        source.push(quads[f * 4 + k]);
        facet.push(ofFace[f]);
      }
      return at;
    });
    indices.push(corners[0], corners[1], corners[2], corners[0], corners[2], corners[3]);
  }
  return {
    positions: Float32Array.from(source.flatMap((v) => [flat[v * 3], flat[v * 3 + 1], flat[v * 3 + 2]])),
    normals: Float32Array.from(facet.flatMap((i) => [normal[i * 3], normal[i * 3 + 1], normal[i * 3 + 2]])),
    indices: Uint32Array.from(indices),
    source: Uint32Array.from(source),
    facet: Uint16Array.from(facet),
  };
}
