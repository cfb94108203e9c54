import { onSkin, type Rig } from '../skeleton/kinematics';
import { SIDES, sideSign } from '../skeleton/skeleton';
import type { Vec3 } from '../skeleton/vector';

/** A place on the body that draftsmen find and name. */
export interface Landmark {
  name: string;
  /** World position on the skin, head heights. */
  at: Vec3;
}

/** Rest positions on the skin of the base figure, left side for the paired ones: [name, bone, point]. */
const MIDDLE: readonly (readonly [string, string, Vec3])[] = [
  ['crown', 'head', [0, 7.82, -0.06]],
  ['chin', 'head', [0, 6.79, 0.34]],
  ['pit of the neck', 'chest', [0, 6.34, 0.2]],
  ['seventh vertebra', 'chest', [0, 6.42, -0.46]],
  ['end of the breastbone', 'chest', [0, 5.6, 0.49]],
  ['navel', 'spine', [0, 4.72, 0.4]],
  ['pubic bone', 'pelvis', [0, 3.9, 0.36]],
  ['sacrum', 'pelvis', [0, 4.3, -0.44]],
];
const PAIRED: readonly (readonly [string, string, Vec3])[] = [
  ['shoulder', 'clav', [0.78, 6.43, -0.04]],
  ['elbow', 'farm', [0.83, 4.83, -0.29]],
  ['wrist', 'hand', [0.93, 3.69, -0.12]],
  ['finger tips', 'f22', [0.85, 2.8, -0.085]],
  ['hip point', 'pelvis', [0.42, 4.42, 0.3]],
  ['outer hip', 'thigh', [0.62, 3.98, -0.05]],
  ['knee', 'calf', [0.37, 2.18, 0.24]],
  ['ankle', 'foot', [0.5, 0.31, -0.14]],
  ['heel', 'foot', [0.36, 0.06, -0.42]],
  ['toes', 'toe', [0.32, 0.07, 0.82]],
];

/** The places on the skin that a draftsman measures between, head heights in the figure’s space. */
export function landmarks(rig: Rig): Landmark[] {
  return [
    ...MIDDLE.map(([name, bone, p]) => ({ name, at: onSkin(rig, bone, p) })),
    ...SIDES.flatMap((side) =>
      PAIRED.map(([name, bone, [x, y, z]]) => ({
        name: `${side === 'L' ? 'left' : 'right'} ${name}`,
        at: onSkin(rig, bone === 'pelvis' ? bone : `${bone}.${side}`, [x * sideSign(side), y, z]),
      })),
    ),
  ];
}
