import { type Field, JOINT_STRIDE, LOFT_SAMPLES, LOFT_WIDTH, SHAPE, STRIDE } from './field';
import type { Rig } from '../skeleton/kinematics';
import { type Anchor, isRelief, type Part, PARTS, type Primitive } from './sculptor';
import { boneScale, REST } from '../skeleton/skeleton';
import {
  aboutX,
  aboutY,
  aboutZ,
  add,
  clamp,
  conjugate,
  cross,
  dot,
  length,
  mix,
  normalize,
  type Quat,
  quatMul,
  quatProduct,
  rotate,
  scale,
  slerp,
  sub,
  type Vec3,
} from '../skeleton/vector';

/** Blends between parts: [parent, child, joint, radius at the joint, full within, gone beyond, radius left there]. */
const JOINTS: readonly [Part, Part, string, number, number, number, number][] = [
  ['torso', 'head', 'neck', 0.14, 0.55, 0.95, 0.02],
  ...(['L', 'R'] as const).flatMap((s): [Part, Part, string, number, number, number, number][] => [
    ['torso', `uarm.${s}`, `uarm.${s}`, 0.16, 0.3, 0.62, 0],
    [`uarm.${s}`, `farm.${s}`, `farm.${s}`, 0.09, 0.22, 0.45, 0],
    [`farm.${s}`, `hand.${s}`, `hand.${s}`, 0.08, 0.22, 0.42, 0],
  ]),
  ...(['L', 'R'] as const).flatMap((s): [Part, Part, string, number, number, number, number][] => [
    ['torso', `thigh.${s}`, `thigh.${s}`, 0.16, 0.45, 0.8, 0],
    [`thigh.${s}`, `calf.${s}`, `calf.${s}`, 0.12, 0.28, 0.52, 0],
    [`calf.${s}`, `foot.${s}`, `foot.${s}`, 0.1, 0.26, 0.45, 0],
  ]),
];
const MAX_BLEND = 0.24;

interface Frame {
  origin: Vec3;
  rot: Quat;
  /** Rest position of the origin, from which sculpted points are measured. */
  base: Vec3;
  scale: Vec3;
}

function frameOf(rig: Rig, name: string): Frame {
  const half = /^(.+)~(.+)@([\d.]+)$/.exec(name);
  if (!half)
    return { origin: rig.pos[name], rot: rig.rot[name], base: REST[name].p, scale: boneScale(rig.build, name) };
  const [, a, b, share] = half;
  const t = Number(share);
  const sa = boneScale(rig.build, a);
  const sb = boneScale(rig.build, b);
  return {
    origin: rig.pos[b],
    rot: slerp(rig.rot[a], rig.rot[b], t),
    base: REST[b].p,
    scale: [mix(sa[0], sb[0], t), mix(sa[1], sb[1], t), mix(sa[2], sb[2], t)],
  };
}

function toWorld(frame: Frame, p: Vec3): Vec3 {
  const l = sub(p, frame.base);
  return add(frame.origin, rotate(frame.rot, [l[0] * frame.scale[0], l[1] * frame.scale[1], l[2] * frame.scale[2]]));
}

const axes = (q: Quat): number[] => [...rotate(q, [1, 0, 0]), ...rotate(q, [0, 1, 0]), ...rotate(q, [0, 0, 1])];

/** Order within a part: stages in turn, big soft masses before small ones, so that culling margins can shrink along the list. */
function inOrder(primitives: readonly Primitive[]): Primitive[] {
  return primitives
    .map((p, i) => ({ p, i }))
    .sort(
      (a, b) =>
        PARTS.indexOf(a.p.part) - PARTS.indexOf(b.p.part) ||
        a.p.stage - b.p.stage ||
        (isRelief(a.p) || isRelief(b.p) ? 0 : b.p.k - a.p.k) ||
        a.i - b.i,
    )
    .map(({ p }) => p);
}

/** Place a sculpted body on a posed skeleton. */
export function compileField(primitives: readonly Primitive[], rig: Rig): Field {
  const sorted = inOrder(primitives);
  const count = sorted.length;
  const soft = rig.build.soft;
  const field: Field = {
    count,
    shape: new Int8Array(count),
    part: new Int8Array(count),
    params: new Float64Array(count * STRIDE),
    loftTable: new Float32Array(sorted.filter((p) => p.shape === 'loft').length * LOFT_SAMPLES * LOFT_WIDTH),
    joints: new Float64Array(JOINTS.length * JOINT_STRIDE),
    reach: new Float64Array(count),
    center: new Float64Array(count * 3),
    radius: new Float64Array(count),
  };
  let loftStart = 0;
  sorted.forEach((p, i) => {
    field.shape[i] = SHAPE[p.shape];
    field.part[i] = PARTS.indexOf(p.part);
    field.params[i * STRIDE + 22] = clamp(p.k * (p.k > 0.04 ? soft : 1), 1e-4, MAX_BLEND);
    switch (p.shape) {
      case 'tube':
        placeTube(field, i, p, rig);
        break;
      case 'ellipsoid':
      case 'bump':
        placeEllipsoid(field, i, p, rig);
        break;
      case 'loft':
        placeLoft(field, i, p, rig, loftStart);
        loftStart += LOFT_SAMPLES * LOFT_WIDTH;
        break;
      case 'groove':
        placeGroove(field, i, p, rig);
    }
  });
  for (let i = count - 1; i >= 0; i--) {
    if (field.shape[i] >= SHAPE.bump) continue;
    field.reach[i] = field.params[i * STRIDE + 22] * 0.8;
    if (i + 1 < count && field.part[i] === field.part[i + 1])
      field.reach[i] = Math.max(field.reach[i], field.reach[i + 1]);
  }
  JOINTS.forEach(([, , bone, k, full, gone, left], i) => {
    field.joints.set([...rig.pos[bone], k * soft, full, gone, left], i * JOINT_STRIDE);
  });
  return field;
}

function ends(rig: Rig, a: Anchor, b: Anchor): { A: Frame; B: Frame; from: Vec3; to: Vec3; len: number; dir: Vec3 } {
  const A = frameOf(rig, a[0]);
  const B = frameOf(rig, b[0]);
  const from = toWorld(A, a[1]);
  const to = toWorld(B, b[1]);
  const len = length(sub(to, from)) || 1e-6;
  return { A, B, from, to, len, dir: scale(sub(to, from), 1 / len) };
}

function placeTube(field: Field, i: number, p: Extract<Primitive, { shape: 'tube' }>, rig: Rig): void {
  const { A, B, from, to, len, dir } = ends(rig, p.a, p.b);
  // A muscle keeps its volume: it thickens when the joint brings its ends together.
  const ratio = (length(sub(p.b[1], p.a[1])) * (A.scale[1] + B.scale[1])) / 2 / len;
  const width = ((A.scale[0] + A.scale[2]) / 2 + (B.scale[0] + B.scale[2]) / 2) / 2;
  const bulging = p.vol === 0 ? 1 : Math.pow(clamp(ratio, 0.55, 2.4), p.vol ?? 0.4);
  const normalA = rotate(A.rot, normalize(p.n ?? [0, 0, 1]));
  const normalB = rotate(B.rot, normalize(p.n ?? [0, 0, 1]));
  const both = add(normalA, normalB);
  const normal = length(both) < 0.2 ? normalA : normalize(both);
  const across = (n: Vec3): Vec3 => sub(n, scale(dir, dot(n, dir)));
  let v = across(normal);
  if (length(v) < 0.05) v = across(normalA);
  if (length(v) < 0.02) v = cross(dir, [dir[1], dir[2], -dir[0]]);
  v = normalize(v);
  const u = cross(dir, v);
  const r0 = p.r0 * width;
  const r1 = p.r1 * width;
  const rm = (p.rm ?? 0) * width * bulging;
  const tm = p.tm ?? 0.5;
  const flat = p.flat ?? [1, 1];
  let bow: Vec3 = [0, 0, 0];
  if (p.bow) {
    bow = scale(add(rotate(A.rot, p.bow), rotate(B.rot, p.bow)), 0.5);
    if (p.bowLim !== undefined && ratio < 1) bow = scale(bow, Math.max(0, 1 - (1 / ratio - 1) * p.bowLim));
  }
  const bulge = p.rm === undefined ? 0 : Math.max(0, rm - mix(r0, r1, tm));
  field.params.set([...from, ...dir, len, ...u, ...v, ...flat, r0, r1, bulge, tm, ...bow], i * STRIDE);
  field.params.set([1 / len, 1 / flat[0], 1 / flat[1], 1 / tm, 1 / (1 - tm)], i * STRIDE + 23);
  field.center.set(scale(add(from, to), 0.5), i * 3);
  field.radius[i] = len / 2 + Math.max(r0, r1, rm) * Math.max(1, ...flat) + length(bow);
}

function placeEllipsoid(
  field: Field,
  i: number,
  p: Extract<Primitive, { shape: 'ellipsoid' | 'bump' }>,
  rig: Rig,
): void {
  const frame = frameOf(rig, p.frame);
  const center = toWorld(frame, p.c);
  const turn = p.shape === 'ellipsoid' ? (p.rot ?? [0, 0, 0]) : [0, 0, 0];
  const rot = quatMul(frame.rot, quatProduct(aboutY(turn[1]), aboutX(turn[0]), aboutZ(turn[2])));
  const r: Vec3 = [p.r[0] * frame.scale[0], p.r[1] * frame.scale[1], p.r[2] * frame.scale[2]];
  const amp = p.shape === 'bump' ? p.amp : 0;
  field.params.set([...center, ...axes(rot), 1 / r[0], 1 / r[1], 1 / r[2], Math.min(...r), amp], i * STRIDE);
  if (p.shape === 'ellipsoid' && p.clip) {
    const normal = rotate(frame.rot, normalize(p.clip.n));
    field.params.set([...normal, dot(normal, toWorld(frame, p.clip.p)), 1], i * STRIDE + 17);
  }
  field.center.set(center, i * 3);
  field.radius[i] = Math.max(...r) * (p.shape === 'bump' ? 2.5 : 1);
}

/** Cubic Hermite interpolation of column `column` of the stations at height y, with finite-difference tangents. */
function stationValue(ys: readonly number[], stations: readonly number[][], column: number, y: number): number {
  const last = ys.length - 1;
  const rising = ys[last] > ys[0];
  let k = 0;
  while (k < last - 1 && (rising ? y > ys[k + 1] : y < ys[k + 1])) k++;
  const slopeBetween = (a: number): number => (stations[a + 1][column] - stations[a][column]) / (ys[a + 1] - ys[a]);
  const tangent = (q: number): number =>
    q === 0 ? slopeBetween(0) : q === last ? slopeBetween(last - 1) : (slopeBetween(q - 1) + slopeBetween(q)) / 2;
  const h = ys[k + 1] - ys[k];
  const t = (y - ys[k]) / h;
  const t2 = t * t;
  const t3 = t2 * t;
  return (
    (2 * t3 - 3 * t2 + 1) * stations[k][column] +
    (t3 - 2 * t2 + t) * tangent(k) * h +
    (3 * t2 - 2 * t3) * stations[k + 1][column] +
    (t3 - t2) * tangent(k + 1) * h
  );
}

/** Turn of a rotation about the y axis relative to another, radians in (-pi, pi]. */
function twistAboutY(from: Quat, to: Quat): number {
  const relative = quatMul(conjugate(from), to);
  const angle = 2 * Math.atan2(relative[1], relative[3]);
  return angle > Math.PI ? angle - 2 * Math.PI : angle < -Math.PI ? angle + 2 * Math.PI : angle;
}

function placeLoft(field: Field, i: number, p: Extract<Primitive, { shape: 'loft' }>, rig: Rig, start: number): void {
  const frame = frameOf(rig, p.frame);
  const ys = p.stations.map(([y]) => (y - frame.base[1]) * frame.scale[1]);
  const first = ys[0];
  const last = ys[ys.length - 1];
  const factor = p.g ?? 1;
  const sx = frame.scale[0] * factor;
  const sz = frame.scale[2] * factor;
  const twist = p.twist ? twistAboutY(frame.rot, frameOf(rig, p.twist).rot) : 0;
  for (let j = 0; j < LOFT_SAMPLES; j++) {
    const u = j / (LOFT_SAMPLES - 1);
    const at = (column: number): number => stationValue(ys, p.stations, column, mix(first, last, u));
    const angle = twist * u * u * (3 - 2 * u);
    field.loftTable.set(
      [
        (at(1) - frame.base[0]) * frame.scale[0],
        (at(2) - frame.base[2]) * frame.scale[2],
        at(3) * sx,
        at(4) * sx,
        at(5) * sz,
        at(6) * sz,
        Math.cos(angle),
        Math.sin(angle),
      ],
      start + j * LOFT_WIDTH,
    );
  }
  const len = Math.abs(last - first);
  field.params.set(
    [
      ...frame.origin,
      ...axes(frame.rot),
      first,
      (LOFT_SAMPLES - 1) / (last - first),
      start,
      p.cap0,
      p.cap1,
      p.sq ?? 0,
      len,
    ],
    i * STRIDE,
  );
  field.center.set(add(frame.origin, rotate(frame.rot, [0, (first + last) / 2, 0])), i * 3);
  field.radius[i] = len / 2 + 0.6;
}

function placeGroove(field: Field, i: number, p: Extract<Primitive, { shape: 'groove' }>, rig: Rig): void {
  const { from, to, len, dir } = ends(rig, p.a, p.b);
  field.params.set([...from, ...dir, len, 1 / p.w, p.amp, p.fade ?? 0.25], i * STRIDE);
  field.center.set(scale(add(from, to), 0.5), i * 3);
  field.radius[i] = len / 2 + p.w * 2.5;
}
