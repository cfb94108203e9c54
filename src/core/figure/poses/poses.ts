import type { AuthoredPose } from './author';
import { BENDING, KNEELING } from './low';
import { REACHING, WALKING } from './moving';
import { RECLINING } from './reclining';
import { SEATED } from './seated';
import { SHIFTED, STANDING } from './standing';
import { BALANCING, WORKING } from './working';

/** The authored poses: people getting ready for a village lantern pageant. */
export const POSES = {
  ...STANDING,
  ...SHIFTED,
  ...WALKING,
  ...REACHING,
  ...BENDING,
  ...KNEELING,
  ...SEATED,
  ...RECLINING,
  ...BALANCING,
  ...WORKING,
} satisfies Record<string, AuthoredPose>;

/** Identifies an authored pose in references, sessions and files; never changes once shipped. */
export type PoseSlug = keyof typeof POSES;
export const POSE_SLUGS = Object.keys(POSES) as PoseSlug[];
