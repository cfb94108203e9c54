import { clamp } from '../../clamp';
import type { Build } from './builds';
import type { Limb, LimbTarget, Pose } from './pose';
import { handPoint } from './handPoint';
import { handRotations } from './handRotations';
import { ballRotation, degrees, eulerYzx, wrapDegrees } from './jointAngles';
import { BONES, boneScale, onBone, REST, restPositions, SIDES, sideSign, type Side } from './skeleton';
import {
  aboutX,
  aboutY,
  aboutZ,
  add,
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

/** Scapulohumeral rhythm: the shoulder girdle rises with the arm and swings with its plane. */
function girdleRotation(raise: number, azimuth: number, extra: [number, number], sign: number): Quat {
  const lift = Math.max(0, raise - 30) * 0.18;
  const sideways = Math.abs(Math.sin(azimuth * RAD_PER_DEG));
  const elevation = extra[0] + lift * (0.55 + 0.45 * sideways);
  const protraction = extra[1] + Math.sin(Math.min(raise, 150) * RAD_PER_DEG) * 14 * Math.cos(azimuth * RAD_PER_DEG);
  return quatMul(aboutY(-protraction * sign), aboutZ(elevation * sign));
}

const spineRotation = ([flex, side, twist]: Vec3): Quat => quatProduct(aboutY(twist), aboutZ(-side), aboutX(flex));

/** Recompute world positions and rotations from the local rotations. */
export function propagate(rig: Rig): void {
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

/** Where the root has been moved to, head heights, while supports are solved. */
export type Shift = Vec3;
const HERE: Shift = [0, 0, 0];

/**
 * Pose a build's skeleton as authored, legs before arms.
 * @param shift Added to the root's position.
 */
export function poseSkeleton(pose: Pose, build: Build, shift: Shift = HERE): Rig {
  const rest = restPositions(build);
  const rig: Rig = { pos: {}, rot: {}, rest, build, local: localRotations(pose, build) };
  const toBuild = buildFactor(rig);
  rig.pos.pelvis = add(pose.root?.pos ? scale(pose.root.pos, toBuild) : rest.pelvis, shift);
  propagate(rig);
  for (const limb of ['legL', 'legR'] as const) {
    const target = pose.ik?.[limb];
    if (target) stand(rig, limb, inBuild(target, build, toBuild));
  }
  for (const limb of ['armL', 'armR'] as const) {
    const target = pose.ik?.[limb];
    if (target) reachWithGirdle(rig, limb, inBuild(target, build, toBuild), pose);
  }
  return rig;
}

/** Size of a build against the base figure: the ratio of the heights of their hips. */
export const buildFactor = (rig: Rig): number => rig.rest.pelvis[1] / REST.pelvis.p[1];

/** World targets scale with the height of the hips, those on a bone with the bone's own lengths and widths. */
function inBuild(target: LimbTarget, build: Build, factor: number): LimbTarget {
  return { ...target, pos: target.rel ? onBone(build, target.rel, target.pos) : scale(target.pos, factor) };
}
function localRotations(pose: Pose, build: Build): Record<string, Quat> {
  const local: Record<string, Quat> = Object.fromEntries(BONES.map((bone) => [bone, IDENTITY]));
  const root = pose.root?.rot ?? [0, 0, 0];
  local.pelvis = quatProduct(aboutY(root[1]), aboutX(root[0]), aboutZ(root[2]));
  for (const bone of ['spine', 'chest', 'neck', 'head'] as const) {
    const bend = pose[bone] ?? [0, 0, 0];
    local[bone] = spineRotation([bend[0] + (build.stoop?.[bone] ?? 0), bend[1], bend[2]]);
  }
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
    Object.assign(local, handRotations(pose[`hand${side}`] ?? { curl: 0.25 }, side));
    local[`thigh.${side}`] = ballRotation(pose[`hip${side}`] ?? [3, 90, 6], sign);
    local[`calf.${side}`] = aboutX(pose[`kn${side}`] ?? 2);
    const ankle = pose[`an${side}`] ?? [0, 0];
    local[`foot.${side}`] = quatMul(aboutX(-ankle[0]), aboutZ(-ankle[1] * sign));
    local[`toe.${side}`] = aboutX(-(pose[`toe${side}`] ?? pose.ik?.[`leg${side}`]?.toe ?? 0));
  }
  return pose.joints ? { ...local, ...(pose.joints as Record<string, Quat>) } : local;
}

/** Spheres of a left foot that carry, rest space: [bone, center, radius]. */
const SOLE: readonly (readonly [bone: 'foot' | 'toe', p: Vec3, r: number])[] = [
  ['foot', [0.36, 0.14, -0.3], 0.14],
  ['foot', [0.5, 0.085, 0.36], 0.084],
  ['foot', [0.275, 0.105, 0.46], 0.103],
  ['foot', [0.42, 0.095, 0.42], 0.088],
  ['foot', [0.345, 0.15, 0.38], 0.085],
  ['toe', [0.285, 0.075, 0.78], 0.06],
  ['toe', [0.46, 0.062, 0.69], 0.052],
  ['toe', [0.58, 0.062, 0.56], 0.048],
];

/** A point of the base figure's skin, written in rest space, on a posed build. */
export function onSkin(rig: Rig, bone: string, p: Vec3): Vec3 {
  return add(rig.pos[bone], rotate(rig.rot[bone], onBone(rig.build, bone, sub(p, REST[bone].p))));
}

/** Lowest points of a foot's carrying spheres, head heights. */
export function soleContacts(rig: Rig, side: Side): Vec3[] {
  return SOLE.map(([kind, [x, y, z], r]) => {
    const bone = `${kind}.${side}`;
    const center = onSkin(rig, bone, [x * sideSign(side), y, z]);
    return [center[0], center[1] - r * boneScale(rig.build, bone)[1], center[2]];
  });
}
/** How far a foot's flesh is pressed into the floor, head heights (4 mm). */
const PRESS = 0.02;

const heading = (deg: number): Vec3 => [Math.sin(deg * RAD_PER_DEG), 0, Math.cos(deg * RAD_PER_DEG)];

/** Put a leg where it is wanted: kneeling, on a floor, or with the ankle at a point. */
function stand(rig: Rig, limb: 'legL' | 'legR', target: LimbTarget): void {
  const side: Side = limb === 'legL' ? 'L' : 'R';
  const toes = heading(target.rot?.[1] ?? 0);
  let aimed: LimbTarget = { pole: [toes[0], 0.15, toes[2]], ...target };
  if (aimed.kneel) aimed = { ...aimed, ...kneeling(rig, side, aimed.kneel) };
  reach(rig, limb, aimed);
  if (target.floor === undefined && !target.kneel) return;
  const floor = (target.floor ?? 0) * buildFactor(rig);
  for (let step = 0; step < 3; step++) {
    const low = Math.min(...soleContacts(rig, side).map(([, y]) => y));
    if (Math.abs(floor - PRESS - low) < 2e-4) return;
    aimed = { ...aimed, pos: add(aimed.pos, [0, floor - PRESS - low, 0]) };
    reach(rig, limb, aimed);
  }
}

/** Thickness of flesh and kneecap under a knee that kneels, head heights. */
export const KNEE_RADIUS = 0.19;

/** Ankle, pole and foot of a leg whose knee rests on the floor. */
function kneeling(
  rig: Rig,
  side: Side,
  { heading: thigh, shin, tucked }: NonNullable<LimbTarget['kneel']>,
): Pick<LimbTarget, 'pos' | 'pole' | 'rot'> {
  const hip = rig.pos[`thigh.${side}`];
  const upper = length(sub(rig.rest[`calf.${side}`], rig.rest[`thigh.${side}`]));
  const lower = length(sub(rig.rest[`foot.${side}`], rig.rest[`calf.${side}`]));
  const drop = Math.min(upper, Math.max(0, hip[1] - KNEE_RADIUS));
  const knee = add(hip, add(scale(heading(thigh), Math.sqrt(upper * upper - drop * drop)), [0, -drop, 0]));
  const ankleY = tucked ? 0.56 : 0.2;
  const fall = ankleY - knee[1];
  const pos = add(knee, add(scale(heading(shin), Math.sqrt(lower * lower - fall * fall)), [0, fall, 0]));
  // The leg's plane: the knee lies off the line from hip to ankle.
  const line = normalize(sub(pos, hip));
  const off = sub(knee, hip);
  return { pos, pole: sub(off, scale(line, dot(off, line))), rot: [tucked ? 62 : 152, shin + 180, 0] };
}

/** The girdle follows the arm: reach, derive the girdle's rotation from where the arm went, reach again. Changes the rig. */
export function reachWithGirdle(
  rig: Rig,
  limb: 'armL' | 'armR',
  target: LimbTarget,
  pose: Pick<Pose, 'clavL' | 'clavR'>,
): void {
  const side: Side = limb.endsWith('L') ? 'L' : 'R';
  const sign = sideSign(side);
  const fallback = rotate(rig.rot.chest, [0.55 * sign, -0.45, -0.75]);
  const aimed: LimbTarget = target.pole ? target : { ...target, pole: fallback };
  for (let pass = 0; pass < 2; pass++) {
    handTo(rig, side, limb, aimed);
    const down = rotate(quatMul(conjugate(rig.rot.chest), rig.rot[`uarm.${side}`]), [0, -1, 0]);
    const raise = degrees(Math.acos(clamp(-down[1], -1, 1)));
    const azimuth = degrees(Math.atan2(down[0] * sign, down[2]));
    rig.local[`clav.${side}`] = girdleRotation(raise, azimuth, pose[`clav${side}`] ?? [0, 0], sign);
    propagate(rig);
  }
  handTo(rig, side, limb, aimed);
}

/** Reach so that the wished part of the hand, not the wrist, comes to the target. */
function handTo(rig: Rig, side: Side, limb: 'armL' | 'armR', target: LimbTarget): void {
  const sign = sideSign(side);
  const inSpace = (v: Vec3): Vec3 => (target.handRel && target.rel ? rotate(rig.rot[target.rel], v) : v);
  const goal = target.rel ? add(rig.pos[target.rel], rotate(rig.rot[target.rel], target.pos)) : target.pos;
  const aimed: LimbTarget = { ...target, pos: goal };
  delete aimed.rel;
  if (target.palm) aimed.palm = inSpace(target.palm);
  if (target.fing) aimed.fing = inSpace(target.fing);
  if (target.axis) {
    // The thumb lies along the axis; the fingers go on as the forearm comes, square to it.
    const axis = normalize(inSpace(target.axis));
    const elbow = rig.pos[`farm.${side}`];
    const forearm = normalize(sub(goal, length(sub(goal, elbow)) > 0.2 ? elbow : rig.pos[`uarm.${side}`]));
    const fing = normalize(sub(forearm, scale(axis, dot(forearm, axis))));
    aimed.fing = fing;
    aimed.palm = scale(cross(fing, axis), sign);
  }
  const from = rig.pos[`uarm.${side}`];
  if (!target.by) {
    reach(rig, limb, aimed);
    return;
  }
  const point = handPoint(target.by, side);
  const local = onBone(rig.build, `hand.${side}`, point);
  aimed.pos = aimed.palm && aimed.fing ? sub(goal, rotate(handBasis(aimed.palm, aimed.fing, sign), local)) : goal;
  reach(rig, limb, aimed);
  // Wrist limits or a hand left to the forearm: correct by what is still missing, and keep the nearest.
  let nearest = { aimed: aimed.pos, missing: Infinity };
  for (let step = 0; step < 12; step++) {
    const missing = sub(goal, add(rig.pos[`hand.${side}`], rotate(rig.rot[`hand.${side}`], local)));
    if (length(missing) < nearest.missing) nearest = { aimed: aimed.pos, missing: length(missing) };
    if (nearest.missing < 2e-3 || length(sub(goal, from)) > FARTHEST_REACH) return;
    aimed.pos = add(aimed.pos, scale(missing, step < 4 ? 1 : 0.5));
    reach(rig, limb, aimed);
  }
  aimed.pos = nearest.aimed;
  reach(rig, limb, aimed);
}
/** Nothing farther from the shoulder than this is reached for again, head heights. */
const FARTHEST_REACH = 3.2;

/** World rotation of a hand from the directions of its palm and fingers. @param sign Of its side. */
export function handBasis(palmDirection: Vec3, fingerDirection: Vec3, sign: number): Quat {
  const fingers = normalize(fingerDirection);
  const palm = normalize(sub(palmDirection, scale(fingers, dot(palmDirection, fingers))));
  const x = scale(palm, -sign);
  const y = scale(fingers, -1);
  return rotationFromBasis(x, y, cross(x, y));
}

/** Two-bone inverse kinematics by the law of cosines; an unreachable target is approached as far as the limb goes. Changes the rig. */
export function reach(rig: Rig, limb: Limb, target: LimbTarget): void {
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
  const distance = clamp(length(sub(goal, from)), closest(l1, l2, arm), (l1 + l2) * 0.998);
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
  if (target.palm && target.fing)
    rig.local[end] = quatMul(conjugate(lowerRot), handBasis(target.palm, target.fing, sign));
  if (target.rot) {
    const world = quatProduct(aboutY(target.rot[1]), aboutX(target.rot[0]), aboutZ(target.rot[2]));
    rig.local[end] = quatMul(conjugate(lowerRot), world);
  }
  rig.local[end] = arm
    ? clampEuler(rig.local[end], WRIST_LIMITS_DEG, [-sign, -sign, -1])
    : ankleWithin(rig.local[end], sign);
  propagate(rig);
}

/** Distance between the ends of a limb bent as far as its hinge goes (148 degrees for an elbow, 152 for a knee). */
function closest(l1: number, l2: number, arm: boolean): number {
  const inner = (180 - (arm ? 148 : 152)) * RAD_PER_DEG;
  return Math.sqrt(l1 * l1 + l2 * l2 - 2 * l1 * l2 * Math.cos(inner));
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

/** An ankle's rotation within what it can do. @param sign Of its side. */
export const ankleWithin = (q: Quat, sign: number): Quat => clampEuler(q, ANKLE_LIMITS_DEG, [sign, -sign, -1]);

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
