import { clamp } from '../../clamp';
import { ballAngles, eulerYzx } from '../skeleton/jointAngles';
import type { Rig } from '../skeleton/kinematics';
import { type Side, SIDES, sideSign } from '../skeleton/skeleton';
import { quatMul, RAD_PER_DEG } from '../skeleton/vector';
import type { BodyMesh } from './bodyPack';
import { formHeights, type SkinForm } from './skinForms';

/** A muscle that swells where it is shortened. */
interface Muscle extends SkinForm {
  /** How much of it is flexed in a pose, 0 to 1. */
  flexed: (rig: Rig, side: Side) => number;
}

const hingeDeg = (rig: Rig, bone: string): number =>
  (2 * Math.atan2(rig.local[bone][0], rig.local[bone][3])) / RAD_PER_DEG;
const elbowDeg = (rig: Rig, side: Side): number => -hingeDeg(rig, `farm.${side}`);
/** How far an arm is raised against the trunk, degrees. */
const raisedDeg = (rig: Rig, side: Side): number =>
  ballAngles(quatMul(rig.local[`clav.${side}`], rig.local[`uarm.${side}`]), sideSign(side))[0];
/** How far the shoulder is drawn up, degrees. */
const shruggedDeg = (rig: Rig, side: Side): number => eulerYzx(rig.local[`clav.${side}`])[1] * sideSign(side);
/** How far a thigh is raised against the pelvis, degrees. */
const thighDeg = (rig: Rig, side: Side): number => ballAngles(rig.local[`thigh.${side}`], sideSign(side))[0];
/** From nothing at `none` to all of it at `all`. */
const rising = (none: number, all: number, value: number): number => clamp((value - none) / (all - none), 0, 1);

const FRONT = [0, 0, 1] as const;
const BACK = [0, 0, -1] as const;

/** What one sees swell, and sink in, when a limb is bent or raised: skinning alone would leave it as at rest. */
const MUSCLES: readonly Muscle[] = [
  {
    name: 'biceps',
    from: [...FRONT],
    under: /^uarm/,
    line: [
      [1.3, 5.78, 0.3],
      [1.5, 5.58, 0.3],
    ],
    height: 0.07,
    width: 0.15,
    flexed: (rig, side) => rising(35, 125, elbowDeg(rig, side)),
  },
  {
    name: 'triceps',
    from: [...BACK],
    under: /^uarm/,
    line: [
      [1.2, 5.9, -0.2],
      [1.42, 5.68, -0.2],
    ],
    height: 0.035,
    width: 0.14,
    flexed: (rig, side) => rising(40, 5, elbowDeg(rig, side)) * rising(40, 90, raisedDeg(rig, side)),
  },
  {
    name: 'deltoid',
    from: [0.6, 0.75, 0.28],
    under: /^(uarm|torso)/,
    line: [
      [0.96, 6.4, 0.12],
      [1.14, 6.15, 0.1],
    ],
    height: 0.045,
    width: 0.2,
    flexed: (rig, side) => rising(35, 95, raisedDeg(rig, side)),
  },
  {
    name: 'trapezius',
    from: [0.2, 0.75, -0.63],
    under: /^(torso|head)/,
    line: [
      [0.3, 6.66, 0],
      [0.55, 6.55, 0],
    ],
    height: 0.05,
    width: 0.15,
    flexed: (rig, side) => rising(4, 26, shruggedDeg(rig, side)),
  },
  {
    name: 'neck muscle',
    from: [0.5, 0, 0.866],
    under: /^(torso|head)/,
    line: [
      [0.3, 7.0, 0.12],
      [0.22, 6.78, 0.28],
      [0.1, 6.48, 0.36],
    ],
    height: 0.045,
    width: 0.07,
    // The muscle of one side turns the face to the other.
    flexed: (rig, side) =>
      rising(15, 60, -(eulerYzx(rig.local.neck)[0] + eulerYzx(rig.local.head)[0]) * sideSign(side)),
  },
  {
    name: 'inner head of the calf',
    from: [-0.3, 0, -0.954],
    under: /^calf/,
    line: [
      [0.63, 1.85, -0.1],
      [0.65, 1.6, -0.15],
    ],
    height: 0.045,
    width: 0.12,
    flexed: (rig, side) => rising(8, 42, hingeDeg(rig, `foot.${side}`)),
  },
  {
    name: 'outer head of the calf',
    from: [0.4, 0, -0.917],
    under: /^calf/,
    line: [
      [0.82, 1.9, -0.1],
      [0.81, 1.7, -0.12],
    ],
    height: 0.035,
    width: 0.12,
    flexed: (rig, side) => rising(8, 42, hingeDeg(rig, `foot.${side}`)),
  },
  {
    name: 'inner thigh muscle above the knee',
    from: [-0.45, 0, 0.893],
    under: /^thigh/,
    line: [
      [0.56, 2.66, 0.3],
      [0.55, 2.52, 0.28],
    ],
    height: 0.04,
    width: 0.1,
    flexed: (rig, side) => rising(28, 4, hingeDeg(rig, `calf.${side}`)),
  },
  {
    name: 'crease of the groin',
    from: [...FRONT],
    under: /^(torso|thigh)/,
    line: [
      [0.24, 4.2, 0.45],
      [0.5, 4.42, 0.42],
    ],
    height: -0.05,
    width: 0.075,
    flexed: (rig, side) => rising(35, 95, thighDeg(rig, side)),
  },
  {
    name: 'hollow of the armpit',
    from: [0.45, -0.5, 0.74],
    under: /^(torso|uarm)/,
    line: [
      [0.76, 5.92, 0.25],
      [0.86, 6.02, 0.18],
    ],
    height: -0.06,
    width: 0.1,
    flexed: (rig, side) => rising(70, 150, raisedDeg(rig, side)),
  },
  {
    name: 'back edge of the armpit',
    from: [0.55, -0.2, -0.81],
    under: /^torso/,
    line: [
      [0.66, 5.5, -0.25],
      [0.82, 5.95, -0.15],
    ],
    height: 0.035,
    width: 0.1,
    flexed: (rig, side) => rising(60, 140, raisedDeg(rig, side)),
  },
  {
    name: 'outer thigh muscle above the knee',
    from: [0.45, 0, 0.893],
    under: /^thigh/,
    line: [
      [0.76, 2.85, 0.3],
      [0.75, 2.68, 0.28],
    ],
    height: 0.03,
    width: 0.11,
    flexed: (rig, side) => rising(28, 4, hingeDeg(rig, `calf.${side}`)),
  },
];

/** Where a muscle lifts the skin of the left side. */
interface Lifted {
  vertices: Uint32Array;
  heights: Float32Array;
  flexed: Muscle['flexed'];
}

/**
 * Where each muscle is, found once.
 * @param rest Of the body that forms are written for.
 */
export function findMuscles(
  { firstEye }: BodyMesh,
  rest: Float32Array,
  normals: Float32Array,
  parts: Uint8Array,
): Lifted[] {
  return MUSCLES.map((muscle) => {
    const heights = formHeights([muscle], rest, normals, parts);
    const vertices = Uint32Array.from({ length: firstEye }, (_, v) => v).filter(
      (v) => Math.abs(heights[v]) > 1e-4 && rest[v * 3] >= -1e-4,
    );
    return { vertices, heights: Float32Array.from(vertices, (v) => heights[v]), flexed: muscle.flexed };
  });
}
export type Muscles = ReturnType<typeof findMuscles>;

/**
 * Let muscles swell as far as a pose flexes them. Changes `p`.
 * @param strength How much of them shows on this build.
 */
export function flexMuscles(
  muscles: Muscles,
  mirror: Uint32Array,
  rig: Rig,
  p: Float32Array,
  normals: Float32Array,
  strength: number,
): void {
  for (const { vertices, heights, flexed } of muscles)
    for (const side of SIDES) {
      const amount = flexed(rig, side) * strength;
      if (amount === 0) continue;
      vertices.forEach((left, i) => {
        const o = (side === 'L' ? left : mirror[left]) * 3;
        for (let k = 0; k < 3; k++) p[o + k] += normals[o + k] * heights[i] * amount;
      });
    }
}
