import { add, cross, dot, length, normalize, RAD_PER_DEG, scale, sub, type Vec3 } from '../figure/skeleton/vector';
import { POINT_NAMES, type PointName } from './points';

/** A body in space as its directions and joint angles; x to the picture's right, y up, z toward the eye. */
export interface Posture {
  at: (name: PointName) => Vec3;
  /** From the hips to the shoulders. */
  trunk: Vec3;
  /** Leaning of the trunk from upright, degrees. */
  trunkDeg: number;
  /** From hanging straight down, degrees: left, right. */
  thighDeg: readonly [number, number];
  shinDeg: readonly [number, number];
  upperArmDeg: readonly [number, number];
  /** Bend of the knees, degrees: 0 is straight. */
  kneeDeg: readonly [number, number];
  /** Way the body faces in the ground plan, degrees: 0 toward the eye, 90 to the picture's right. */
  turnDeg: number;
  /** Shoulders against hips seen from above, degrees. */
  twistDeg: number;
  /** Projected over true length of upper arms, forearms, thighs and lower legs, left then right. */
  ratios: { name: string; ratio: number }[];
}

const DOWN: Vec3 = [0, -1, 0];
const UP: Vec3 = [0, 1, 0];

const angleDeg = (a: Vec3, b: Vec3): number =>
  Math.acos(Math.max(-1, Math.min(1, dot(a, b) / (length(a) * length(b) || 1)))) / RAD_PER_DEG;

/** How a part faces in the ground plan: as it would if it stood up. */
function groundForward(across: Vec3, up: Vec3): Vec3 {
  const front = normalize(cross(across, up));
  const upright = Math.max(0.3, up[1]);
  return [front[0] * upright - up[0] * front[1], 0, front[2] * upright - up[2] * front[1]];
}

const SEGMENTS: readonly (readonly [words: string, from: string, to: string])[] = [
  ['upper arm', 'shoulder', 'elbow'],
  ['forearm', 'elbow', 'wrist'],
  ['thigh', 'hip', 'knee'],
  ['lower leg', 'knee', 'ankle'],
];

/** @param space Points in meters: x to the picture's right, y down, z away from the eye. */
export function postureOf(space: readonly (readonly [number, number, number])[]): Posture {
  const at = (name: PointName): Vec3 => {
    const [x, y, z] = space[POINT_NAMES.indexOf(name)];
    return [x, -y, -z];
  };
  const between = (a: PointName, b: PointName): Vec3 => sub(at(b), at(a));
  const middle = (a: PointName, b: PointName): Vec3 => scale(add(at(a), at(b)), 0.5);
  const trunk = sub(middle('left shoulder', 'right shoulder'), middle('left hip', 'right hip'));
  const up = normalize(trunk);
  const shoulders = between('right shoulder', 'left shoulder');
  const hips = between('right hip', 'left hip');
  // The hips tell more than the shoulders, which the arms pull about.
  const forward = add(scale(groundForward(shoulders, up), 0.5), groundForward(hips, up));
  const plan = (v: Vec3): number => Math.atan2(v[2], v[0]) / RAD_PER_DEG;
  const both = (measure: (side: 'left' | 'right') => number): [number, number] => [measure('left'), measure('right')];
  const hanging = (from: string, to: string) =>
    both((side) => angleDeg(between(`${side} ${from}` as PointName, `${side} ${to}` as PointName), DOWN));
  return {
    at,
    trunk,
    trunkDeg: angleDeg(trunk, UP),
    thighDeg: hanging('hip', 'knee'),
    shinDeg: hanging('knee', 'ankle'),
    upperArmDeg: hanging('shoulder', 'elbow'),
    kneeDeg: both((side) => angleDeg(between(`${side} hip`, `${side} knee`), between(`${side} knee`, `${side} ankle`))),
    turnDeg: Math.atan2(forward[0], forward[2]) / RAD_PER_DEG,
    twistDeg: Math.abs(((plan(shoulders) - plan(hips) + 540) % 360) - 180),
    ratios: (['left', 'right'] as const).flatMap((side) =>
      SEGMENTS.map(([words, from, to]) => {
        const bone = between(`${side} ${from}` as PointName, `${side} ${to}` as PointName);
        return { name: `${side} ${words}`, ratio: Math.hypot(bone[0], bone[1]) / (length(bone) || 1) };
      }),
    ),
  };
}
