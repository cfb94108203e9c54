import { clamp } from '../../clamp';
import { norm3 } from '../../norms';
import type { Build } from '../skeleton/builds';
import { partNumber } from '../skeleton/parts';
import type { Side } from '../skeleton/skeleton';
import { dot, length, normalize, scale, sub, type Vec3 } from '../skeleton/vector';
import type { BodyKit } from './kit';
import type { PlacedBones } from './placeBones';

/** A segment of an arm as a tapered capsule: wider at the elbow's side of the forearm, narrower at the wrist. */
export interface Segment {
  from: Vec3;
  to: Vec3;
  r0: number;
  r1: number;
}

/** Trunk this near a shoulder belongs to the armpit, which folds by itself; head heights. */
const ARMPIT = 0.6;
/** Room for an arm's own thickness, head heights. */
const NEAR_ARM = 0.35;
/** Upper arm and forearm of a build, as thick as its flesh. */
export const armSegments = (shoulder: Vec3, elbow: Vec3, wrist: Vec3, { flesh }: Build): Segment[] => [
  { from: shoulder, to: elbow, r0: flesh.uarm[0] * 1.05, r1: flesh.uarm[0] * 0.85 },
  { from: elbow, to: wrist, r0: flesh.farm[0] * 1.25, r1: flesh.farm[0] * 0.72 },
];

/** How far inside a segment a point is, head heights; positive is inside. */
export function depthIn({ from, to, r0, r1 }: Segment, x: number, y: number, z: number): number {
  const ax = to[0] - from[0];
  const ay = to[1] - from[1];
  const az = to[2] - from[2];
  const qx = x - from[0];
  const qy = y - from[1];
  const qz = z - from[2];
  const t = clamp((qx * ax + qy * ay + qz * az) / (ax * ax + ay * ay + az * az), 0, 1);
  return r0 + (r1 - r0) * t - norm3(qx - ax * t, qy - ay * t, qz - az * t);
}

/** Shoulder, elbow and wrist as they are placed. */
export const armJoints = ({ pos }: PlacedBones, side: Side): [Vec3, Vec3, Vec3] => [
  pos[`upperarm01.${side}`],
  pos[`lowerarm01.${side}`],
  pos[`wrist.${side}`],
];

/**
 * Vertices of everything that is not the arm itself or its armpit and that the arm may come near.
 * @param room How near, beside the way of its bones, head heights.
 */
export function fleshNearArm(
  { mesh, parts }: BodyKit,
  p: Float32Array,
  side: Side,
  [shoulder, elbow, wrist]: readonly Vec3[],
  room = NEAR_ARM,
): number[] {
  const own = (['hand', 'farm', 'uarm'] as const).map((kind) => partNumber(`${kind}.${side}`));
  const trunk = [partNumber('torso'), partNumber('head')];
  // However the elbow turns, it stays this far from the line.
  const line = normalize(sub(wrist, shoulder));
  const arm = sub(elbow, shoulder);
  const around = length(sub(arm, scale(line, dot(arm, line)))) + room;
  const tube: Segment = { from: shoulder, to: wrist, r0: around, r1: around };
  const list: number[] = [];
  for (let v = 0; v < mesh.firstEye; v++) {
    const [x, y, z] = [p[v * 3], p[v * 3 + 1], p[v * 3 + 2]];
    if (own.includes(parts[v]) || depthIn(tube, x, y, z) < 0) continue;
    if (trunk.includes(parts[v]) && norm3(x - shoulder[0], y - shoulder[1], z - shoulder[2]) < ARMPIT) continue;
    list.push(v);
  }
  return list;
}
