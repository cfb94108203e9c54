import type { Point } from '../figure/facts/actionLine';
import { apart } from '../plane';
import type { PlaceName } from './places';

/** A part may be drawn so much larger or smaller, turned, or shifted as a whole: share, radians, share of the figure. */
const PART_SCALE = 0.16;
const PART_TURN = 0.12;
const PART_SHIFT = 0.03;
/** A place may be shifted by itself so far, share of the figure; two places so far apart differ in that by this share of it. */
const OWN_SHIFT = 0.03;
const LOOSE = 0.07;
/** The whole is about as large as it was placed, and stands about as upright as what it is of: share, radians. */
const SIZE = 0.3;
const LEAN = 0.1;
/** A place moves with its nearest handles. */
const HANDLES = 5;
const NEIGHBORS = 4;

/** How far a point goes with each unknown: its number, and the way for one of it. */
export type Basis = readonly (readonly [unknown: number, x: number, y: number])[];

/** A part that is drawn too large, turned or shifted as a whole: learners err so. */
interface Part {
  /** Numbers of the handles in it. */
  of: readonly number[];
  about: Point;
  ways: readonly ('scale' | 'turn' | 'shift')[];
}

const SIDES = ['left', 'right'] as const;

/** The parts of a figure by its handles. @param ring Numbers of the handles around the head. */
function partsOf(names: readonly PlaceName[], handles: readonly Point[], ring: readonly number[]): Part[] {
  const number = (name: PlaceName): number[] => (names.includes(name) ? [names.indexOf(name)] : []);
  const middle = (some: readonly number[]): Point => [
    some.reduce((sum, i) => sum + handles[i][0], 0) / some.length,
    some.reduce((sum, i) => sum + handles[i][1], 0) / some.length,
  ];
  const ends = (name: 'shoulder' | 'hip point'): number[] => SIDES.flatMap((side) => number(`${side} ${name}`));
  const below = SIDES.flatMap((side) =>
    (['outer hip', 'knee', 'ankle', 'heel', 'toes'] as const).flatMap((name) => number(`${side} ${name}`)),
  );
  const limbs = SIDES.flatMap((side): Part[] => {
    const [shoulder, hip] = [number(`${side} shoulder`), number(`${side} outer hip`)];
    const arm = (['elbow', 'wrist'] as const).flatMap((name) => number(`${side} ${name}`));
    const leg = (['knee', 'ankle', 'heel', 'toes'] as const).flatMap((name) => number(`${side} ${name}`));
    return [
      { of: arm, about: middle(shoulder), ways: ['scale', 'turn'] },
      { of: leg, about: middle(hip), ways: ['scale', 'turn'] },
    ];
  });
  const chin = number('chin');
  const all: Part[] = [
    { of: [...number('crown'), ...ring], about: middle(chin), ways: ['scale', 'turn'] },
    { of: ends('shoulder'), about: middle(ends('shoulder')), ways: ['scale', 'turn'] },
    { of: ends('hip point'), about: middle(ends('hip point')), ways: ['scale', 'turn'] },
    { of: [...ends('hip point'), ...number('pubic bone'), ...below], about: [0, 0], ways: ['shift'] },
    ...limbs,
  ];
  return all.filter(({ of, about }) => of.length > 0 && Number.isFinite(about[0]));
}

/** Weights of the nearest handles of a point, adding up to 1. */
function handlesOf(at: Point, handles: readonly Point[]): (readonly [handle: number, weight: number])[] {
  const all = handles
    .map(([x, y], i) => [i, (x - at[0]) ** 2 + (y - at[1]) ** 2] as const)
    .sort((a, b) => a[1] - b[1])
    .slice(0, HANDLES)
    .map(([i, d]) => [i, 1 / (d + 16) ** 1.5] as const);
  const total = all.reduce((sum, [, w]) => sum + w, 0);
  return all.map(([i, w]) => [i, w / total] as const);
}

/** Of the whole: scale, turn about the middle, and shift. What they are at rest: as placed. */
const SIMILARITY = 4;
export const AT_REST = [1, 0, 0, 0];

/** What moves points, all of it linear: of the whole, of its parts, of each handle by itself. */
export interface Bending {
  unknowns: number;
  /** Which unknowns move a point, and how. */
  of: (at: Point) => Basis;
  /** What is believed of the unknowns before anything is seen: of some weighted alike or apart, around what they are at rest. */
  prior: (add: (i: number, j: number, weight: number, right: number) => void) => void;
}

/**
 * What may bend a figure.
 * @param names Of the first handles, in their order; the others are a ring around the head.
 * @param figurePx The figure's size in the unit of the handles.
 * @param middle What the whole is turned and scaled about.
 */
export function bendingOf(
  names: readonly PlaceName[],
  handles: readonly Point[],
  figurePx: number,
  [cx, cy]: Point,
): Bending {
  const loose: number[] = [];
  const ofHandle = handles.map((): [number, number, number][] => []);
  const ring = handles.map((_, i) => i).slice(names.length);
  for (const { of, about, ways } of partsOf(names, handles, ring))
    for (const way of ways)
      for (const k of way === 'shift' ? [0, 1] : [0]) {
        const unknown = SIMILARITY + loose.length;
        loose.push(way === 'scale' ? PART_SCALE : way === 'turn' ? PART_TURN : PART_SHIFT * figurePx);
        for (const h of of) {
          const [dx, dy] = [handles[h][0] - about[0], handles[h][1] - about[1]];
          ofHandle[h].push(
            way === 'scale' ? [unknown, dx, dy] : way === 'turn' ? [unknown, -dy, dx] : [unknown, k === 0 ? 1 : 0, k],
          );
        }
      }
  /** Number of the first unknown of a handle's own shift. */
  const own = (handle: number): number => SIMILARITY + loose.length + 2 * handle;
  const unknowns = own(handles.length);
  const pairs = neighbors(handles);
  return {
    unknowns,
    of: (at) => {
      const [dx, dy] = [at[0] - cx, at[1] - cy];
      const sum = new Map<number, [number, number]>([
        [0, [dx, dy]],
        [1, [-dy, dx]],
        [2, [1, 0]],
        [3, [0, 1]],
      ]);
      for (const [h, w] of handlesOf(at, handles))
        for (const [unknown, x, y] of [...ofHandle[h], [own(h), 1, 0] as const, [own(h) + 1, 0, 1] as const]) {
          const before = sum.get(unknown) ?? [0, 0];
          sum.set(unknown, [before[0] + w * x, before[1] + w * y]);
        }
      return [...sum].map(([unknown, [x, y]]) => [unknown, x, y] as const);
    },
    prior: (add) => {
      add(0, 0, 1 / SIZE ** 2, 1 / SIZE ** 2);
      add(1, 1, 1 / LEAN ** 2, 0);
      loose.forEach((sigma, i) => add(SIMILARITY + i, SIMILARITY + i, 1 / sigma ** 2, 0));
      for (let i = own(0); i < unknowns; i++) add(i, i, 1 / (OWN_SHIFT * figurePx) ** 2, 0);
      for (const [a, b, sigma] of pairs)
        for (const c of [0, 1]) {
          const [i, j, weight] = [own(a) + c, own(b) + c, 1 / sigma ** 2];
          add(i, i, weight, 0);
          add(j, j, weight, 0);
          add(i, j, -weight, 0);
          add(j, i, -weight, 0);
        }
    },
  };
}

/** Each handle with its nearest ones, and how far they may err against each other. */
function neighbors(handles: readonly Point[]): [number, number, number][] {
  const out = new Map<string, [number, number, number]>();
  handles.forEach((at, i) => {
    const near = handles
      .map((p, j) => [j, apart(p, at)] as const)
      .filter(([j]) => j !== i)
      .sort((a, b) => a[1] - b[1])
      .slice(0, NEIGHBORS);
    for (const [j, d] of near)
      out.set(`${String(Math.min(i, j))}/${String(Math.max(i, j))}`, [i, j, Math.max(2, LOOSE * d)]);
  });
  return [...out.values()];
}
