import type { WholeFamily } from '../catalogue/families';
import { decodeJoints } from '../skeleton/jointCode';
import { mirrorPose } from '../skeleton/mirror';
import { SIDES } from '../skeleton/skeleton';
import { type Quat, quatMul, quatProduct, rotate, type Vec3 } from '../skeleton/vector';
import { MIRRORED } from '../catalogue/referenceId';
import type { AuthoredPose } from './author';
import type { ShownPart } from '../mesh/region';
import { generatedPose } from './generate';
import { movedPose } from './movedPose';
import { PART_POSES } from './partPoses';
import { POSES } from './poses';

const SEEDED = /^chance\.(\d{1,9})$/;
const CODED = /^(joints|seen)\.([\w-]+)$/;

const authored: Readonly<Record<string, AuthoredPose>> = { ...POSES, ...PART_POSES };

/** The same part of the other side. */
const mirroredPart = (part: ShownPart): ShownPart =>
  part === 'hand.L'
    ? 'hand.R'
    : part === 'foot.L'
      ? 'foot.R'
      : part === 'hand.R'
        ? 'hand.L'
        : part === 'foot.R'
          ? 'foot.L'
          : part;

/** What a body rests on, by its joints alone. */
function familyOfJoints({ pelvis, spine, chest, ...joints }: Readonly<Record<string, Quat>>): WholeFamily {
  const rise = (q: Quat, bone: Vec3): number => rotate(q, bone)[1];
  const thighs = SIDES.map((side) => joints[`thigh.${side}`]);
  const stands = thighs.some((thigh) => rise(quatMul(pelvis, thigh), [0, -1, 0]) < -0.8);
  if (rise(pelvis, [0, 1, 0]) < 0.45 && !stands) return 'reclining';
  if (thighs.every((thigh) => rise(thigh, [0, -1, 0]) > -0.55)) return stands ? 'bending' : 'seated';
  return rise(quatProduct(pelvis, spine, chest), [0, 1, 0]) < 0.6 ? 'bending' : 'standing even';
}

/**
 * The pose an id stands for: an authored one by its slug, `chance.` and a seed, `joints.` or `seen.` and coded rotations
 * of motion or of a body in a picture, or `moved.` and one of
 * these with what was moved of it; `~m` after any of them mirrors it.
 * @returns undefined when the id means nothing.
 */
export function findPose(id: string): AuthoredPose | undefined {
  if (id.endsWith(MIRRORED)) {
    const pose = findPose(id.slice(0, -MIRRORED.length));
    return (
      pose && {
        ...pose,
        pose: mirrorPose(pose.pose),
        seenFrom: pose.seenFrom.map((a) => -a),
        ...(pose.part && { part: mirroredPart(pose.part) }),
      }
    );
  }
  const seed = SEEDED.exec(id)?.[1];
  if (seed !== undefined) return generatedPose(Number(seed));
  const [, kind, code] = CODED.exec(id) ?? [];
  if (code !== undefined) {
    const joints = decodeJoints(code);
    if (!joints) return undefined;
    return kind === 'seen'
      ? { name: 'Pose from a picture', family: familyOfJoints(joints), pose: { joints }, seenFrom: [0] }
      : { name: 'Pose from motion', family: 'walking or running', pose: { joints, moving: true }, seenFrom: [30] };
  }
  return Object.hasOwn(authored, id) ? authored[id] : movedPose(id, findPose);
}
