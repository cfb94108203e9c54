import type { BodyPlace } from '../figure/motion/jointNames';
import { localOf, worldOf } from '../figure/motion/retarget';
import type { Build } from '../figure/skeleton/builds';
import { encodeJoints } from '../figure/skeleton/jointCode';
import type { JointPose } from '../figure/skeleton/jointPose';
import { handBasis, poseSkeleton, soleContacts } from '../figure/skeleton/kinematics';
import { settleJoints } from '../figure/skeleton/moveJoint';
import { type Side, SIDES, sideSign } from '../figure/skeleton/skeleton';
import {
  add,
  cross,
  dot,
  length,
  normalize,
  type Quat,
  rotate,
  rotationFromBasis,
  scale,
  slerp,
  sub,
  type Vec3,
} from '../figure/skeleton/vector';
import type { BodyPoint, PointName } from './points';
import { postureOf } from './posture';
import { seenSpace, type Space } from './seenSpace';

const WORD: Readonly<Record<Side, 'left' | 'right'>> = { L: 'left', R: 'right' };
/** Ears and nose lie so far below level in a head held level, as its nose points: the nose is lower than the ears. */
const NOSE_BELOW = 0.12;
/** Fingers nearer together than this tell nothing of the palm, meters. */
const PALM_WIDTH = 0.02;

/** World rotations of the bones of a body found in a picture; the picture is seen from the front, +z toward the eye. */
function bodyWorld(space: Space): Record<string, Quat> {
  const { at } = postureOf(space);
  const middle = (a: PointName, b: PointName): Vec3 => scale(add(at(a), at(b)), 0.5);
  const ears = middle('left ear', 'right ear');
  const places: Partial<Record<BodyPlace, Vec3>> = {
    hips: middle('left hip', 'right hip'),
    neck: middle('left shoulder', 'right shoulder'),
    head: ears,
  };
  const limb = /^(left|right) (shoulder|elbow|wrist|hip|knee|ankle|toes)$/;
  const world = worldOf((place) => (limb.test(place) ? at(place as PointName) : places[place]));
  // The head as ears and nose have it.
  const across = sub(at('left ear'), at('right ear'));
  const nose = sub(at('nose'), ears);
  if (length(across) > 1e-3 && length(nose) > 1e-3) {
    const x = normalize(across);
    const toward = normalize(sub(nose, scale(x, dot(nose, x))));
    const up = cross(toward, x);
    const z = normalize(add(toward, scale(up, NOSE_BELOW)));
    world.head = rotationFromBasis(x, cross(z, x), z);
    world.neck = slerp(world.chest, world.head, 0.5);
  }
  for (const side of SIDES) {
    const word = WORD[side];
    const wrist = at(`${word} wrist`);
    const index = sub(at(`${word} index finger`), wrist);
    const little = sub(at(`${word} little finger`), wrist);
    if (length(sub(index, little)) < PALM_WIDTH) continue;
    const palm = scale(cross(little, index), sideSign(side));
    if (length(palm) > 1e-6) world[`hand.${side}`] = handBasis(palm, add(index, little), sideSign(side));
  }
  return world;
}

/** Someone upright stands on a foot that is so near to the ground, head heights. */
const NEAR_GROUND = 0.5;
const UPRIGHT = 0.75;

/**
 * The id of the pose that a body in a picture has: its bones keep their lengths, and where it stands its feet find the floor.
 * @param aspect Width over height of the picture.
 * @param found The body in space as it was found, meters: x to the picture's right, y down, z away from the eye.
 * @param build Whose body stands it.
 */
export function seenPoseId(points: readonly BodyPoint[], aspect: number, found: Space, build: Build): string {
  const joints = localOf(bodyWorld(seenSpace(points, aspect, found)));
  let pose: JointPose = { joints, root: { pos: [0, 4.2, 0] } };
  const rig = poseSkeleton(pose, build);
  const low = SIDES.map((side) => Math.min(...soleContacts(rig, side).map(([, y]) => y)));
  const stands = rotate(rig.rot.pelvis, [0, 1, 0])[1] > UPRIGHT && Math.abs(low[0] - low[1]) < NEAR_GROUND;
  if (stands) pose = settleJoints(pose, build).pose;
  return `seen.${encodeJoints(pose.joints)}`;
}
