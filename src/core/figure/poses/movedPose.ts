import { decodeJoints, encodeJoints, JOINT_CODE_LENGTH } from '../skeleton/jointCode';
import { withJoints } from '../skeleton/jointPose';
import type { Vec3 } from '../skeleton/vector';
import type { AuthoredPose } from './author';

const MOVED = new RegExp(
  `^moved\\.(.+)\\.([\\w-]{${String(JOINT_CODE_LENGTH)}})\\.(-?\\d{1,6})_(-?\\d{1,6})_(-?\\d{1,6})$`,
);
/** Where the root is, is written in thousandths of a head height. */
const STEPS = 1000;

/** The pose that a moved one began as. */
const baseOfMoved = (id: string): string => MOVED.exec(id)?.[1] ?? id;

/**
 * The id of a pose whose joints were moved: the pose it began as, its rotations and where its root is.
 * @param base Id of the pose it began as; that of a moved one stands for what that began as.
 * @param root Where the root is, head heights of the base figure.
 */
export function movedId(base: string, joints: Readonly<Record<string, readonly number[]>>, root: Vec3): string {
  const place = root.map((v) => String(Math.round(v * STEPS))).join('_');
  return `moved.${baseOfMoved(base)}.${encodeJoints(joints)}.${place}`;
}

/**
 * The pose that such an id stands for.
 * @param find How the pose it began as is found.
 * @returns undefined for any other id, and where there is no such pose.
 */
export function movedPose(id: string, find: (id: string) => AuthoredPose | undefined): AuthoredPose | undefined {
  const [, baseId, code, ...place] = MOVED.exec(id) ?? [];
  if (baseId === undefined || MOVED.test(baseId)) return undefined;
  const base = find(baseId);
  const joints = decodeJoints(code);
  if (!base || base.part || !joints) return undefined;
  return {
    ...base,
    name: `${base.name}, moved`,
    pose: withJoints(base.pose, joints, place.map((v) => Number(v) / STEPS) as Vec3),
  };
}
