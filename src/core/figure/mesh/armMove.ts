import { clamp } from '../../clamp';
import { norm3 } from '../../norms';
import type { Build } from '../skeleton/builds';
import { partNumber } from '../skeleton/parts';
import type { Side } from '../skeleton/skeleton';
import {
  add,
  axisAngle,
  dot,
  length,
  lerp,
  normalize,
  RAD_PER_DEG,
  rotate,
  scale,
  sub,
  type Vec3,
} from '../skeleton/vector';
import { armJoints, armSegments, fleshNearArm } from './armSegments';
import { PRESSED, WAYS } from './handContact';
import type { BodyKit } from './kit';
import { nearestVertex } from './nearestVertex';
import type { PlacedBones } from './placeBones';

/** An arm lies this much into flesh that gives way before it moves, head heights. */
const GIVES = 0.015;
/** From the middle of the thickest flesh its surface is nearer than this, head heights. */
const THICKEST = 0.8;
/** Flesh farther than this from an arm's bone, beside the arm's own way, is not in its way; head heights. */
const AROUND = 0.7;

/** Places along the bones of an arm that are asked whether they are in flesh, as shares of the upper arm and of the forearm. */
const ASKED_UPPER = [0.65, 0.85];
const ASKED_FORE = [0.05, 0.2, 0.35, 0.5, 0.65, 0.8, 0.95];
/** One in so many of a hand's vertices is asked, and what its depth weighs beside that of a place along a bone. */
const EVERY_OF_HAND = 120;
const WEIGHT_OF_HAND = 0.25;
/** How much a hand belongs where it is: it holds something, lies on something, or is free. */
export type Tied = 'holds' | 'touches' | 'free';
/** What it costs to turn an elbow by a degree and to move a wrist by a head height, squared, against squared depths summed over places. */
const COST_PER_DEGREE = 0.0005;
const COST_OF_SHIFT: Record<Tied, number> = { holds: 3, touches: 0.35, free: 0.15 };
/** So little in flesh is left to flesh that gives way. */
const NEGLIGIBLE = 0.002;
/** First the elbow is turned all around, then turn and shift are made finer together by these steps: degrees, head heights. */
const TURNS = Array.from({ length: 23 }, (_, i) => -165 + 15 * i);
const STEPS: readonly (readonly [number, number])[] = [
  [15, 0.12],
  [8, 0.06],
  [4, 0.03],
  [2, 0.015],
];
/** Out of a pocket between trunk and thigh no small step leads: shifts tried from the start, along the axes and between them. */
const FAR = 0.3;
/** Rounds at one size of step, at most. */
const ROUNDS = 12;

/** Turn of the elbow, degrees, and shift of the wrist, head heights. */
type Move = readonly [deg: number, x: number, y: number, z: number];
/** A move with one of its parts changed. */
function moved(move: Move, k: number, by: number): Move {
  const next: [number, number, number, number] = [...move];
  next[k] += by;
  return next;
}

/** How an arm is moved from where its pose has it. */
export interface ArmMove {
  /** Turn of the elbow about the line from shoulder to wrist, radians. */
  elbow: number;
  /** Of the wrist, head heights. */
  wrist: Vec3;
  /** Whether the arm would be deeper in flesh with its wrist moved otherwise. */
  deeper: (wrist: Vec3) => boolean;
}

/**
 * How far places are outside of flesh, head heights, negative inside: behind the nearest vertex is inside.
 * @param n Normals of `p`.
 */
function outsideOf(p: Float32Array, n: Float32Array, list: readonly number[]): (place: Vec3) => number {
  const nearest = nearestVertex(p, list, THICKEST);
  return ([x, y, z]) => {
    const at = nearest(x, y, z);
    if (at < 0) return Infinity;
    const [dx, dy, dz] = [x - p[at], y - p[at + 1], z - p[at + 2]];
    return Math.sign(dx * n[at] + dy * n[at + 1] + dz * n[at + 2]) * norm3(dx, dy, dz);
  };
}

/**
 * How an arm moves so that it does not run through the body: least turn of the elbow and least shift of the wrist against depth in flesh.
 * @param n Normals of `p`.
 * @returns No move where the arm is in no flesh.
 */
export function armMove(
  kit: BodyKit,
  p: Float32Array,
  n: Float32Array,
  bones: PlacedBones,
  side: Side,
  build: Build,
  tied: Tied,
): ArmMove {
  const joints = armJoints(bones, side);
  const [shoulder, elbow, wrist] = joints;
  const [l1, l2] = [length(sub(elbow, shoulder)), length(sub(wrist, elbow))];
  const outside = outsideOf(p, n, fleshNearArm(kit, p, side, joints, AROUND));
  const hand = Array.from(kit.members[partNumber(`hand.${side}`)])
    .filter((_, i) => i % EVERY_OF_HAND === 0)
    .map((v): Vec3 => [p[v * 3], p[v * 3 + 1], p[v * 3 + 2]]);
  const depthOf = ([deg, ...shift]: Move): number => {
    const to = add(sub(wrist, shoulder), shift);
    const d = clamp(length(to), Math.abs(l1 - l2) + 0.1, (l1 + l2) * 0.999);
    const dir = normalize(to);
    const arm = sub(elbow, shoulder);
    const pole = rotate(axisAngle(dir, deg * RAD_PER_DEG), normalize(sub(arm, scale(dir, dot(arm, dir)))));
    const along = (l1 * l1 + d * d - l2 * l2) / (2 * d);
    const bent = add(scale(dir, along), scale(pole, Math.sqrt(Math.max(0, l1 * l1 - along * along))));
    const [upper, fore] = armSegments(shoulder, add(shoulder, bent), add(shoulder, scale(dir, d)), build);
    let sum = 0;
    for (const [segment, shares] of [
      [upper, ASKED_UPPER],
      [fore, ASKED_FORE],
    ] as const)
      for (const share of shares) {
        const radius = segment.r0 + (segment.r1 - segment.r0) * share;
        const depth = radius - GIVES - outside(lerp(segment.from, segment.to, share));
        if (depth > 0) sum += depth * depth;
      }
    for (const place of hand) {
      const depth = -PRESSED - outside(add(place, shift));
      if (depth > 0) sum += WEIGHT_OF_HAND * depth * depth;
    }
    return sum;
  };
  const cost = (move: Move): number => {
    const [deg, ...shift] = move;
    return depthOf(move) + COST_PER_DEGREE * Math.abs(deg) + COST_OF_SHIFT[tied] * dot(shift, shift);
  };
  let best: Move = [0, 0, 0, 0];
  let least = cost(best);
  const tried = (move: Move): boolean => {
    const here = cost(move);
    if (here >= least) return false;
    [best, least] = [move, here];
    return true;
  };
  /** One step each way in everything. @returns Whether any was better. */
  const stepped = (turn: number, shift: number): boolean =>
    [turn, shift, shift, shift]
      .flatMap((step, k) => [-step, step].map((by) => tried(moved(best, k, by))))
      .includes(true);
  if (least > NEGLIGIBLE) {
    for (const deg of TURNS) tried([deg, 0, 0, 0]);
    for (const way of WAYS) for (const deg of [-45, 0, 45]) tried([deg, ...scale(way, FAR)]);
    for (const [turn, shift] of STEPS) for (let round = 0; round < ROUNDS && stepped(turn, shift); round++);
  }
  const [deg, ...wristShift] = best;
  const depth = depthOf(best);
  return {
    elbow: deg * RAD_PER_DEG,
    wrist: wristShift,
    deeper: (shift) => depthOf([deg, ...shift]) > depth + NEGLIGIBLE,
  };
}
