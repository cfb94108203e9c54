import { mirrorPose } from '../mirror';
import type { AuthoredPose } from './author';
import { POSES } from './poses';

/** Ends the id of a pose seen in a mirror. */
const MIRRORED = '~m';

const authored = POSES as Record<string, AuthoredPose>;

/**
 * The pose an id stands for: an authored one by its slug; `~m` after any of them mirrors it.
 * @returns undefined when the id means nothing.
 */
export function findPose(id: string): AuthoredPose | undefined {
  if (id.endsWith(MIRRORED)) {
    const pose = findPose(id.slice(0, -MIRRORED.length));
    return pose && { ...pose, pose: mirrorPose(pose.pose), seenFrom: pose.seenFrom.map((a) => -a) };
  }
  return Object.hasOwn(authored, id) ? authored[id] : undefined;
}

export const mirroredId = (id: string): string =>
  id.endsWith(MIRRORED) ? id.slice(0, -MIRRORED.length) : id + MIRRORED;
