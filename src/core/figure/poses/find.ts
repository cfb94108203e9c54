import { decodeJoints } from '../skeleton/jointCode';
import { mirrorPose } from '../skeleton/mirror';
import { MIRRORED } from '../catalogue/referenceId';
import type { AuthoredPose } from './author';
import type { ShownPart } from '../mesh/region';
import { generatedPose } from './generate';
import { movedPose } from './movedPose';
import { PART_POSES } from './partPoses';
import { POSES } from './poses';

const SEEDED = /^chance\.(\d{1,9})$/;
const CODED = /^joints\.([\w-]+)$/;

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

/**
 * The pose an id stands for: an authored one by its slug, `chance.` and a seed, `joints.` and coded rotations, or `moved.` and one of
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
  const code = CODED.exec(id)?.[1];
  if (code !== undefined) {
    const joints = decodeJoints(code);
    return (
      joints && {
        name: 'Pose from motion',
        family: 'walking or running',
        pose: { joints, moving: true },
        seenFrom: [30],
      }
    );
  }
  return Object.hasOwn(authored, id) ? authored[id] : movedPose(id, findPose);
}
