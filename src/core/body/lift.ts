import { type BodyPoint, HANDLES, POINT_NAMES, type PointName } from './points';

/**
 * A body in space from its points in a picture: in a parallel projection, a bone of known length that shows shorter points toward the eye
 * or away from it by the missing side of a right triangle (C. J. Taylor, "Reconstruction of Articulated Objects from Point Correspondences
 * in a Single Uncalibrated Image", 2000). Which of the two cannot be seen; it is taken from what was known before, and can be switched.
 */

/** A bone: its ends, and its length as a share of stature (D. A. Winter, "Biomechanics and Motor Control of Human Movement", fig. 4.1). */
interface Bone {
  from: PointName | 'hips' | 'shoulders';
  to: PointName | 'shoulders';
  share: number;
}
export const BONES: readonly Bone[] = [
  { from: 'hips', to: 'shoulders', share: 0.288 },
  { from: 'shoulders', to: 'nose', share: 0.11 },
  ...(['left', 'right'] as const).flatMap((side): Bone[] => [
    { from: 'hips', to: `${side} hip`, share: 0.0955 },
    { from: 'shoulders', to: `${side} shoulder`, share: 0.1295 },
    { from: `${side} shoulder`, to: `${side} elbow`, share: 0.186 },
    { from: `${side} elbow`, to: `${side} wrist`, share: 0.146 },
    { from: `${side} hip`, to: `${side} knee`, share: 0.245 },
    { from: `${side} knee`, to: `${side} ankle`, share: 0.246 },
  ]),
];

/** Segments whose direction toward or away from the eye can be switched by hand, by the point at their far end. */
export const SWITCHABLE: readonly PointName[] = HANDLES.filter((name) => /elbow|wrist|knee|ankle/.test(name));

/** Points that go where another goes. */
function leaderOf(name: PointName): PointName {
  const side = name.startsWith('left') ? 'left' : 'right';
  if (/finger|thumb/.test(name)) return `${side} wrist`;
  if (/heel|toes/.test(name)) return `${side} ankle`;
  return /eye|ear|mouth/.test(name) ? 'nose' : name;
}

/** Points with one moved by hand, and what hangs on it. @param x Shares of the picture's width, as y of its height. */
export function movePoint(points: readonly BodyPoint[], name: PointName, x: number, y: number): BodyPoint[] {
  const before = points[POINT_NAMES.indexOf(name)];
  return points.map((p, i) =>
    leaderOf(POINT_NAMES[i]) === name ? { ...p, x: p.x + x - before.x, y: p.y + y - before.y, seen: 1 } : p,
  );
}

type Space = [number, number, number][];
const at = <T>(list: readonly T[], name: PointName): T => list[POINT_NAMES.indexOf(name)];

/** Stature assumed for bodies set by hand, meters: only proportions matter. */
const STATURE_M = 1.7;

/**
 * @param aspect Width over height of the picture.
 * @param before The body in space as it was known: tells which way each bone points; the order is the picture's own.
 * @param switched Segments, by their far ends, to point the other way than before.
 */
export function liftBody(
  points: readonly BodyPoint[],
  aspect: number,
  before: readonly (readonly [number, number, number])[],
  switched: ReadonlySet<PointName> = new Set(),
): Space {
  const flat = (name: PointName): [number, number] => [at(points, name).x * aspect, at(points, name).y];
  const middle = (a: [number, number], b: [number, number]): [number, number] => [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2];
  const place = (name: Bone['from'] | Bone['to']): [number, number] =>
    name === 'hips'
      ? middle(flat('left hip'), flat('right hip'))
      : name === 'shoulders'
        ? middle(flat('left shoulder'), flat('right shoulder'))
        : flat(name);
  const depthBefore = (name: Bone['from'] | Bone['to']): number =>
    name === 'hips'
      ? (at(before, 'left hip')[2] + at(before, 'right hip')[2]) / 2
      : name === 'shoulders'
        ? (at(before, 'left shoulder')[2] + at(before, 'right shoulder')[2]) / 2
        : at(before, name)[2];
  const length = ({ from, to }: Bone): number => {
    const [a, b] = [place(from), place(to)];
    return Math.hypot(b[0] - a[0], b[1] - a[1]);
  };
  // The least stature at which no bone is longer in the picture than it can be.
  const stature = Math.max(1e-6, ...BONES.map((bone) => length(bone) / bone.share));
  const depth = new Map<string, number>([['hips', 0]]);
  for (const bone of BONES) {
    const missing = Math.sqrt(Math.max(0, (bone.share * stature) ** 2 - length(bone) ** 2));
    const was = depthBefore(bone.to) - depthBefore(bone.from);
    const turned = switched.has(bone.to as PointName) ? -1 : 1;
    depth.set(bone.to, (depth.get(bone.from) ?? 0) + (was >= 0 ? 1 : -1) * turned * missing);
  }
  const root = place('hips');
  const meters = STATURE_M / stature;
  return POINT_NAMES.map((name, i): [number, number, number] => {
    const leader = leaderOf(name);
    const [x, y] = flat(name);
    const own = before[i][2] - at(before, leader)[2];
    return [(x - root[0]) * meters, (y - root[1]) * meters, (depth.get(leader) ?? 0) * meters + own];
  });
}

/** Height of a body placed by hand, as a share of the picture's. */
const PLACED = 0.8;
/** Where the points of a standing body lie, as shares of stature: across from the middle, down from the hips. */
const STANDING: Record<string, readonly [number, number]> = {
  hip: [0.0955, 0],
  knee: [0.0955, 0.245],
  ankle: [0.0955, 0.491],
  heel: [0.0955, 0.51],
  toes: [0.11, 0.53],
  shoulder: [0.1295, -0.288],
  elbow: [0.1295, -0.102],
  wrist: [0.1295, 0.044],
  'little finger': [0.135, 0.1],
  'index finger': [0.125, 0.11],
  thumb: [0.115, 0.08],
  nose: [0, -0.398],
  'inner eye': [0.008, -0.41],
  eye: [0.016, -0.41],
  'outer eye': [0.024, -0.41],
  ear: [0.035, -0.405],
  'mouth corner': [0.012, -0.385],
};

/** A standing body facing the eye, to be dragged into place where none was found. @param aspect Width over height of the picture. */
export function templateBody(aspect: number): { points: BodyPoint[]; space: Space } {
  const points = POINT_NAMES.map((name): BodyPoint => {
    const [across, down] = STANDING[name.replace(/^(left|right) /, '')];
    const side = name.startsWith('right') ? -1 : 1;
    return { x: 0.5 + (side * across * PLACED) / aspect, y: 0.49 + down * PLACED, z: 0, seen: 1 };
  });
  return {
    points,
    space: liftBody(
      points,
      aspect,
      POINT_NAMES.map(() => [0, 0, 0]),
    ),
  };
}

/** The same body with its sides exchanged: where the model took left for right. */
export function swapSides<T>(list: readonly T[]): T[] {
  return POINT_NAMES.map((name) => {
    const other = name.startsWith('left') ? name.replace('left', 'right') : name.replace('right', 'left');
    return list[POINT_NAMES.indexOf(other as PointName)];
  });
}
