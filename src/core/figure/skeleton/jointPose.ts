import type { Build } from './builds';
import { CODED_BONES } from './jointCode';
import { buildFactor, type Rig } from './kinematics';
import type { Pose } from './pose';
import { settlePose } from './support';
import { IDENTITY, type Quat, scale, type Vec3 } from './vector';

/** A pose as joints and a root, with what it rests on, holds and how its hands are shaped: what can be moved. */
export interface JointPose extends Pick<Pose, 'props' | 'support' | 'sink' | 'moving' | 'handL' | 'handR'> {
  /** Local rotations of the coded bones. */
  joints: Record<string, Quat>;
  /** Where the root is, head heights of the base figure. */
  root: { pos: Vec3 };
}

/** A pose with other joints, and its root elsewhere. */
export function withJoints(
  { props, support, sink, moving, handL, handR }: Pose,
  joints: Record<string, Quat>,
  pos: Vec3,
): JointPose {
  return {
    ...(props && { props }),
    ...(support !== undefined && { support }),
    ...(sink !== undefined && { sink }),
    ...(moving && { moving }),
    ...(handL && { handL }),
    ...(handR && { handR }),
    joints,
    root: { pos },
  };
}

/** A pose as a rig shows it. */
export const posedAs = (pose: Pose, rig: Rig): JointPose =>
  withJoints(
    pose,
    Object.fromEntries(CODED_BONES.map((bone) => [bone, rig.local[bone] ?? IDENTITY])),
    scale(rig.pos.pelvis, 1 / buildFactor(rig)),
  );

/** Any pose as joints and a root, settled on a build as it is drawn. */
export const asJoints = (pose: Pose, build: Build): JointPose => posedAs(pose, settlePose(pose, build).rig);
