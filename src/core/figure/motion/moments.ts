import type { Vec3 } from '../skeleton/vector';
import { length, normalize, sub } from '../skeleton/vector';
import { type Motion, placeJoints } from './bvh';
import type { BodyPlace, JointTable } from './jointNames';

/** A frame worth drawing, and why. */
export interface Moment {
  frame: number;
  kind: 'still' | 'extreme';
}

/** Bones by whose directions two frames are compared. */
const DIRECTIONS: readonly (readonly [BodyPlace, BodyPlace])[] = (['left', 'right'] as const).flatMap((s) =>
  (
    [
      ['shoulder', 'elbow'],
      ['elbow', 'wrist'],
      ['hip', 'knee'],
      ['knee', 'ankle'],
    ] as const
  ).map(([a, b]): [BodyPlace, BodyPlace] => [`${s} ${a}`, `${s} ${b}`]),
);
const ENDS: readonly BodyPlace[] = ['left wrist', 'right wrist', 'left ankle', 'right ankle'];

interface Shape {
  directions: Vec3[];
  /** How far hands and feet are from the hips, over the leg's length. */
  spread: number;
}

function shapeOf(motion: Motion, table: JointTable, frame: number): Shape {
  const { positions } = placeJoints(motion, motion.frames[frame]);
  const at = (place: BodyPlace): Vec3 => positions[table[place] as number];
  const hips = at('hips');
  const leg = length(sub(at('left knee'), at('left hip'))) + length(sub(at('left ankle'), at('left knee'))) || 1;
  const trunk: Vec3 = normalize(sub(at('left shoulder'), at('left hip')));
  return {
    directions: [...DIRECTIONS.map(([a, b]) => normalize(sub(at(b), at(a)))), trunk],
    spread: ENDS.reduce((sum, end) => sum + length(sub(at(end), hips)), 0) / leg,
  };
}

/** Mean angle between the bones of two frames, degrees. */
function difference(a: Shape, b: Shape): number {
  const sum = a.directions.reduce((total, d, i) => {
    const e = b.directions[i];
    return total + Math.acos(Math.max(-1, Math.min(1, d[0] * e[0] + d[1] * e[1] + d[2] * e[2])));
  }, 0);
  return ((sum / a.directions.length) * 180) / Math.PI;
}

/** Frames looked at per second: more tells nothing new. */
const LOOKED_AT_PER_S = 15;
/** Poses closer than this are the same to a draftsman, degrees of mean bone angle. */
const DIFFERENT_DEG = 12;

/**
 * The still and the extreme moments of a clip, and of those a spread of mutually different ones, in order of time: where the motion
 * is slowest, and where hands and feet are farthest out or most drawn in. Chosen farthest first (T. F. Gonzalez 1985).
 */
export function drawableMoments(motion: Motion, table: JointTable, atMost = 24): Moment[] {
  const step = Math.max(1, Math.round(1 / LOOKED_AT_PER_S / motion.frameSeconds));
  const frames = Array.from({ length: Math.ceil(motion.frames.length / step) }, (_, i) => i * step);
  const shapes = frames.map((frame) => shapeOf(motion, table, frame));
  const speed = shapes.map((s, i) => {
    const before = shapes[Math.max(0, i - 1)];
    const after = shapes[Math.min(shapes.length - 1, i + 1)];
    return difference(before, after) / (Math.min(shapes.length - 1, i + 1) - Math.max(0, i - 1) || 1);
  });
  const sorted = [...speed].sort((a, b) => a - b);
  const slow = sorted[Math.floor(sorted.length / 3)] ?? 0;
  const candidates: { i: number; kind: Moment['kind'] }[] = [];
  const held = holds(speed);
  for (const { from, to } of held) candidates.push({ i: Math.floor((from + to) / 2), kind: 'still' });
  shapes.forEach((shape, i) => {
    if (held.some(({ from, to }) => i >= from && i <= to)) return;
    const around = [shapes[i - 1], shapes[i + 1]].filter((s) => s !== undefined);
    const speedAround = [speed[i - 1], speed[i + 1]].filter((s) => s !== undefined);
    const extreme = around.every((s) => s.spread <= shape.spread) || around.every((s) => s.spread >= shape.spread);
    if (extreme && around.length > 0) candidates.push({ i, kind: 'extreme' });
    else if (speed[i] <= slow && speedAround.every((s) => s >= speed[i])) candidates.push({ i, kind: 'still' });
  });
  if (candidates.length === 0) candidates.push({ i: 0, kind: 'still' });
  // Begin with what differs most from the mean frame, then always take what is farthest from everything taken.
  const chosen = [
    candidates.reduce((a, b) =>
      Math.abs(shapes[b.i].spread - meanSpread(shapes)) > Math.abs(shapes[a.i].spread - meanSpread(shapes)) ? b : a,
    ),
  ];
  while (chosen.length < atMost) {
    let best: (typeof candidates)[number] | undefined;
    let farthest = DIFFERENT_DEG;
    for (const c of candidates) {
      const nearest = Math.min(...chosen.map((d) => difference(shapes[c.i], shapes[d.i])));
      if (nearest > farthest) {
        farthest = nearest;
        best = c;
      }
    }
    if (!best) break;
    chosen.push(best);
  }
  return chosen.sort((a, b) => a.i - b.i).map(({ i, kind }) => ({ frame: frames[i], kind }));
}

/** Bones that turn less than this between two frames looked at stand still, degrees; and so many frames running are a hold. */
const STILL_DEG = 0.4;
const HOLD_FRAMES = 5;

/** Stretches in which nothing moves: each is one pose. */
function holds(speed: readonly number[]): { from: number; to: number }[] {
  const found: { from: number; to: number }[] = [];
  let from: number | undefined;
  for (let i = 0; i <= speed.length; i++) {
    const still = i < speed.length && speed[i] < STILL_DEG;
    if (still) from ??= i;
    else if (from !== undefined) {
      if (i - from >= HOLD_FRAMES) found.push({ from, to: i - 1 });
      from = undefined;
    }
  }
  return found;
}

/** Whether anything moves in a clip at all: a pose that is held throughout is one picture. */
export function moves(motion: Motion, table: JointTable): boolean {
  const step = Math.max(1, Math.floor(motion.frames.length / 50));
  const shapes = motion.frames.flatMap((_, i) => (i % step === 0 ? [shapeOf(motion, table, i)] : []));
  return shapes.some((shape) => difference(shapes[0], shape) > 1);
}

const meanSpread = (shapes: readonly Shape[]): number =>
  shapes.reduce((sum, s) => sum + s.spread, 0) / Math.max(1, shapes.length);
