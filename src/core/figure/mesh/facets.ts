import { norm3 } from '../../norms';
import { group, range } from 'd3-array';
import { normalize, type Vec3 } from '../skeleton/vector';

/** The faces of a mesh gathered into planes: the plane of each face, by number. */
export interface Facets {
  count: number;
  ofFace: Uint16Array;
  /** Vertices where just two planes meet, each with its two neighbors along that border. */
  borders: Uint32Array;
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

/** So many planes has the smallest piece: fewer would be no solid. */
const AROUND = 4;
/** Patches of a group with fewer faces than this belong to what is beside them. */
const SPECK = 10;

/** The connected pieces that groups consist of: a number for each face. */
function pieces(beside: Int32Array, group: (face: number) => number): Int32Array {
  const faces = beside.length / 4;
  const own = Int32Array.from({ length: faces }, (_, f) => group(f));
  const flood = (whenSmall?: (found: number[]) => void): Int32Array => {
    const out = new Int32Array(faces).fill(-1);
    for (let first = 0; first < faces; first++) {
      if (out[first] >= 0) continue;
      const found = [first];
      out[first] = first;
      for (const f of found)
        for (let k = 0; k < 4; k++) {
          const other = beside[f * 4 + k];
          if (other >= 0 && out[other] < 0 && own[other] === own[f]) {
            out[other] = first;
            found.push(other);
          }
        }
      if (found.length < SPECK) whenSmall?.(found);
    }
    return out;
  };
  flood((speck) => {
    const inside = new Set(speck);
    for (const f of speck)
      for (let k = 0; k < 4; k++) {
        const other = beside[f * 4 + k];
        if (other < 0 || inside.has(other)) continue;
        for (const one of speck) own[one] = own[other];
        return;
      }
  });
  return flood();
}

/**
 * Gather faces into so many planes, each of one piece, as near to flat as they can be: seeds grow over their neighbors, least bent
 * first, and begin anew from their flattest faces.
 * Source: D. Cohen-Steiner, P. Alliez and M. Desbrun, "Variational shape approximation", SIGGRAPH 2004, with the L2,1 metric.
 * @param count At least; each piece of a group has some of its own.
 * @param weight How many planes a face asks for against others: more where small forms matter.
 * @param bends Groups that bend against each other: no plane reaches over two of them.
 */
export function facetsOf(
  p: Float32Array,
  quads: Uint32Array,
  count: number,
  weight: (face: number) => number,
  bends: (face: number) => number,
): Facets {
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
  const piece = pieces(beside, bends);
  for (const [name, members] of group(range(faces), (f) => piece[f])) {
    if (seeds.filter((f) => piece[f] === name).length >= AROUND) continue;
    const share = members.length / AROUND;
    const more = Array.from({ length: AROUND }, (_, i) => members[Math.floor((i + 0.5) * share)]);
    seeds.push(...more.filter((f, i) => !seeds.includes(f) && more.indexOf(f) === i));
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
        if (other >= 0 && !taken[other] && piece[other] === piece[face]) put(other, facet);
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
  return { count: seeds.length, ofFace, borders: bordersOf(p.length / 3, quads, ofFace) };
}

/** Vertices on the way between two corners of a plane: [vertex, the one before, the one after] of each. */
function bordersOf(vertices: number, quads: Uint32Array, ofFace: Uint16Array): Uint32Array {
  const beside = facesBeside(quads);
  const along = Array.from({ length: vertices }, (): number[] => []);
  const planes = Array.from({ length: vertices }, () => new Set<number>());
  for (let i = 0; i < quads.length; i++) {
    const [a, b] = [quads[i], quads[(i & ~3) + ((i + 1) & 3)]];
    planes[a].add(ofFace[i >> 2]);
    // Each border is met from both sides.
    if (beside[i] > i >> 2 && ofFace[beside[i]] !== ofFace[i >> 2]) {
      along[a].push(b);
      along[b].push(a);
    }
  }
  return Uint32Array.from(
    along.flatMap((ends, v) => (ends.length === 2 && planes[v].size === 2 ? [v, ends[0], ends[1]] : [])),
  );
}

/** How often borders are straightened. */
const STRAIGHTENED = 14;

/** How far a vertex goes onto the planes it touches: all of the way would tear none, but thin forms would collapse. */
const FLATTENED = [0.7, 0.3, 0.3] as const;

/**
 * A mesh as its planes: vertices brought onto them, each plane with its one normal.
 * @returns Vertices of their own for every plane, which vertex of the mesh each was, and its plane.
 */
export function faceted(
  p: Float32Array,
  quads: Uint32Array,
  { count, ofFace, borders }: Facets,
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
    const l = norm3(normal[i * 3], normal[i * 3 + 1], normal[i * 3 + 2]) || 1;
    for (let k = 0; k < 3; k++) {
      normal[i * 3 + k] /= l;
      middle[i * 3 + k] /= size[i] || 1;
    }
  }
  // Each vertex onto all the planes around it, by turns.
  const around = Array.from({ length: p.length / 3 }, () => new Set<number>());
  for (let i = 0; i < quads.length; i++) around[quads[i]].add(ofFace[i >> 2]);
  const flat = p.slice();
  const flatten = (v: number, share: number): void => {
    for (const i of around[v]) {
      const off = [0, 1, 2].reduce((sum, k) => sum + normal[i * 3 + k] * (flat[v * 3 + k] - middle[i * 3 + k]), 0);
      for (let k = 0; k < 3; k++) flat[v * 3 + k] -= normal[i * 3 + k] * off * share;
    }
  };
  for (let v = 0; v < around.length; v++) for (const share of FLATTENED) flatten(v, share);
  // An edge between two corners is straight.
  for (let turn = 0; turn < STRAIGHTENED; turn++)
    for (let i = 0; i < borders.length; i += 3) {
      const [v, a, b] = [borders[i] * 3, borders[i + 1] * 3, borders[i + 2] * 3];
      for (let k = 0; k < 3; k++) flat[v + k] += ((flat[a + k] + flat[b + k]) / 2 - flat[v + k]) * 0.9;
    }
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
