import { clamp } from '../../clamp';
import type { Solid } from '../props/solids';
import { handPoint } from './handPoint';
import { fingerSplay, handRotations } from './handRotations';
import { propagate, type Rig } from './kinematics';
import type { HandShape, Pose } from './pose';
import { FINGERS, onBone, type Side, SIDES, sideSign } from './skeleton';
import { aboutZ, add, dot, length, normalize, type Quat, quatMul, rotate, scale, sub, type Vec3 } from './vector';

type Bar = Extract<Solid, { shape: 'bar' }>;

/** Bars as thick as a wrist can be held, and lie at most so far from the middle of the grip; head heights. */
const THICKEST = 0.22;
const WITHIN = 0.16;
/** A hand whose fingers are bent less than this lies on what it touches, instead of holding it. */
const HOLDING = 0.33;
/** How far each joint of a finger closes, degrees, and in which steps. */
const CLOSED_DEG = [88, 105, 72] as const;
const OPEN_DEG = 4;
const STEP_DEG = 2;
/** How far flesh gives way under a grip, head heights. */
const PRESS = 0.006;
/** How far across the palm a thumb goes, as in HandShape, and in which steps. */
const THUMB = { open: -0.1, across: 1.5, step: 0.05 } as const;
/** A thumb that cannot go so far over the fingers stays beside them. */
const LEAST_OVER = 0.6;
const FINGERS_OF_HAND = ['f1', 'f2', 'f3', 'f4'] as const;

/** Distance of a segment from a bar's axis, less the bar's radius there. */
function clearance({ from, to, r0, r1 }: Bar, a: Vec3, b: Vec3): number {
  const axis = sub(to, from);
  const l2 = dot(axis, axis);
  let least = Infinity;
  for (let i = 0; i <= 4; i++) {
    const p = add(a, scale(sub(b, a), i / 4));
    const t = clamp(dot(sub(p, from), axis) / l2, 0, 1);
    least = Math.min(least, length(sub(p, add(from, scale(axis, t)))) - (r0 + t * (r1 - r0)));
  }
  return least;
}

const meanCurl = ({ curl = 0.2, curls }: HandShape): number =>
  curls ? curls.reduce((sum, c) => sum + c, 0) / curls.length : curl;

/** The bar that a hand holds, if there is one. */
function heldBar(rig: Rig, side: Side, bars: readonly Bar[]): Bar | undefined {
  const palm = onHand(rig, side, handPoint('palm', side));
  const grip = onHand(rig, side, handPoint('grip', side));
  const out = sub(grip, palm);
  return bars
    .map((bar) => ({ bar, gap: clearance(bar, add(palm, scale(out, 0.6)), add(grip, scale(out, 0.6))) }))
    .filter(({ bar, gap }) => Math.max(bar.r0, bar.r1) < THICKEST && gap < WITHIN && across(rig, side, bar))
    .sort((a, b) => a.gap - b.gap)[0]?.bar;
}

/** Whether a bar lies across the fingers, so that they can close round it. */
function across(rig: Rig, side: Side, { from, to }: Bar): boolean {
  const along = rotate(rig.rot[`hand.${side}`], [0, -1, 0]);
  return Math.abs(dot(normalize(sub(to, from)), along)) < 0.6;
}

const onHand = (rig: Rig, side: Side, p: Vec3): Vec3 =>
  add(rig.pos[`hand.${side}`], rotate(rig.rot[`hand.${side}`], onBone(rig.build, `hand.${side}`, p)));

/** Joints of a finger and its tip, where its local rotations put them. */
function chain(rig: Rig, name: string, side: Side, locals: readonly Quat[]): Vec3[] {
  const { p } = FINGERS[name];
  let rot = rig.rot[`hand.${side}`];
  let at = rig.pos[`${name}0.${side}`];
  const out = [at];
  for (let i = 0; i < 3; i++) {
    rot = quatMul(rot, locals[i]);
    const end = sub(p[i + 1], p[i]);
    const offset: Vec3 =
      i < 2
        ? sub(rig.rest[`${name}${String(i + 1)}.${side}`], rig.rest[`${name}${String(i)}.${side}`])
        : onBone(rig.build, `hand.${side}`, [end[0] * sideSign(side), end[1], end[2]]);
    at = add(at, rotate(rot, offset));
    out.push(at);
  }
  return out;
}

/** Whether a finger's segments from one on are free of a bar. */
function isFree(bar: Bar, joints: readonly Vec3[], name: string, from: number): boolean {
  for (let i = from; i < 3; i++)
    if (clearance(bar, joints[i], joints[i + 1]) < Math.min(FINGERS[name].r[i], FINGERS[name].r[i + 1]) - PRESS)
      return false;
  return true;
}

/** A thumb laid over the fingers round something slender, otherwise along it. */
function thumbRound(rig: Rig, side: Side, shape: HandShape, bar: Bar): Quat[] {
  const rotations = (more: HandShape): Quat[] => {
    const local = handRotations({ ...shape, ...more }, side);
    return [0, 1, 2].map((i) => local[`th${String(i)}.${side}`]);
  };
  const free = (more: HandShape): boolean => isFree(bar, chain(rig, 'th', side, rotations(more)), 'th', 0);
  for (let over = 1; over >= LEAST_OVER; over -= 0.1) if (free({ over })) return rotations({ over });
  let thumb: number = THUMB.open;
  while (thumb < THUMB.across && free({ thumb: thumb + THUMB.step })) thumb += THUMB.step;
  return rotations({ thumb });
}

/**
 * Close the hands that hold something round it, finger by finger: each joint bends until its finger touches.
 * Changes the rig's fingers; a finger that does not reach what is held keeps its shape.
 */
export function closeGrips(rig: Rig, pose: Pose, solids: readonly Solid[]): void {
  if (!solids.length) return;
  const bars = solids.filter((solid): solid is Bar => solid.shape === 'bar');
  for (const side of SIDES) {
    const shape = pose[`hand${side}`] ?? {};
    const bar = meanCurl(shape) < HOLDING ? undefined : heldBar(rig, side, bars);
    if (!bar) continue;
    const sign = sideSign(side);
    for (const name of FINGERS_OF_HAND) {
      const splay = fingerSplay(name, shape);
      const bent = [OPEN_DEG, OPEN_DEG, OPEN_DEG];
      const locals = (): Quat[] => [
        quatMul(splay, aboutZ(-bent[0] * sign)),
        aboutZ(-bent[1] * sign),
        aboutZ(-bent[2] * sign),
      ];
      let touched = false;
      for (let joint = 0; joint < 3; joint++)
        while (bent[joint] < CLOSED_DEG[joint]) {
          bent[joint] += STEP_DEG;
          if (isFree(bar, chain(rig, name, side, locals()), name, joint)) continue;
          bent[joint] -= STEP_DEG;
          touched = true;
          break;
        }
      if (touched) locals().forEach((q, i) => (rig.local[`${name}${String(i)}.${side}`] = q));
    }
    thumbRound(rig, side, shape, bar).forEach((q, i) => (rig.local[`th${String(i)}.${side}`] = q));
  }
  propagate(rig);
}
