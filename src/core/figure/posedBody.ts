import { armMove, type Tied } from './mesh/armMove';
import { pressUnderArm } from './mesh/armPress';
import { mushed } from './mesh/deltaMush';
import { turnEyes } from './mesh/gaze';
import { quadNormals } from './mesh/graph';
import { handContact, handShift } from './mesh/handContact';
import type { BodyKit, Sitter } from './mesh/kit';
import { flexMuscles } from './mesh/muscles';
import { type EndShift, placeBones, unmoved } from './mesh/placeBones';
import { flattenOn, pressApart } from './mesh/press';
import { skinned } from './mesh/skin';
import { propSolids, type Solid } from './props/solids';
import type { Build } from './skeleton/builds';
import { closeGrips } from './skeleton/grip';
import { buildFactor, poseSkeleton, type Rig } from './skeleton/kinematics';
import { partNumber } from './skeleton/parts';
import type { Pose } from './skeleton/pose';
import { SIDES, type Side, sideSign } from './skeleton/skeleton';
import { settlePose } from './skeleton/support';
import { add, rotate, type Vec3 } from './skeleton/vector';

/** The posed body before it is made finer. */
export interface PosedBody {
  rig: Rig;
  positions: Float32Array;
  /** Of the hair, empty for who has none. */
  hair: Float32Array;
  solids: Solid[];
}

/** How far from the pelvis flesh counts as seated, head heights. */
const SEAT_REACH = 0.95;

/** Lowest of some vertices, of those within reach of a point if one is given. */
function lowest(p: Float32Array, vertices: Uint32Array, near?: Vec3): number {
  let low = Infinity;
  for (const v of vertices)
    if (p[v * 3 + 1] < low && (!near || Math.hypot(p[v * 3] - near[0], p[v * 3 + 2] - near[2]) < SEAT_REACH))
      low = p[v * 3 + 1];
  return low;
}

/** How far soles sink before they are flattened, and how near soles and seat must come to where they belong; head heights. */
const SOLE_PRESS = 0.02;
const EXACT = 0.004;

/** Whether the legs' targets say where the ground is; otherwise the lowest flesh does. */
const standsOnTarget = ({ ik }: Pose): boolean => ik?.legL !== undefined || ik?.legR !== undefined;

/**
 * Move root and feet until flesh rests on the seat and soles on their floors. Only the flesh that is asked about is skinned.
 * Changes `ends`.
 */
function settleFlesh({ mesh, members }: BodyKit, sitter: Sitter, pose: Pose, build: Build, ends: EndShift): Rig {
  const settled = settlePose(pose, build);
  let { rig, shift } = settled;
  const seatVertices = Uint32Array.from(
    (['torso', 'thigh.L', 'thigh.R'] as const).flatMap((part) => [...members[partNumber(part)]]),
  );
  const footVertices = { L: members[partNumber('foot.L')], R: members[partNumber('foot.R')] };
  const k = buildFactor(rig);
  for (let step = 0; step < 6; step++) {
    const bones = placeBones(sitter.build, sitter.turns, rig, ends);
    const skin = (only: Uint32Array): Float32Array => skinned(mesh, sitter.build, bones, only);
    let worst = 0;
    let rise = 0;
    if (pose.support !== undefined) {
      rise = pose.support * k - (pose.sink ?? 0.05) - lowest(skin(seatVertices), seatVertices, rig.pos.pelvis);
      worst = Math.abs(rise);
    }
    for (const side of SIDES) {
      const floor = pose.ik?.[`leg${side}`]?.floor;
      if (floor === undefined) continue;
      const missing = floor * k - SOLE_PRESS - lowest(skin(footVertices[side]), footVertices[side]);
      ends.foot[side][1] += missing;
      worst = Math.max(worst, Math.abs(missing));
      // Where a leg is too short for its foot to come down, the root does.
      if (step > 0 && pose.support === undefined && missing < -EXACT) rise = Math.min(rise, missing);
    }
    if (worst < EXACT) break;
    if (rise !== 0) {
      shift = add(shift, [0, rise, 0]);
      rig = poseSkeleton(pose, build, shift);
    }
  }
  return rig;
}

/** How often arms are asked whether they run through the body, at most. */
const ARM_ROUNDS = 3;

/** Whether a pose says that a hand lies on the body. */
export const touches = ({ ik, props }: Pose, side: Side): boolean => {
  const target = ik?.[`arm${side}`];
  return target?.rel !== undefined && target.by !== undefined && !props?.length;
};
/** How much a hand belongs where it is. */
const tied = (pose: Pose, side: Side): Tied =>
  pose.clasped || pose.props?.length ? 'holds' : touches(pose, side) ? 'touches' : 'free';
/** Direction a palm faces. */
const palmOf = ({ rot }: Rig, side: Side): Vec3 => rotate(rot[`hand.${side}`], [-sideSign(side), 0, 0]);

/** Pose a build with its flesh: settled on seat and soles, hands on what they touch, folds pressed apart, all on the ground. */
export function poseBody(kit: BodyKit, pose: Pose, build: Build): PosedBody {
  const { mesh } = kit;
  const sitter = kit.sitter(build.name);
  const ends = unmoved();
  const rig = settleFlesh(kit, sitter, pose, build, ends);
  closeGrips(rig, pose, propSolids(pose.props ?? [], rig));
  let bones = placeBones(sitter.build, sitter.turns, rig, ends);
  const deform = (): Float32Array => {
    const p = mushed(mesh, sitter.mush, skinned(mesh, sitter.build, bones));
    flexMuscles(kit.muscles, mesh.mirror, rig, p, quadNormals(mesh.quads, p), sitter.muscles);
    pressApart(mesh, bones, p);
    return p;
  };
  let p = deform();
  let normals = quadNormals(mesh.quads, p);
  // What an arm lies in may move with the other arm, and an arm with its hand: asked again until no arm moves.
  for (let round = 0; round < ARM_ROUNDS; round++) {
    let moved = false;
    for (const side of SIDES) {
      const { elbow, wrist, deeper } = armMove(kit, p, normals, bones, side, build, tied(pose, side));
      const stays = elbow === 0 && wrist.every((v) => v === 0);
      // What is touched is come to once, and again when the arm has moved.
      const toward = touches(pose, side) && (round === 0 || !stays) ? palmOf(rig, side) : undefined;
      const hand = pose.clasped ? wrist : handShift(handContact(kit, p, normals, side), toward, wrist, deeper);
      ends.elbow[side] += elbow;
      ends.hand[side] = add(ends.hand[side], hand);
      moved ||= !stays || hand.some((v) => v !== 0);
      // The other hand is asked against this one where it will be.
      for (const v of kit.members[partNumber(`hand.${side}`)]) for (let k = 0; k < 3; k++) p[v * 3 + k] += hand[k];
    }
    if (!moved) break;
    bones = placeBones(sitter.build, sitter.turns, rig, ends);
    p = deform();
    normals = quadNormals(mesh.quads, p);
  }
  for (const side of SIDES) pressUnderArm(kit, p, normals, bones, side, build);
  turnEyes(mesh, kit.members[partNumber('head')], rig, p);
  const hair = sitter.hair
    ? skinned(sitter.hair, { ...sitter.build, rest: sitter.hair.rest }, bones)
    : new Float32Array();
  if (!standsOnTarget(pose) && !(pose.joints && pose.support !== undefined)) {
    let low = Infinity;
    for (let i = 1; i < p.length; i += 3) low = Math.min(low, p[i]);
    const groundY = low + (pose.sink ?? 0.02);
    for (const joint of Object.values(rig.pos)) joint[1] -= groundY;
    for (const part of [p, hair]) for (let i = 1; i < part.length; i += 3) part[i] -= groundY;
  }
  const solids = propSolids(pose.props ?? [], rig);
  flattenOn(p, solids);
  flattenOn(hair, solids);
  return { rig, positions: p, hair, solids };
}
