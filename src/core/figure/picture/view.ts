import { clamp } from '../../clamp';
import type { ShownPart } from '../mesh/region';
import type { Rig } from '../skeleton/kinematics';
import {
  add,
  cross,
  dot,
  length,
  normalize,
  type Quat,
  RAD_PER_DEG,
  rotate,
  scale,
  sub,
  type Vec3,
} from '../skeleton/vector';

/** Where a figure is seen from. Azimuth 0 is the figure's front, positive toward its own left. */
export interface View {
  azimuthDeg: number;
  /** Elevation of the eye above the figure's middle. */
  elevationDeg: number;
  /** Vertical angle the figure fills; small is flat, large is strongly foreshortened. */
  lensDeg: number;
}

/** An off-axis perspective frame around a figure: plane bounds are at unit distance from the eye. */
export interface Frame {
  eye: Vec3;
  target: Vec3;
  left: number;
  right: number;
  top: number;
  bottom: number;
}

interface Axes {
  toEye: Vec3;
  right: Vec3;
  up: Vec3;
}
function viewAxes({ azimuthDeg, elevationDeg }: View): Axes {
  const a = azimuthDeg * RAD_PER_DEG;
  const e = elevationDeg * RAD_PER_DEG;
  const toEye: Vec3 = [Math.sin(a) * Math.cos(e), Math.sin(e), Math.cos(a) * Math.cos(e)];
  const right: Vec3 = [Math.cos(a), 0, -Math.sin(a)];
  return { toEye, right, up: cross(toEye, right) };
}

/** Share of the figure's width or height left free around it: [left, right, top, bottom]. */
export type Margins = readonly [number, number, number, number];

/** The lowest an eye goes, head heights above the ground. */
const LOWEST_EYE = 0.15;

/**
 * Frame a figure tightly.
 * @param positions xyz of its vertices, head heights.
 */
export function frameFigure(positions: Float32Array, view: View, [ml, mr, mt, mb]: Margins): Frame {
  const lo: Vec3 = [Infinity, Infinity, Infinity];
  const hi: Vec3 = [-Infinity, -Infinity, -Infinity];
  for (let i = 0; i < positions.length; i++) {
    const k = i % 3;
    if (positions[i] < lo[k]) lo[k] = positions[i];
    if (positions[i] > hi[k]) hi[k] = positions[i];
  }
  const target = scale(add(lo, hi), 0.5);
  const { toEye, right, up } = viewAxes(view);
  const half = Math.tan((view.lensDeg * RAD_PER_DEG) / 2);
  const tan = 1 / half;
  let distance = 0;
  for (let i = 0; i < positions.length; i += 3) {
    const x = positions[i] - target[0];
    const y = positions[i + 1] - target[1];
    const z = positions[i + 2] - target[2];
    const aside = Math.max(
      Math.abs(x * up[0] + y * up[1] + z * up[2]),
      Math.abs(x * right[0] + y * right[1] + z * right[2]),
    );
    const away = x * toEye[0] + y * toEye[1] + z * toEye[2] + aside * tan;
    if (away > distance) distance = away;
  }
  const eye = add(target, scale(toEye, distance));
  eye[1] = Math.max(LOWEST_EYE, eye[1]);
  const backward = normalize(sub(eye, target));
  const screenRight = normalize(cross([0, 1, 0], backward));
  const screenUp = cross(backward, screenRight);
  let x0 = Infinity;
  let x1 = -Infinity;
  let y0 = Infinity;
  let y1 = -Infinity;
  for (let i = 0; i < positions.length; i += 3) {
    const px = positions[i] - eye[0];
    const py = positions[i + 1] - eye[1];
    const pz = positions[i + 2] - eye[2];
    const depth = -(px * backward[0] + py * backward[1] + pz * backward[2]);
    const x = (px * screenRight[0] + py * screenRight[1] + pz * screenRight[2]) / depth;
    const y = (px * screenUp[0] + py * screenUp[1] + pz * screenUp[2]) / depth;
    if (x < x0) x0 = x;
    if (x > x1) x1 = x;
    if (y < y0) y0 = y;
    if (y > y1) y1 = y;
  }
  const span = Math.max(x1 - x0, y1 - y0);
  return { eye, target, left: x0 - ml * span, right: x1 + mr * span, top: y1 + mt * span, bottom: y0 - mb * span };
}

/** A frame widened or heightened to another shape, as a picture is contained in its place. @param aspect Width over height. */
export function contained({ left, right, top, bottom, ...rest }: Frame, aspect: number): Frame {
  const [width, height] = [right - left, top - bottom];
  const wider = Math.max(0, height * aspect - width) / 2;
  const higher = Math.max(0, width / aspect - height) / 2;
  return { ...rest, left: left - wider, right: right + wider, top: top + higher, bottom: bottom - higher };
}

export type Facing = 'left' | 'right' | 'toward you' | 'away';
export type ViewName = 'front' | 'three-quarter' | 'profile' | 'back three-quarter' | 'back';

/**
 * The direction in the ground plan that a part's front has, or would have if it stood up: bent over past the level it is where the top
 * points, lying on the back where the feet do.
 */
function groundForward(rot: Quat): Vec3 {
  const front = rotate(rot, [0, 0, 1]);
  const up = rotate(rot, [0, 1, 0]);
  const upright = Math.max(0.3, up[1]);
  return [front[0] * upright - up[0] * front[1], 0, front[2] * upright - up[2] * front[1]];
}

/** Which way a figure faces in the ground plan: between chest and head. Degrees to one decimal, as azimuths. */
export function headingDeg({ rot }: Pick<Rig, 'rot'>): number {
  const forward = add(groundForward(rot.chest), scale(groundForward(rot.head), 0.6));
  return Math.round((Math.atan2(forward[0], forward[2]) / RAD_PER_DEG) * 10) / 10;
}

/** Which way a bone's front points in the ground plan, degrees from the world's front. */
function boneHeadingDeg(rot: Quat): number {
  const forward = groundForward(rot);
  return Math.round((Math.atan2(forward[0], forward[2]) / RAD_PER_DEG) * 10) / 10;
}

/** Which way a part faces, degrees from the world's front: a head its own way, a hand its palm's, anything else the body's. */
export const partHeading = (rig: Rig, part: ShownPart): number =>
  part === 'head' ? boneHeadingDeg(rig.rot.head) : part.startsWith('hand') ? 0 : headingDeg(rig);

/** View and facing of a figure with a heading, seen from an azimuth, degrees. */
export function describeHeading(heading: number, azimuthDeg: number): { viewName: ViewName; facing: Facing } {
  const turn = ((((heading - azimuthDeg + 180) % 360) + 360) % 360) - 180; // positive: to the picture's right
  const angle = Math.abs(turn);
  const viewName =
    angle < 25
      ? 'front'
      : angle < 65
        ? 'three-quarter'
        : angle < 115
          ? 'profile'
          : angle < 155
            ? 'back three-quarter'
            : 'back';
  const facing = angle < 15 ? 'toward you' : angle > 165 ? 'away' : turn > 0 ? 'right' : 'left';
  return { viewName, facing };
}

/** Which way the chest is turned in the picture: its view, and the side it faces. */
export const describeView = (rig: Rig, view: View): { viewName: ViewName; facing: Facing } =>
  describeHeading(headingDeg(rig), view.azimuthDeg);

const LIMBS: readonly (readonly [from: string, to: string])[] = [
  ['uarm', 'farm'],
  ['farm', 'hand'],
  ['thigh', 'calf'],
  ['calf', 'foot'],
];

/** Projected over true length of each limb segment in a parallel projection along the view: 1 lies across it, 0 points at the eye. */
export function foreshortening(rig: Rig, view: View): number[] {
  const { toEye } = viewAxes(view);
  return (['L', 'R'] as const).flatMap((side) =>
    LIMBS.map(([from, to]) => {
      const bone = sub(rig.pos[`${to}.${side}`], rig.pos[`${from}.${side}`]);
      const along = dot(bone, toEye) / length(bone);
      return Math.sqrt(1 - clamp(along * along, 0, 1));
    }),
  );
}

/** Joints between which the directions of limbs are told, as core/body/limbs has them: shoulders, hips, then arms and legs. */
const DIRECTIONS: readonly (readonly [from: string, to: string])[] = [
  ['uarm.L', 'uarm.R'],
  ['thigh.L', 'thigh.R'],
  ...(['L', 'R'] as const).flatMap((side) =>
    LIMBS.slice(0, 2).map(([from, to]) => [`${from}.${side}`, `${to}.${side}`] as const),
  ),
  ...(['L', 'R'] as const).flatMap((side) =>
    LIMBS.slice(2).map(([from, to]) => [`${from}.${side}`, `${to}.${side}`] as const),
  ),
];

/** Directions of the limbs in a parallel projection along the view, degrees clockwise from the picture's right. */
export function limbDirectionsOf(rig: Rig, view: View): number[] {
  const { right, up } = viewAxes(view);
  return DIRECTIONS.map(([from, to]) => {
    const bone = sub(rig.pos[to], rig.pos[from]);
    return Math.atan2(-dot(bone, up), dot(bone, right)) / RAD_PER_DEG;
  });
}

/** Degrees between the directions of the shoulders and the hips, seen from above. */
export function twistDeg(rig: Rig): number {
  const heading = (right: string, left: string): number => {
    const across = sub(rig.pos[left], rig.pos[right]);
    return Math.atan2(across[2], across[0]) / RAD_PER_DEG;
  };
  const difference = heading('uarm.R', 'uarm.L') - heading('thigh.R', 'thigh.L');
  return Math.abs(((difference + 540) % 360) - 180);
}
