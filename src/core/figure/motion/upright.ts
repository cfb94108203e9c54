import {
  add,
  dot,
  length,
  normalize,
  type Quat,
  rotate,
  rotationBetween,
  scale,
  sub,
  type Vec3,
} from '../skeleton/vector';
import { type Motion, placeJoints } from './bvh';
import type { BodyPlace, JointTable } from './jointNames';

/** Axes that may point up in a file. */
export const UP_AXES = ['x', 'y', 'z', '-x', '-y', '-z'] as const;
export type UpAxis = (typeof UP_AXES)[number];

const VECTORS: Readonly<Record<UpAxis, Vec3>> = {
  x: [1, 0, 0],
  y: [0, 1, 0],
  z: [0, 0, 1],
  '-x': [-1, 0, 0],
  '-y': [0, -1, 0],
  '-z': [0, 0, -1],
};

/** The axis nearest to a direction, and how near, 0.58 to 1. */
function axisOf(direction: Vec3): { axis: UpAxis; near: number } {
  const n = normalize(direction);
  const axis = UP_AXES.reduce((best, one) => (dot(VECTORS[one], n) > dot(VECTORS[best], n) ? one : best));
  return { axis, near: dot(VECTORS[axis], n) };
}

/** Where places of the body are, by a table of joints. */
const placesIn =
  (table: JointTable, positions: readonly Vec3[]) =>
  (place: BodyPlace): Vec3 | undefined => {
    const joint = table[place];
    return joint === undefined ? undefined : positions[joint];
  };

/** The frame in which every joint is as the file's own rest pose has it. */
const restFrame = ({ joints }: Motion): Float64Array =>
  new Float64Array(joints.reduce((sum, { channels }) => sum + channels.length, 0));

/** So many frames are looked at. */
const LOOKED_AT = 60;
/** Somebody who stands most of the time: the mean of what points up is longer than this share of it. */
const STANDS = 0.6;

/**
 * Which axis of a file points up: where the head mostly is from the feet while it moves, if it is upright mostly; else where it is from
 * them in the file's own rest pose, in which people stand.
 */
export function findUp(motion: Motion, table: JointTable): UpAxis {
  const tall = (positions: readonly Vec3[]): Vec3 => {
    const at = placesIn(table, positions);
    const middle = (a: Vec3 | undefined, b: Vec3 | undefined): Vec3 | undefined => a && b && scale(add(a, b), 0.5);
    const top = at('head') ?? at('neck') ?? middle(at('left shoulder'), at('right shoulder'));
    const feet = middle(at('left ankle'), at('right ankle'));
    return top && feet ? sub(top, feet) : [0, 1, 0];
  };
  const step = Math.max(1, Math.floor(motion.frames.length / LOOKED_AT));
  const seen = motion.frames
    .filter((_, i) => i % step === 0)
    .map((frame) => tall(placeJoints(motion, frame).positions));
  const sum = seen.reduce<Vec3>((a, b) => add(a, normalize(b)), [0, 0, 0]);
  if (length(sum) > STANDS * seen.length) return axisOf(sum).axis;
  const rest = placeJoints(motion, restFrame(motion));
  return axisOf(tall(rest.positions)).axis;
}

/** Rotation that brings a file's up to ours, y. A half turn where it is the very opposite. */
const uprightBy = (up: UpAxis): Quat => (up === '-y' ? [0, 0, 1, 0] : rotationBetween(VECTORS[up], VECTORS.y));

/** A place of a file, upright. */
export const upright = (place: Vec3, up: UpAxis): Vec3 => (up === 'y' ? place : rotate(uprightBy(up), place));

/** Units a skeleton may be in, by how tall an adult is in them. */
const UNITS: readonly (readonly [name: string, perMeter: number])[] = [
  ['meters', 1],
  ['feet', 3.281],
  ['inches', 39.37],
  ['centimeters', 100],
  ['millimeters', 1000],
];
const TALL_M: readonly [number, number] = [1.35, 2.2];
/**
 * Ankle to shoulder as a share of standing height: 0.818 less 0.039.
 * Source: R. Drillis and R. Contini, "Body segment parameters", 1966, as in D. Winter, Biomechanics and Motor Control of Human Movement.
 */
const OF_HEIGHT = 0.779;

/**
 * How tall the person of a file is and in which unit it is, by its bones; the unit that makes an adult of them.
 * @returns undefined where none does.
 */
export function unitOf(motion: Motion, table: JointTable): { name: string; tallM: number } | undefined {
  const { positions } = placeJoints(motion, restFrame(motion));
  const at = placesIn(table, positions);
  const chain = (...places: BodyPlace[]): number =>
    places.slice(1).reduce((sum, place, i) => {
      const [a, b] = [at(places[i]), at(place)];
      return a && b ? sum + length(sub(b, a)) : sum;
    }, 0);
  const tall = (chain('left ankle', 'left knee', 'left hip', 'left shoulder') || Number.NaN) / OF_HEIGHT;
  const found = UNITS.map(([name, perMeter]) => ({ name, tallM: tall / perMeter })).find(
    ({ tallM }) => tallM >= TALL_M[0] && tallM <= TALL_M[1],
  );
  return found;
}
