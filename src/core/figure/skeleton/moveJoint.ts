import type { Build } from './builds';
import { type JointPose, posedAs } from './jointPose';
import {
  ankleWithin,
  buildFactor,
  poseSkeleton,
  propagate,
  reach,
  reachWithGirdle,
  type Rig,
  soleContacts,
} from './kinematics';
import { brokenLimits, penetrations } from './limits';
import type { LimbTarget, Pose } from './pose';
import { type Side, SIDES, sideSign } from './skeleton';
import { settlePose } from './support';
import {
  add,
  conjugate,
  dot,
  IDENTITY,
  length,
  lerp,
  normalize,
  type Quat,
  quatMul,
  RAD_PER_DEG,
  rotate,
  rotationBetween,
  scale,
  slerp,
  sub,
  type Vec3,
} from './vector';

/** What of a figure can be taken hold of. */
export const HANDLES = [
  { id: 'head', name: 'Head' },
  { id: 'chest', name: 'Chest' },
  { id: 'hips', name: 'Hips' },
  { id: 'hand.L', name: 'Left hand' },
  { id: 'hand.R', name: 'Right hand' },
  { id: 'elbow.L', name: 'Left elbow' },
  { id: 'elbow.R', name: 'Right elbow' },
  { id: 'foot.L', name: 'Left foot' },
  { id: 'foot.R', name: 'Right foot' },
  { id: 'knee.L', name: 'Left knee' },
  { id: 'knee.R', name: 'Right knee' },
] as const;
export type HandleId = (typeof HANDLES)[number]['id'];

/** Top of the head and front of the chest from their joints, in the bones' own directions, head heights. */
const CROWN: Vec3 = [0, 0.6, 0];
const CHEST: Vec3 = [0, 1.1, 0.1];

/** Where each handle is on a posed skeleton, head heights. */
export function handlePlace({ pos, rot }: Rig, id: HandleId): Vec3 {
  const at = (bone: string, offset: Vec3): Vec3 => add(pos[bone], rotate(rot[bone], offset));
  if (id === 'head') return at('head', CROWN);
  if (id === 'chest') return at('chest', CHEST);
  if (id === 'hips') return pos.pelvis;
  const side = id.slice(-1);
  return pos[`${{ hand: 'hand', elbow: 'farm', foot: 'foot', knee: 'calf' }[id.slice(0, -2)] ?? ''}.${side}`];
}

/** Turn a bone and all that hangs from it, in the world. */
function turn(rig: Rig, bone: string, by: Quat): void {
  const world = quatMul(by, rig.rot[bone]);
  const before = conjugate(quatMul(rig.rot[bone], conjugate(rig.local[bone])));
  rig.local[bone] = quatMul(before, world);
  propagate(rig);
}

/** A turn cut to so many degrees. */
function atMost(q: Quat, degrees: number): Quat {
  const angle = 2 * Math.acos(Math.min(1, Math.abs(q[3])));
  const most = degrees * RAD_PER_DEG;
  return angle <= most ? q : slerp(IDENTITY, q, most / angle);
}

/** Turn several bones of a chain, each by its share, so that what hangs from the last comes nearer to where it is wanted. */
function bend(rig: Rig, bones: readonly (readonly [string, number])[], at: () => Vec3, to: Vec3): void {
  for (let round = 0; round < 4; round++)
    for (const [bone, share] of bones) {
      const from = rig.pos[bone];
      turn(rig, bone, slerp(IDENTITY, rotationBetween(normalize(sub(at(), from)), normalize(sub(to, from))), share));
    }
}

/** Where an elbow or a knee is, off the line through its limb; undefined where the limb is straight. */
function poleOf(rig: Rig, upper: string, middle: string, end: string): Vec3 | undefined {
  const line = normalize(sub(rig.pos[end], rig.pos[upper]));
  const off = sub(rig.pos[middle], rig.pos[upper]);
  const pole = sub(off, scale(line, dot(off, line)));
  return length(pole) > 0.03 ? normalize(pole) : undefined;
}

/** How far a trunk leans after a hand that does not reach, degrees a bone: at most, and for each head height that is missing. */
const LEAN = { most: 9, perHead: 40 } as const;

function moveHand(rig: Rig, pose: Pose, side: Side, to: Vec3, pole?: Vec3): void {
  const [upper, middle, end] = ['uarm', 'farm', 'hand'].map((bone) => `${bone}.${side}`);
  const arm = length(sub(rig.rest[middle], rig.rest[upper])) + length(sub(rig.rest[end], rig.rest[middle]));
  // What the arm does not reach, the trunk leans after.
  for (const bone of ['chest', 'spine']) {
    const shoulder = rig.pos[upper];
    const missing = length(sub(to, shoulder)) - arm;
    if (missing <= 0) break;
    const from = rig.pos[bone];
    const whole = rotationBetween(normalize(sub(shoulder, from)), normalize(sub(to, from)));
    turn(rig, bone, atMost(whole, Math.min(LEAN.most, missing * LEAN.perHead)));
  }
  const off = pole ?? poleOf(rig, upper, middle, end);
  reachWithGirdle(rig, `arm${side}`, { pos: to, ...(off && { pole: off }) }, pose);
}

function moveFoot(rig: Rig, side: Side, to: Vec3, pole?: Vec3): void {
  const [upper, middle, end] = ['thigh', 'calf', 'foot'].map((bone) => `${bone}.${side}`);
  const world = rig.rot[end];
  const target: LimbTarget = {
    pos: to,
    pole: pole ?? poleOf(rig, upper, middle, end) ?? rotate(rig.rot[end], [0, 0, 1]),
  };
  const put = (): void => {
    reach(rig, `leg${side}`, target);
    // As it was in the world, as far as the ankle lets it.
    rig.local[end] = ankleWithin(quatMul(conjugate(rig.rot[middle]), world), sideSign(side));
    propagate(rig);
  };
  put();
  // A foot goes onto the ground, not into it.
  const low = Math.min(...soleContacts(rig, side).map(([, y]) => y));
  if (low >= -PRESSED) return;
  target.pos = add(target.pos, [0, -PRESSED - low, 0]);
  put();
}

/** How far soles are pressed into the ground, head heights. */
const PRESSED = 0.025;

/** A foot whose sole is within this of the ground stands on it, head heights. */
const STANDS = 0.05;
const standing = (rig: Rig): Side[] =>
  SIDES.filter((side) => Math.min(...soleContacts(rig, side).map(([, y]) => y)) < STANDS);

/** Put a handle where it is wanted, as far as bones go; what stands keeps standing where it did. */
function put(rig: Rig, pose: Pose, handle: HandleId, to: Vec3): void {
  const side = handle.slice(-1) as Side;
  const kind = handle.split('.')[0];
  const crown = (): Vec3 => handlePlace(rig, 'head');
  if (kind === 'hand') moveHand(rig, pose, side, to);
  else if (kind === 'foot') moveFoot(rig, side, to);
  else if (kind === 'head')
    bend(
      rig,
      [
        ['head', 0.5],
        ['neck', 0.4],
        ['chest', 0.15],
      ],
      crown,
      to,
    );
  else if (kind === 'chest')
    bend(
      rig,
      [
        ['chest', 0.35],
        ['spine', 0.5],
      ],
      () => handlePlace(rig, 'chest'),
      to,
    );
  else if (kind === 'hips') {
    const feet = SIDES.map((s) => rig.pos[`foot.${s}`]);
    rig.pos.pelvis = to;
    propagate(rig);
    SIDES.forEach((s, i) => moveFoot(rig, s, feet[i]));
  } else {
    const [upper, end] = kind === 'elbow' ? [`uarm.${side}`, `hand.${side}`] : [`thigh.${side}`, `foot.${side}`];
    const line = normalize(sub(rig.pos[end], rig.pos[upper]));
    const off = sub(to, rig.pos[upper]);
    const pole = sub(off, scale(line, dot(off, line)));
    if (length(pole) < 0.02) return;
    if (kind === 'elbow') moveHand(rig, pose, side, rig.pos[end], normalize(pole));
    else moveFoot(rig, side, rig.pos[end], normalize(pole));
  }
}

/** Deeper than this a part may not come into another, head heights. */
const INTO = 0.14;

/** What people call what a limit is told of. */
const jointWord = (limit: string): string =>
  /^(spine|chest)/.test(limit)
    ? 'trunk'
    : /^(neck|head)/.test(limit)
      ? 'head'
      : limit
          .replace('pronation', 'forearm')
          .replace(/ (flexion|deviation|toes up|inversion|abduction|twist|raise|extension|across)$/, '');

/** What is wrong with a rig that was not wrong before, in words for whoever moves it; undefined when nothing is. */
function stops(rig: Rig, before: ReadonlySet<string>): string | undefined {
  const limit = [...faultsOf(rig)].find((name) => !before.has(name) && !name.includes(' in '));
  if (limit) return `The ${jointWord(limit)} goes no farther.`;
  const deep = penetrations(rig).find(({ depth, parts }) => depth > INTO && !before.has(parts));
  return deep && 'One part would go into another.';
}

const faultsOf = (rig: Rig): Set<string> =>
  new Set([
    ...brokenLimits(rig).map((told) => told.replace(/ at -?\d+ degrees$/, '')),
    ...penetrations(rig).map(({ parts }) => parts),
  ]);

/** A move that bones stop is tried in halves so often. */
const HALVES = 5;

/**
 * Move a handle toward where it is wanted: the limb follows, or the trunk; feet that stand stay where they are, and where the pose
 * stands on them its weight comes over them.
 * @param to Where it is wanted, head heights.
 * @param balanced Whether the weight is kept over the feet.
 * @returns The pose as far as it goes, and why it goes no farther.
 */
export function moveJoint(
  pose: JointPose,
  build: Build,
  handle: HandleId,
  to: Vec3,
  balanced: boolean,
): { pose: JointPose; stopped: string | undefined } {
  const start = poseSkeleton(pose, build);
  const before = faultsOf(start);
  const from = handlePlace(start, handle);
  const tried = (share: number): { rig: Rig; why: string | undefined } => {
    let rig = poseSkeleton(pose, build);
    const aim = lerp(from, to, share);
    put(rig, pose, handle, aim);
    if (balanced) {
      rig = poseSkeleton(overFeet(posedAs(pose, rig), rig, build), build);
      // The weight moved, and the hand with it.
      if (handle !== 'hips') put(rig, pose, handle, aim);
    }
    return { rig, why: stops(rig, before) };
  };
  const whole = tried(1);
  if (!whole.why) return { pose: posedAs(pose, whole.rig), stopped: undefined };
  let best: Rig | undefined;
  let [low, high] = [0, 1];
  for (let i = 0; i < HALVES; i++) {
    const middle = (low + high) / 2;
    const { rig, why } = tried(middle);
    if (why) high = middle;
    else {
      low = middle;
      best = rig;
    }
  }
  return { pose: best ? posedAs(pose, best) : pose, stopped: whole.why };
}

/** The same pose with its weight over the feet that stand, which stay where they are. */
function overFeet(pose: JointPose, rig: Rig, build: Build): JointPose {
  const feet = standing(rig);
  if (pose.support !== undefined || pose.moving || feet.length === 0) return pose;
  return posedAs(pose, settlePose(planted(pose, rig, feet), build).rig);
}

/** A pose with these feet bound to where they stand. */
function planted(pose: JointPose, rig: Rig, feet: readonly Side[], flat = false): Pose {
  const k = 1 / buildFactor(rig);
  const leg = (side: Side): LimbTarget => {
    const toes = rotate(rig.rot[`foot.${side}`], [0, 0, 1]);
    const ball = rotate(rig.rot[`foot.${side}`], [0, -1, 0]);
    const yaw = Math.atan2(toes[0], toes[2]) / RAD_PER_DEG;
    const pitch = Math.asin(Math.max(-1, Math.min(1, -toes[1]))) / RAD_PER_DEG;
    const level = flat || (Math.abs(pitch) < 4 && -ball[1] > 0.98);
    return {
      pos: scale(rig.pos[`foot.${side}`], k),
      pole: poleOf(rig, `thigh.${side}`, `calf.${side}`, `foot.${side}`) ?? [toes[0], 0.15, toes[2]],
      rot: [level ? 0 : pitch, yaw, 0],
      floor: 0,
    };
  };
  return { ...pose, ik: Object.fromEntries(feet.map((side) => [`leg${side}`, leg(side)])) };
}

/** Feet that are nearer to the ground than this come down when a pose settles, head heights; how far tilted they may be to lie flat, degrees. */
const COMES_DOWN = 0.45;
const FLAT_DEG = 28;

/**
 * Bring a pose to rest: feet near the ground come down onto it, and the weight comes over what carries.
 * @returns The settled pose, and what is to be said of it.
 */
export function settleJoints(pose: JointPose, build: Build): { pose: JointPose; told: string } {
  if (pose.support !== undefined)
    return { pose: posedAs(pose, settlePose(pose, build).rig), told: 'It rests on what carries it.' };
  const rig = poseSkeleton(pose, build);
  const lowest = Math.min(...SIDES.flatMap((side) => soleContacts(rig, side).map(([, y]) => y)));
  const feet = SIDES.filter((side) => Math.min(...soleContacts(rig, side).map(([, y]) => y)) < lowest + COMES_DOWN);
  const down: JointPose = { ...pose, root: { pos: sub(pose.root.pos, [0, lowest / buildFactor(rig), 0]) } };
  const grounded = poseSkeleton(down, build);
  const tilt = (side: Side): number =>
    Math.asin(Math.min(1, Math.abs(rotate(grounded.rot[`foot.${side}`], [0, 0, 1])[1]))) / RAD_PER_DEG;
  const flat = feet.every((side) => tilt(side) < FLAT_DEG);
  const { rig: settled } = settlePose({ ...planted(down, grounded, feet, flat), moving: false }, build);
  return {
    pose: posedAs(pose, settled),
    told:
      feet.length === 2 ? 'It stands on both feet.' : `It stands on its ${feet[0] === 'L' ? 'left' : 'right'} foot.`,
  };
}
