import { PARTS } from './sculptor';

/**
 * The signed distance field of a posed body, packed into typed arrays so that the evaluator runs without allocation.
 *
 * Layout of one primitive in `params` (STRIDE numbers); a, b, u, v, n are unit vectors in world space:
 *   all        0-2 origin, 22 blend radius
 *   tube       3-5 axis, 6 length, 7-9 u, 10-12 v, 13-14 flattening along u and v, 15-16 end radii, 17 bulge, 18 where it is
 *              thickest, 19-21 bow, 23 reciprocal length, 24-25 reciprocal flattenings, 26-27 reciprocals of 18 and of 1 less it
 *   ellipsoid  3-5 x axis, 6-8 y, 9-11 z, 12-14 reciprocal radii, 15 least radius, 17-19 clip normal, 20 clip offset, 21 clipped
 *   bump       as ellipsoid, 16 amplitude
 *   loft       3-5 x axis, 6-8 y, 9-11 z, 12 first y, 13 table steps per length, 14 table start, 15-16 end caps, 17 squareness,
 *              18 length
 *   groove     3-5 axis, 6 length, 7 reciprocal width, 8 amplitude, 9 fading share
 * Distances of flattened shapes are the first-order estimate k0 (k0 - 1) / k1 (Quilez, "ellipsoid distance"), bounded below by the
 * least radius, without which culling would cut holes into thin masses.
 */
export const STRIDE = 40;
export const LOFT_SAMPLES = 40;
export const LOFT_WIDTH = 8;
export const JOINT_STRIDE = 8;
export const SHAPE = { tube: 0, ellipsoid: 1, loft: 2, bump: 3, groove: 4 } as const;
/** Nothing of a part near: a distance larger than any figure. */
const FAR = 1e3;
const ABSENT = 500;

export interface Field {
  count: number;
  shape: Int8Array;
  part: Int8Array;
  params: Float64Array;
  loftTable: Float32Array;
  joints: Float64Array;
  /** How far a primitive can still influence the surface through blending. */
  reach: Float64Array;
  /** Bounding spheres: centers (3 each) and radii. */
  center: Float64Array;
  radius: Float64Array;
}

const partDistance = new Float64Array(PARTS.length);

/** Distance from a point to one primitive; for bumps and grooves, how far they raise the surface there. */
export function primitiveDistance(f: Field, index: number, x: number, y: number, z: number): number {
  const p = f.params;
  const o = index * STRIDE;
  const dx = x - p[o];
  const dy = y - p[o + 1];
  const dz = z - p[o + 2];
  switch (f.shape[index]) {
    case SHAPE.tube:
      return tube(p, o, dx, dy, dz);
    case SHAPE.ellipsoid:
      return ellipsoid(p, o, dx, dy, dz, x, y, z);
    case SHAPE.loft:
      return loft(p, f.loftTable, o, dx, dy, dz);
    case SHAPE.bump:
      return bump(p, o, dx, dy, dz);
    default:
      return groove(p, o, dx, dy, dz);
  }
}

function tube(p: Float64Array, o: number, dx: number, dy: number, dz: number): number {
  const s = dx * p[o + 3] + dy * p[o + 4] + dz * p[o + 5];
  const t = s * p[o + 23];
  const tc = t < 0 ? 0 : t > 1 ? 1 : t;
  let r = p[o + 15] + (p[o + 16] - p[o + 15]) * tc;
  if (p[o + 17] > 0) {
    const tm = p[o + 18];
    const e = tc < tm ? (tm - tc) * p[o + 26] : (tc - tm) * p[o + 27];
    const b = 1 - e * e;
    r += p[o + 17] * b * (0.35 + 0.65 * b);
  }
  const bow = 4 * tc * (1 - tc);
  const qx = dx - p[o + 19] * bow;
  const qy = dy - p[o + 20] * bow;
  const qz = dz - p[o + 21] * bow;
  const rw = 1 / r;
  const ru = rw * p[o + 24];
  const rv = rw * p[o + 25];
  const a = (qx * p[o + 7] + qy * p[o + 8] + qz * p[o + 9]) * ru;
  const b = (qx * p[o + 10] + qy * p[o + 11] + qz * p[o + 12]) * rv;
  const c = (s - tc * p[o + 6]) * rw;
  const k2 = a * a + b * b + c * c;
  if (k2 < 1e-8) return -r * p[o + 14];
  const k0 = Math.sqrt(k2);
  const a1 = a * ru;
  const b1 = b * rv;
  const c1 = c * rw;
  const d = (k0 * (k0 - 1)) / Math.sqrt(a1 * a1 + b1 * b1 + c1 * c1);
  const floor = -r * (p[o + 14] < p[o + 13] ? p[o + 14] : p[o + 13]);
  return d < floor ? floor : d;
}

function ellipsoid(
  p: Float64Array,
  o: number,
  dx: number,
  dy: number,
  dz: number,
  x: number,
  y: number,
  z: number,
): number {
  const ia = p[o + 12];
  const ib = p[o + 13];
  const ic = p[o + 14];
  const a = (dx * p[o + 3] + dy * p[o + 4] + dz * p[o + 5]) * ia;
  const b = (dx * p[o + 6] + dy * p[o + 7] + dz * p[o + 8]) * ib;
  const c = (dx * p[o + 9] + dy * p[o + 10] + dz * p[o + 11]) * ic;
  const k0 = Math.sqrt(a * a + b * b + c * c);
  if (k0 < 1e-5) return -p[o + 15];
  const a1 = a * ia;
  const b1 = b * ib;
  const c1 = c * ic;
  const raw = (k0 * (k0 - 1)) / Math.sqrt(a1 * a1 + b1 * b1 + c1 * c1);
  const d = raw < -p[o + 15] ? -p[o + 15] : raw;
  if (p[o + 21] === 0) return d;
  const e = p[o + 20] - (x * p[o + 17] + y * p[o + 18] + z * p[o + 19]);
  const gap = d > e ? d - e : e - d;
  let cut = d > e ? d : e;
  if (gap < 0.035) {
    const h = (0.035 - gap) / 0.035;
    cut += (h * h * h * 0.035) / 6;
  }
  return cut;
}

function loft(p: Float64Array, table: Float32Array, o: number, dx: number, dy: number, dz: number): number {
  let lx = dx * p[o + 3] + dy * p[o + 4] + dz * p[o + 5];
  const ly = dx * p[o + 6] + dy * p[o + 7] + dz * p[o + 8];
  let lz = dx * p[o + 9] + dy * p[o + 10] + dz * p[o + 11];
  const last = LOFT_SAMPLES - 1;
  let u = (ly - p[o + 12]) * p[o + 13];
  let beyond = 0;
  let cap = 1;
  if (u < 0) {
    cap = p[o + 15];
    beyond = (-u / last) * p[o + 18];
    u = 0;
  } else if (u > last) {
    cap = p[o + 16];
    beyond = ((u - last) / last) * p[o + 18];
    u = last;
  }
  let j = u | 0;
  if (j > last - 1) j = last - 1;
  const f = u - j;
  const g = 1 - f;
  const q = p[o + 14] + j * LOFT_WIDTH;
  lx -= table[q] * g + table[q + 8] * f;
  lz -= table[q + 1] * g + table[q + 9] * f;
  const sine = table[q + 7] * g + table[q + 15] * f;
  if (sine !== 0) {
    const cosine = table[q + 6] * g + table[q + 14] * f;
    const turned = cosine * lx - sine * lz;
    lz = sine * lx + cosine * lz;
    lx = turned;
  }
  const rx = lx > 0 ? table[q + 2] * g + table[q + 10] * f : table[q + 3] * g + table[q + 11] * f;
  const rz = lz > 0 ? table[q + 4] * g + table[q + 12] * f : table[q + 5] * g + table[q + 13] * f;
  const a = lx / rx;
  const b = lz / rz;
  const c = beyond / cap;
  const a2 = a * a;
  const b2 = b * b;
  const c2 = c * c;
  let k0 = Math.sqrt(a2 + b2 + c2);
  const floor = rx < rz ? -rx : -rz;
  if (k0 < 1e-5) return floor;
  const a1 = a / rx;
  const b1 = b / rz;
  const c1 = c / cap;
  const slope = k0 / Math.sqrt(a1 * a1 + b1 * b1 + c1 * c1);
  const square = p[o + 17];
  if (square > 0) k0 += (Math.sqrt(Math.sqrt(a2 * a2 + b2 * b2 + c2 * c2)) - k0) * square;
  const d = slope * (k0 - 1);
  return d < floor ? floor : d;
}

/** (1 - e/6)^6: like a Gaussian, but exactly zero beyond sqrt(6) radii, so that relief can be culled. */
function falloff(e: number): number {
  if (e > 6) return 0;
  const w = 1 - e / 6;
  const w2 = w * w;
  return w2 * w2 * w2;
}

function bump(p: Float64Array, o: number, dx: number, dy: number, dz: number): number {
  const a = (dx * p[o + 3] + dy * p[o + 4] + dz * p[o + 5]) * p[o + 12];
  const b = (dx * p[o + 6] + dy * p[o + 7] + dz * p[o + 8]) * p[o + 13];
  const c = (dx * p[o + 9] + dy * p[o + 10] + dz * p[o + 11]) * p[o + 14];
  return p[o + 16] * falloff(a * a + b * b + c * c);
}

function groove(p: Float64Array, o: number, dx: number, dy: number, dz: number): number {
  const len = p[o + 6];
  const s = dx * p[o + 3] + dy * p[o + 4] + dz * p[o + 5];
  const tc = s < 0 ? 0 : s > len ? len : s;
  const x = dx - p[o + 3] * tc;
  const y = dy - p[o + 4] * tc;
  const z = dz - p[o + 5] * tc;
  const w = falloff((x * x + y * y + z * z) * p[o + 7] * p[o + 7]);
  if (w === 0) return 0;
  let amp = p[o + 8];
  const fade = p[o + 9];
  if (fade > 0) {
    const t = tc / len;
    const end = (t < 1 - t ? t : 1 - t) / fade;
    if (end < 1) amp *= end * (2 - end) * 0.9 + 0.1;
  }
  return amp * w;
}

/** Cubic polynomial smooth minimum: min(a, b) less h^3 k / 6 where the two are within k of each other. */
function blend(a: number, b: number, k: number): number {
  const gap = a > b ? a - b : b - a;
  const least = a < b ? a : b;
  if (gap >= k) return least;
  const h = (k - gap) / k;
  return least - (h * h * h * k) / 6;
}

/** Blend a part with its parent by a radius that falls from its full value at the joint to nothing away from it. */
function blendAtJoint(
  joints: Float64Array,
  joint: number,
  a: number,
  b: number,
  x: number,
  y: number,
  z: number,
): number {
  const o = joint * JOINT_STRIDE;
  const kMax = joints[o + 3];
  const gap = a > b ? a - b : b - a;
  if (gap >= kMax) return a < b ? a : b;
  const dx = x - joints[o];
  const dy = y - joints[o + 1];
  const dz = z - joints[o + 2];
  let t = (Math.sqrt(dx * dx + dy * dy + dz * dz) - joints[o + 4]) / (joints[o + 5] - joints[o + 4]);
  t = t < 0 ? 0 : t > 1 ? 1 : t;
  t = t * t * (3 - 2 * t);
  const k = kMax + (joints[o + 6] - kMax) * t;
  return k <= 1e-5 ? (a < b ? a : b) : blend(a, b, k);
}

/** Distance of each part (in PARTS order) at a point, from the listed primitives. The array is reused by the next call. */
export function partDistances(
  f: Field,
  list: Int16Array,
  count: number,
  x: number,
  y: number,
  z: number,
): Float64Array {
  const acc = partDistance;
  acc.fill(FAR);
  for (let q = 0; q < count; q++) {
    const i = list[q];
    const part = f.part[i];
    const d = primitiveDistance(f, i, x, y, z);
    acc[part] = f.shape[i] >= SHAPE.bump ? acc[part] - d : blend(acc[part], d, f.params[i * STRIDE + 22]);
  }
  return acc;
}

const listed = new Float64Array(1024);
let nearestOfList = FAR;
/** The least distance that the last call of `narrow` met. */
export const nearestListed = (): number => nearestOfList;

/**
 * Of a block's primitives, those that can shape the surface within `slack` of a point: the rest are too far to blend.
 * @returns how many were put into `into`.
 */
export function narrow(
  f: Field,
  list: Int16Array,
  count: number,
  into: Int16Array,
  x: number,
  y: number,
  z: number,
  slack: number,
): number {
  const acc = partDistance;
  acc.fill(FAR);
  let least = FAR;
  for (let q = 0; q < count; q++) {
    const i = list[q];
    if (f.shape[i] >= SHAPE.bump) continue;
    const d = primitiveDistance(f, i, x, y, z);
    listed[q] = d;
    if (d < acc[f.part[i]]) acc[f.part[i]] = d;
    if (d < least) least = d;
  }
  nearestOfList = least;
  let n = 0;
  for (let q = 0; q < count; q++) {
    const i = list[q];
    const near = acc[f.part[i]];
    // A part counts while it can still blend with its neighbor at a joint.
    if (near > least + MAX_JOINT + slack) continue;
    // `reach` knows the widest blend still to come: a far mass can matter through those after it.
    if (f.shape[i] < SHAPE.bump && listed[q] > near + 1.5 * f.reach[i] + slack) continue;
    into[n++] = i;
  }
  return n;
}
/** No joint blends over more than this, head heights. */
const MAX_JOINT = 0.26;

const owner = { part: 0, margin: 0 };
/** The part nearest to the point last asked for, and by how much; the object is reused by the next call. */
export function lastOwner(): Readonly<typeof owner> {
  if (alone >= 0) {
    owner.part = alone;
    owner.margin = 1;
    return owner;
  }
  let second = FAR;
  let first = partDistance[0];
  owner.part = 0;
  for (let i = 1; i < partDistance.length; i++) {
    const d = partDistance[i];
    if (d < first) {
      second = first;
      first = d;
      owner.part = i;
    } else if (d < second) second = d;
  }
  owner.margin = Math.min(1, second - first);
  return owner;
}

/** The part last asked for when it was the only one near, otherwise -1. */
let alone = -1;

/** The same for a list whose primitives, being in order, all belong to one part: most places are like that. */
function onePartDistance(f: Field, list: Int16Array, count: number, x: number, y: number, z: number): number {
  let d = FAR;
  for (let q = 0; q < count; q++) {
    const i = list[q];
    const e = primitiveDistance(f, i, x, y, z);
    d = f.shape[i] >= SHAPE.bump ? d - e : blend(d, e, f.params[i * STRIDE + 22]);
  }
  alone = f.part[list[0]];
  return d;
}

/**
 * Signed distance of the whole figure at a point (negative inside), from the listed primitives. A limb is blended with the torso
 * joint by joint and the limbs are united by a plain minimum, so an arm against the chest never melts into it.
 */
export function fieldDistance(f: Field, list: Int16Array, count: number, x: number, y: number, z: number): number {
  if (count > 0 && f.part[list[0]] === f.part[list[count - 1]]) return onePartDistance(f, list, count, x, y, z);
  const acc = partDistances(f, list, count, x, y, z);
  alone = -1;
  const torso = acc[0];
  let best = torso;
  if (acc[1] < ABSENT) {
    const d = blendAtJoint(f.joints, 0, torso, acc[1], x, y, z);
    if (d < best) best = d;
  }
  for (let limb = 0; limb < 4; limb++) {
    const part = 2 + limb * 3;
    const joint = 1 + limb * 3;
    const upper = acc[part];
    const lower = acc[part + 1];
    const end = acc[part + 2];
    if (upper > ABSENT && lower > ABSENT && end > ABSENT) continue;
    let d = end > ABSENT ? lower : lower > ABSENT ? end : blendAtJoint(f.joints, joint + 2, lower, end, x, y, z);
    d = d > ABSENT ? upper : upper > ABSENT ? d : blendAtJoint(f.joints, joint + 1, upper, d, x, y, z);
    d = torso > ABSENT ? d : blendAtJoint(f.joints, joint, torso, d, x, y, z);
    if (d < best) best = d;
  }
  return best;
}
