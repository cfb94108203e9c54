import { BUILD_NAMES, type BuildName } from './buildNames';
import joints from './joints.json';
import type { Vec3 } from './vector';

export type { BuildName };

/** One of the adults who pose. */
export interface Build {
  name: BuildName;
  /** Rest joints, arms hanging, soles on y = 0; head heights. Middle and left: the right is mirrored. */
  joints: Readonly<Record<string, Vec3>>;
  /** How bones compare with the base figure's, along x, y and z of their own axes; by bone name without side. */
  s: Readonly<Record<string, Vec3>>;
  /** Radii of the flesh around bones, or half width and half depth of trunk and head; head heights. */
  flesh: Readonly<Record<string, readonly [number, number]>>;
  /** Bend that this build adds to every pose, degrees forward. */
  stoop: Partial<Record<'spine' | 'chest' | 'neck' | 'head', number>>;
}

const STOOP: Partial<Record<BuildName, Build['stoop']>> = {
  older: { spine: 4, chest: 7, neck: 5, head: -8 },
  elder: { spine: 3, chest: 8, neck: 6, head: -9 },
  big: { chest: 3, neck: 3, head: -4 },
};

/** Joints and proportions are measured on the mesh by npm run body. */
export const BUILDS = Object.fromEntries(
  BUILD_NAMES.map((name): [BuildName, Build] => [
    name,
    {
      name,
      ...(joints as unknown as Record<BuildName, Pick<Build, 'joints' | 's' | 'flesh'>>)[name],
      stoop: STOOP[name] ?? {},
    },
  ]),
) as Record<BuildName, Build>;
