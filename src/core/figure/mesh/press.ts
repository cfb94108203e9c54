import { norm2 } from '../../norms';
import type { Solid } from '../props/solids';
import { add, conjugate, cross, dot, length, normalize, rotate, sub, type Vec3 } from '../skeleton/vector';
import type { BodyMesh } from './bodyPack';
import { MESH_BONES, type MeshBone } from './meshBones';
import type { PlacedBones } from './placeBones';

/** Over which height flesh gives way before it is flat, head heights. */
const SOFT = 0.035;

/** Distance from a plane, made non-negative smoothly. */
export const yielded = (h: number, soft: number): number =>
  h >= soft ? h : h <= -soft ? 0 : (h + soft) ** 2 / (4 * soft);

/** Two segments that fold together at a joint. */
interface Fold {
  upper: RegExp;
  lower: RegExp;
  joint: MeshBone;
  /** Where the two segments end away from the joint. */
  from: MeshBone;
  to: MeshBone;
  /** How much of the overlap is taken away. */
  share: number;
  /** The bone that comes forward on the outside of the bend (elbow, kneecap): height, reach and narrowness of its bump, head heights. */
  bone?: { height: number; reach: number; narrow: number };
}
const FOLDS: readonly Fold[] = ['L', 'R'].flatMap((s): Fold[] => [
  {
    upper: RegExp(`^upperleg0[12]\\.${s}`),
    lower: RegExp(`^lowerleg0[12]\\.${s}`),
    joint: `lowerleg01.${s}`,
    from: `upperleg01.${s}`,
    to: `foot.${s}`,
    share: 1,
    bone: { height: 0.075, reach: 0.5, narrow: 0.55 },
  },
  {
    upper: RegExp(`^upperarm0[12]\\.${s}`),
    lower: RegExp(`^(lowerarm0[12]|wrist)\\.${s}`),
    joint: `lowerarm01.${s}`,
    from: `upperarm01.${s}`,
    to: `wrist.${s}`,
    share: 1,
    bone: { height: 0.075, reach: 0.34, narrow: 0.72 },
  },
  {
    upper: /^(root|spine05|spine04|spine03)$/,
    lower: RegExp(`^upperleg0[12]\\.${s}`),
    joint: `upperleg01.${s}`,
    from: 'spine03',
    to: `lowerleg01.${s}`,
    share: 0.8,
  },
]);

/** Size of a cell of the contact sheet between two segments, and how many it has, head heights. */
const CELL = 0.11;
const DEEP = 22;
const WIDE = 15;

/**
 * Where two segments fold together past a right angle, a sheet between them: over each of its cells the lowest flesh of one and the
 * highest of the other, and where they overlap both give way to the middle. Changes `p`.
 */
export function pressApart(mesh: BodyMesh, { pos }: PlacedBones, p: Float32Array): void {
  for (const fold of FOLDS) {
    const J = pos[fold.joint];
    const a = normalize(sub(pos[fold.from], J));
    const b = normalize(sub(pos[fold.to], J));
    const cosine = dot(a, b);
    if (fold.bone && cosine > -0.9) pushBone(mesh, fold, J, normalize(add(a, b)), Math.min(1, (cosine + 0.9) / 1.2), p);
    if (cosine < -0.25) continue;
    const strength = fold.share * Math.min(1, (cosine + 0.25) / 0.35);
    const n = normalize(sub(a, b));
    const inner = normalize(add(a, b));
    const aside = cross(n, inner);
    const side = MESH_BONES.map((bone) => (fold.upper.test(bone) ? 1 : fold.lower.test(bone) ? -1 : 0));
    const low = new Float32Array(DEEP * WIDE).fill(Infinity);
    const high = new Float32Array(DEEP * WIDE).fill(-Infinity);
    const near: { v: number; s: number; i: number; j: number; h: number }[] = [];
    for (let v = 0; v < mesh.firstEye; v++) {
      let s = 0;
      for (let k = v * 4; k < v * 4 + 4; k++) s += side[mesh.skinBones[k]] * mesh.skinWeights[k];
      if (Math.abs(s) < 0.15) continue;
      const q: Vec3 = [p[v * 3] - J[0], p[v * 3 + 1] - J[1], p[v * 3 + 2] - J[2]];
      const i = dot(q, inner) / CELL - 0.5;
      const j = dot(q, aside) / CELL + WIDE / 2 - 0.5;
      if (i < 0 || j < 0 || i >= DEEP - 1 || j >= WIDE - 1) continue;
      const h = dot(q, n);
      near.push({ v, s, i, j, h });
      const cell = Math.round(i) * WIDE + Math.round(j);
      if (s > 0.5) low[cell] = Math.min(low[cell], h);
      if (s < -0.5) high[cell] = Math.max(high[cell], h);
    }
    for (const { v, s, i, j, h } of near) {
      // Bilinear over the cells in contact, fading where contact ends.
      let level = 0;
      let weight = 0;
      for (const [di, dj] of [
        [0, 0],
        [1, 0],
        [0, 1],
        [1, 1],
      ]) {
        const cell = (Math.floor(i) + di) * WIDE + Math.floor(j) + dj;
        if (!(high[cell] > low[cell])) continue;
        const w = (1 - Math.abs(i - Math.floor(i) - di)) * (1 - Math.abs(j - Math.floor(j) - dj));
        level += (w * (high[cell] + low[cell])) / 2;
        weight += w;
      }
      if (weight < 0.05) continue;
      const over = (h - level / weight) * Math.sign(s);
      if (over > SOFT) continue;
      const move =
        (yielded(over, SOFT) - over) * strength * weight * Math.min(1, (Math.abs(s) - 0.15) / 0.4) * Math.sign(s);
      for (let k = 0; k < 3; k++) p[v * 3 + k] += n[k] * move;
    }
  }
}

/** Skinning rounds the outside of a bent hinge off: give it its bone back. Changes `p`. */
function pushBone(
  mesh: BodyMesh,
  { upper, lower, bone }: Fold,
  J: Vec3,
  inner: Vec3,
  bend: number,
  p: Float32Array,
): void {
  if (!bone) return;
  const own = MESH_BONES.map((name) => upper.test(name) || lower.test(name));
  for (let v = 0; v < mesh.firstEye; v++) {
    if (!own[mesh.skinBones[v * 4]]) continue;
    const o = v * 3;
    const q: Vec3 = [p[o] - J[0], p[o + 1] - J[1], p[o + 2] - J[2]];
    const l = length(q);
    if (l > bone.reach) continue;
    const c = -dot(q, inner) / l;
    if (c < bone.narrow) continue;
    const t = (c - bone.narrow) / (1 - bone.narrow);
    const move = -bone.height * bend * t * t * (3 - 2 * t);
    for (let k = 0; k < 3; k++) p[o + k] += inner[k] * move;
  }
}

/** Over which height flesh on a hard thing gives way, head heights. */
const HARD = 0.012;
/** Round things broader than this, standing upright, are seats, head heights. */
const SEAT_RADIUS = 0.3;

/** Flesh flat on the ground, and on boxes and round seats it has sunk into. Changes `p`. */
export function flattenOn(p: Float32Array, solids: readonly Solid[]): void {
  const boxes = solids.filter((solid) => solid.shape === 'box');
  const seats = solids
    .filter((solid) => solid.shape === 'bar')
    .filter(({ r0, from, to }) => r0 > SEAT_RADIUS && Math.abs(normalize(sub(to, from))[1]) > 0.9);
  for (let o = 0; o < p.length; o += 3) {
    p[o + 1] = yielded(p[o + 1], HARD);
    for (const { center, half, rot } of boxes) {
      const l = rotate(conjugate(rot), [p[o] - center[0], p[o + 1] - center[1], p[o + 2] - center[2]]);
      const into = half.map((h, k) => h - Math.abs(l[k]));
      const least = Math.min(...into);
      if (least <= -HARD) continue;
      const k = into.indexOf(least);
      l[k] = Math.sign(l[k]) * (half[k] + yielded(-least, HARD));
      const out = rotate(rot, l);
      for (let i = 0; i < 3; i++) p[o + i] = center[i] + out[i];
    }
    for (const { from, to, r0 } of seats) {
      const top = Math.max(from[1], to[1]);
      const low = Math.min(from[1], to[1]);
      if (norm2(p[o] - from[0], p[o + 2] - from[2]) < r0 && p[o + 1] < top && p[o + 1] > low - 0.1) p[o + 1] = top;
    }
  }
}
