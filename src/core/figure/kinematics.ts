import type { Build } from './builds';
import type { HandShape, Limb, LimbTarget, Pose } from './pose';
import { BONES, FINGERS, REST, restPositions, SIDES, sideSign, type Side } from './skeleton';
import {
  aboutX,
  aboutY,
  aboutZ,
  add,
  axisAngle,
  clamp,
  conjugate,
  cross,
  dot,
  IDENTITY,
  length,
  normalize,
  type Quat,
  quatMul,
  quatProduct,
  RAD_PER_DEG,
  rotate,
  rotationBetween,
  rotationFromBasis,
  scale,
  sub,
  type Vec3,
} from './vector';

/** A posed skeleton. Positions are world, head heights; rotations map a bone's rest frame to the world. */
export interface Rig {
  pos: Record<string, Vec3>;
  rot: Record<string, Quat>;
  local: Record<string, Quat>;
  rest: Record<string, Vec3>;
  build: Build;
}

const degrees = (radians: number): number => radians / RAD_PER_DEG;

/** A ball joint: swing by [raise, azimuth], then twist about the bone's own axis; degrees. */
function ballRotation([raise, azimuth, twist]: Vec3, sign: number): Quat {
  const plane: Vec3 = [Math.sin(azimuth * RAD_PER_DEG) * sign, 0, Math.cos(azimuth * RAD_PER_DEG)];
  return quatMul(axisAngle(cross([0, -1, 0], plane), raise * RAD_PER_DEG), aboutY(twist * sign));
}

/** The inverse of the swing-twist: [raise, azimuth, twist] of a local rotation, degrees. */
export function ballAngles(q: Quat, sign: number): Vec3 {
  const down = rotate(q, [0, -1, 0]);
  const raise = degrees(Math.acos(clamp(-down[1], -1, 1)));
  const azimuth = degrees(Math.atan2(down[0] * sign, down[2]));
  const twistOnly = quatMul(conjugate(ballRotation([raise, azimuth, 0], sign)), q);
  const twist = wrapDegrees(degrees(2 * Math.atan2(twistOnly[1], twistOnly[3])));
  return [raise, azimuth, twist * sign];
}

export const wrapDegrees = (angle: number): number => ((((angle + 180) % 360) + 360) % 360) - 180;

/** Scapulohumeral rhythm: the shoulder girdle rises with the arm and swings with its plane. */
function girdleRotation(raise: number, azimuth: number, extra: [number, number], sign: number): Quat {
  const lift = Math.max(0, raise - 30) * 0.18;
  const sideways = Math.abs(Math.sin(azimuth * RAD_PER_DEG));
  const elevation = extra[0] + lift * (0.55 + 0.45 * sideways);
  const protraction = extra[1] + Math.sin(Math.min(raise, 150) * RAD_PER_DEG) * 14 * Math.cos(azimuth * RAD_PER_DEG);
  return quatMul(aboutY(-protraction * sign), aboutZ(elevation * sign));
}

const spineRotation = ([flex, side, twist]: Vec3): Quat => quatProduct(aboutY(twist), aboutZ(-side), aboutX(flex));

function setFingers(local: Record<string, Quat>, side: Side, shape: HandShape): void {
  const sign = sideSign(side);
  const spread = shape.spread ?? 0.3;
  ['f1', 'f2', 'f3', 'f4'].forEach((finger, i) => {
    const curl = shape.curls?.[i] ?? (shape.curl ?? 0.2) * (1 + 0.14 * i);
    local[`${finger}0.${side}`] = quatMul(
      aboutX(-FINGERS[finger].splay * (spread - 0.3) * 2.2),
      aboutZ(-75 * curl * sign),
    );
    local[`${finger}1.${side}`] = aboutZ(-95 * curl * sign);
    local[`${finger}2.${side}`] = aboutZ(-65 * curl * sign);
  });
  const thumb = shape.thumb ?? 0.3;
  local[`th0.${side}`] = quatMul(aboutX(-8 + 34 * thumb), aboutZ(-26 * thumb * sign));
  local[`th1.${side}`] = quatMul(aboutX(2 + 10 * thumb), aboutZ(-22 * thumb * sign));
  local[`th2.${side}`] = quatMul(aboutX(4 + 16 * thumb), aboutZ(-26 * thumb * sign));
}

/** Recompute world positions and rotations from the local rotations. */
function propagate(rig: Rig): void {
  for (const bone of BONES) {
    const { parent } = REST[bone];
    if (parent === null) {
      rig.rot[bone] = rig.local[bone];
      continue;
    }
    rig.rot[bone] = quatMul(rig.rot[parent], rig.local[bone]);
    rig.pos[bone] = add(rig.pos[parent], rotate(rig.rot[parent], sub(rig.rest[bone], rig.rest[parent])));
  }
}

/**
 * Pose a build's skeleton.
 * @param rise Added to the root's height, head heights; used while a seat or floor contact is solved.
 */
export function poseSkeleton(pose: Pose, build: Build, rise = 0): Rig {
  const rest = restPositions(build);
  const local: Record<string, Quat> = Object.fromEntries(BONES.map((bone) => [bone, IDENTITY]));
  const root = pose.root?.rot ?? [0, 0, 0];
  local.pelvis = quatProduct(aboutY(root[1]), aboutX(root[0]), aboutZ(root[2]));
  for (const bone of ['spine', 'chest', 'neck', 'head'] as const)
    if (pose[bone]) local[bone] = spineRotation(pose[bone]);
  for (const side of SIDES) {
    const sign = sideSign(side);
    const shoulder = pose[`sh${side}`] ?? [6, 60, 0];
    const girdle = girdleRotation(shoulder[0], shoulder[1], pose[`clav${side}`] ?? [0, 0], sign);
    local[`clav.${side}`] = girdle;
    local[`uarm.${side}`] = quatMul(conjugate(girdle), ballRotation(shoulder, sign)); // shoulder angles are relative to the chest
    const [flex, pronation] = pose[`el${side}`] ?? [12, 10];
    local[`farm.${side}`] = aboutX(-flex);
    const wrist = pose[`wr${side}`] ?? [0, 0];
    local[`hand.${side}`] = quatProduct(aboutY(-pronation * sign), aboutZ(-wrist[0] * sign), aboutX(-wrist[1]));
    setFingers(local, side, pose[`hand${side}`] ?? { curl: 0.25 });
    local[`thigh.${side}`] = ballRotation(pose[`hip${side}`] ?? [3, 90, 6], sign);
    local[`calf.${side}`] = aboutX(pose[`kn${side}`] ?? 2);
    const ankle = pose[`an${side}`] ?? [0, 0];
    local[`foot.${side}`] = quatMul(aboutX(-ankle[0]), aboutZ(-ankle[1] * sign));
    local[`toe.${side}`] = aboutX(-(pose[`toe${side}`] ?? 0));
  }
  const rig: Rig = { pos: {}, rot: {}, rest, build, local };
  const toBuild = rest.pelvis[1] / REST.pelvis.p[1];
  const [x, y, z] = pose.root?.pos ? scale(pose.root.pos, toBuild) : rest.pelvis;
  rig.pos.pelvis = [x, y + rise, z];
  propagate(rig);
  for (const [limb, target] of Object.entries(pose.ik ?? {}) as [Limb, LimbTarget][]) {
    const scaled = target.rel ? target : { ...target, pos: scale(target.pos, toBuild) };
    if (limb.startsWith('arm')) reachWithGirdle(rig, limb, scaled, pose);
    else reach(rig, limb, scaled);
  }
  return rig;
}

/** The girdle follows the arm: reach, derive the girdle's rotation from where the arm went, reach again. */
function reachWithGirdle(rig: Rig, limb: Limb, target: LimbTarget, pose: Pose): void {
  const side: Side = limb.endsWith('L') ? 'L' : 'R';
  const sign = sideSign(side);
  reach(rig, limb, target);
  const down = rotate(quatMul(conjugate(rig.rot.chest), rig.rot[`uarm.${side}`]), [0, -1, 0]);
  const raise = degrees(Math.acos(clamp(-down[1], -1, 1)));
  const azimuth = degrees(Math.atan2(down[0] * sign, down[2]));
  rig.local[`clav.${side}`] = girdleRotation(raise, azimuth, pose[`clav${side}`] ?? [0, 0], sign);
  propagate(rig);
  reach(rig, limb, target);
}

/** Two-bone inverse kinematics by the law of cosines; an unreachable target is approached as far as the limb goes. */
function reach(rig: Rig, limb: Limb, target: LimbTarget): void {
  const side: Side = limb.endsWith('L') ? 'L' : 'R';
  const arm = limb.startsWith('arm');
  const sign = sideSign(side);
  const [upper, lower, end] = (arm ? ['uarm', 'farm', 'hand'] : ['thigh', 'calf', 'foot']).map((b) => `${b}.${side}`);
  const goal = target.rel ? add(rig.pos[target.rel], rotate(rig.rot[target.rel], target.pos)) : target.pos;
  const from = rig.pos[upper];
  const upperOffset = sub(rig.rest[lower], rig.rest[upper]);
  const lowerOffset = sub(rig.rest[end], rig.rest[lower]);
  const l1 = length(upperOffset);
  const l2 = length(lowerOffset);
  const direction = normalize(sub(goal, from));
  const distance = Math.min(length(sub(goal, from)), (l1 + l2) * 0.998);
  const wanted: Vec3 = target.pole ?? (arm ? [0, 0, -1] : [0, 0, 1]);
  const pole = normalize(sub(wanted, scale(direction, dot(wanted, direction))));
  const cosine = (l1 * l1 + distance * distance - l2 * l2) / (2 * l1 * distance);
  const along = l1 * cosine;
  const aside = l1 * Math.sqrt(Math.max(0, 1 - cosine * cosine));
  const joint = add(from, add(scale(direction, along), scale(pole, aside)));
  const tip = add(from, scale(direction, distance));
  const hinge = arm ? scale(pole, -1) : pole; // a knee points to its own +z, an elbow to its -z
  const frame = (a: Vec3, b: Vec3, restOffset: Vec3): Quat => {
    const y = scale(normalize(sub(b, a)), -1);
    const x = normalize(cross(y, hinge));
    return quatMul(rotationFromBasis(x, y, cross(x, y)), rotationBetween(normalize(restOffset), [0, -1, 0]));
  };
  const upperRot = frame(from, joint, upperOffset);
  const lowerRot = frame(joint, tip, lowerOffset);
  rig.local[upper] = quatMul(conjugate(rig.rot[REST[upper].parent ?? 'pelvis']), upperRot);
  rig.local[lower] = quatMul(conjugate(upperRot), lowerRot);
  if (target.palm && target.fing) {
    const fingers = normalize(target.fing);
    const palm = normalize(sub(target.palm, scale(fingers, dot(target.palm, fingers))));
    const x = scale(palm, -sign);
    const y = scale(fingers, -1);
    rig.local[end] = quatMul(conjugate(lowerRot), rotationFromBasis(x, y, cross(x, y)));
  }
  if (target.rot) {
    const world = quatProduct(aboutY(target.rot[1]), aboutX(target.rot[0]), aboutZ(target.rot[2]));
    rig.local[end] = quatMul(conjugate(lowerRot), world);
  }
  rig.local[end] = arm
    ? clampEuler(rig.local[end], WRIST_LIMITS_DEG, [-sign, -sign, -1])
    : clampEuler(rig.local[end], ANKLE_LIMITS_DEG, [sign, -sign, -1]);
  propagate(rig);
}

type Range = readonly [number, number];
/** Pronation, palmar flexion, deviation. */
const WRIST_LIMITS_DEG: readonly Range[] = [
  [-85, 85],
  [-70, 80],
  [-30, 22],
];
/** Yaw, inversion, toes up. */
const ANKLE_LIMITS_DEG: readonly Range[] = [
  [-24, 24],
  [-24, 24],
  [-58, 36],
];

/** Degrees [y, z, x] of a rotation composed as Ry * Rz * Rx. */
export function eulerYzx(q: Quat): Vec3 {
  const axis = rotate(q, [1, 0, 0]);
  const rz = degrees(Math.asin(clamp(axis[1], -1, 1)));
  const ry = degrees(Math.atan2(-axis[2], axis[0]));
  const rest = quatMul(conjugate(quatMul(aboutY(ry), aboutZ(rz))), q);
  return [ry, rz, wrapDegrees(degrees(2 * Math.atan2(rest[0], rest[3])))];
}

/** Clamp a rotation to per-axis limits; of the two equivalent Euler triples the smaller is taken. */
function clampEuler(q: Quat, limits: readonly Range[], sign: readonly number[]): Quat {
  let [ry, rz, rx] = eulerYzx(q);
  const other = Math.abs(wrapDegrees(ry + 180)) + Math.abs(wrapDegrees(rx + 180));
  if (Math.abs(ry) + Math.abs(rx) > other + 40) {
    ry = wrapDegrees(ry + 180);
    rz = wrapDegrees(180 - rz);
    rx = wrapDegrees(rx + 180);
  }
  const limited = (value: number, i: number): number => clamp(value * sign[i], limits[i][0], limits[i][1]) * sign[i];
  return quatProduct(aboutY(limited(ry, 0)), aboutZ(limited(rz, 1)), aboutX(limited(rx, 2)));
}
