import { clamp } from '../../clamp';
import type { Build } from '../skeleton/builds';
import { partNumber } from '../skeleton/parts';
import type { Side } from '../skeleton/skeleton';
import { add, axisAngle, dot, length, normalize, RAD_PER_DEG, rotate, scale, sub, type Vec3 } from '../skeleton/vector';
import type { BodyKit } from './kit';
import type { PlacedBones } from './placeBones';

/** A segment of an arm as a tapered capsule: wider at the elbow's side of the forearm, narrower at the wrist. */
interface Segment {
  from: Vec3;
  to: Vec3;
  r0: number;
  r1: number;
}

/** Trunk this near a shoulder belongs to the armpit, which folds by itself; head heights. */
const ARMPIT = 0.6;
/** Room for an arm's own thickness, head heights. */
const NEAR_ARM = 0.35;
/** Angles about the line from shoulder to wrist that an elbow is tried at, degrees. */
const SWIVELS = [0, ...Array.from({ length: 18 }, (_, i) => (1 + Math.floor(i / 2)) * (i % 2 ? -5 : 5))];
/** What turning an elbow by a degree costs against flesh in flesh, squared head heights summed over vertices. */
const COST_PER_DEGREE = 0.0006;
/** An arm lies this much into flesh that gives way before its elbow is turned, head heights. */
const GIVES = 0.03;

const segments = (shoulder: Vec3, elbow: Vec3, wrist: Vec3, { flesh }: Build): Segment[] => [
  { from: shoulder, to: elbow, r0: flesh.uarm[0] * 1.05, r1: flesh.uarm[0] * 0.85 },
  { from: elbow, to: wrist, r0: flesh.farm[0] * 1.1, r1: flesh.farm[0] * 0.72 },
];

/** How far inside a segment a point is, head heights; positive is inside. */
function depthIn({ from, to, r0, r1 }: Segment, x: number, y: number, z: number): number {
  const ax = to[0] - from[0];
  const ay = to[1] - from[1];
  const az = to[2] - from[2];
  const qx = x - from[0];
  const qy = y - from[1];
  const qz = z - from[2];
  const t = clamp((qx * ax + qy * ay + qz * az) / (ax * ax + ay * ay + az * az), 0, 1);
  return r0 + (r1 - r0) * t - Math.hypot(qx - ax * t, qy - ay * t, qz - az * t);
}

/** From the nearest place of a segment's bone to a point. */
function fromAxis({ from, to }: Segment, p: Vec3): Vec3 {
  const axis = sub(to, from);
  const q = sub(p, from);
  return sub(q, scale(axis, clamp(dot(q, axis) / dot(axis, axis), 0, 1)));
}

/** Vertices of everything that is not the arm itself or its armpit and that the arm may come near. */
function others(
  { mesh, parts }: BodyKit,
  p: Float32Array,
  side: Side,
  [shoulder, elbow, wrist]: readonly Vec3[],
): number[] {
  const own = (['hand', 'farm', 'uarm'] as const).map((kind) => partNumber(`${kind}.${side}`));
  const trunk = [partNumber('torso'), partNumber('head')];
  // However the elbow turns, it stays this far from the line.
  const line = normalize(sub(wrist, shoulder));
  const arm = sub(elbow, shoulder);
  const around = length(sub(arm, scale(line, dot(arm, line)))) + NEAR_ARM;
  const tube: Segment = { from: shoulder, to: wrist, r0: around, r1: around };
  const list: number[] = [];
  for (let v = 0; v < mesh.firstEye; v++) {
    const [x, y, z] = [p[v * 3], p[v * 3 + 1], p[v * 3 + 2]];
    if (own.includes(parts[v]) || depthIn(tube, x, y, z) < 0) continue;
    if (trunk.includes(parts[v]) && Math.hypot(x - shoulder[0], y - shoulder[1], z - shoulder[2]) < ARMPIT) continue;
    list.push(v);
  }
  return list;
}

/**
 * How an elbow is turned about the line from shoulder to wrist so that the arm runs through less of the body; radians, 0 where it runs
 * through none.
 */
export function elbowSwivel(kit: BodyKit, p: Float32Array, { pos }: PlacedBones, side: Side, build: Build): number {
  const [shoulder, elbow, wrist] = ['upperarm01', 'lowerarm01', 'wrist'].map((bone) => pos[`${bone}.${side}`]);
  const line = normalize(sub(wrist, shoulder));
  const list = others(kit, p, side, [shoulder, elbow, wrist]);
  const cost = (deg: number): number => {
    const turned = add(shoulder, rotate(axisAngle(line, deg * RAD_PER_DEG), sub(elbow, shoulder)));
    const arm = segments(shoulder, turned, wrist, build);
    let sum = COST_PER_DEGREE * Math.abs(deg);
    for (const v of list)
      for (const segment of arm) {
        const over = depthIn(segment, p[v * 3], p[v * 3 + 1], p[v * 3 + 2]) - GIVES;
        if (over > 0) sum += over * over;
      }
    return sum;
  };
  let [best, least] = [0, cost(0)];
  if (least === 0) return 0;
  for (const deg of SWIVELS.slice(1)) {
    const here = cost(deg);
    if (here < least) [best, least] = [deg, here];
  }
  return best * RAD_PER_DEG;
}

/** Flesh gives way under an arm that lies in it: what faces the arm's bone is pressed out of the arm. Changes `p`. */
export function pressUnderArm(
  kit: BodyKit,
  p: Float32Array,
  n: Float32Array,
  { pos }: PlacedBones,
  side: Side,
  build: Build,
): void {
  const [shoulder, elbow, wrist] = ['upperarm01', 'lowerarm01', 'wrist'].map((bone) => pos[`${bone}.${side}`]);
  const arm = segments(shoulder, elbow, wrist, build);
  for (const v of others(kit, p, side, [shoulder, elbow, wrist])) {
    const o = v * 3;
    for (const segment of arm) {
      const depth = depthIn(segment, p[o], p[o + 1], p[o + 2]);
      if (depth <= 0) continue;
      const out = fromAxis(segment, [p[o], p[o + 1], p[o + 2]]);
      const facing = -(n[o] * out[0] + n[o + 1] * out[1] + n[o + 2] * out[2]) / (length(out) || 1);
      // Flesh beside the arm is not pressed, nor is what lies beyond its bone.
      const share = clamp(facing * 1.6, 0, 1);
      for (let k = 0; k < 3; k++) p[o + k] -= n[o + k] * depth * share;
    }
  }
}
