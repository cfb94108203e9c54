import type { Point } from '../figure/facts/actionLine';
import type { DrawnKey } from '../figure/facts/answerKey';
import { middle } from '../plane';
import { ringOf } from './lines';
import { type Pull, warpBy } from './warp';

/** What a learner's drawing does to what is seen. Everything at its default is drawn as it is. */
export interface HandErrors {
  /** Of the head's size: 0.14 is a head 14 % too big. */
  head: number;
  /** Of the legs' length. */
  legs: number;
  /** Of the gap between ribcage and pelvis. */
  waist: number;
  /** Share of the tilts of shoulders and hips that is kept: 0.7 of a tilt of 10 degrees is 7. */
  tilts: number;
  /** Share of the height that is lost in the lowest third, as where a figure nears the edge of the sheet. */
  squeezed: number;
  /** How far lines stray, share of the figure's height: 0.002 is a sure hand, 0.01 a shaking one. */
  shaky: number;
  /** Share of lines that are put together out of short ones. */
  scratchy: number;
  /** Time it would need over the time there is: 1.5 leaves a third undrawn. */
  slow: number;
  /** Share of what is drawn last that is forgotten: from memory. */
  forgets: number;
}

export const NO_ERRORS: HandErrors = {
  head: 0,
  legs: 0,
  waist: 0,
  tilts: 1,
  squeezed: 0,
  shaky: 0.002,
  scratchy: 0,
  slow: 1,
  forgets: 0,
};

const SIDES = ['left', 'right'] as const;
const LEG = ['knee', 'ankle', 'heel', 'toes'];
const ARM = ['elbow', 'wrist', 'finger tips'];
/** Points put around each mass, so that what lies between its landmarks goes along. */
const AROUND = 8;

type Places = Map<string, Point>;

const moved = (places: Places, names: readonly string[], by: Point): void => {
  for (const name of names) {
    const p = places.get(name);
    if (p) places.set(name, [p[0] + by[0], p[1] + by[1]]);
  }
};
const scaled = (places: Places, names: readonly string[], about: Point, k: number): void => {
  for (const name of names) {
    const p = places.get(name);
    if (p) places.set(name, [about[0] + (p[0] - about[0]) * k, about[1] + (p[1] - about[1]) * k]);
  }
};
/** Names of the points around a mass. */
const aroundMass = (name: string): string[] => Array.from({ length: AROUND }, (_, i) => `${name} ${String(i)}`);

/** Keep a share of a line's tilt: its two ends turn about their middle, and what hangs on each goes with it. */
function flatten(
  places: Places,
  tilt: DrawnKey['hips'],
  ends: readonly [string, string],
  hanging: string[][],
  kept: number,
): void {
  const [p, q] = ends.map((name) => places.get(name));
  if (!p || !q || tilt.endOn || kept === 1) return;
  const mid = middle(p, q);
  const turn = (tilt.deg * (1 - kept) * Math.PI) / 180;
  const [c, s] = [Math.cos(turn), Math.sin(turn)];
  [p, q].forEach((end, i) => {
    const [dx, dy] = [end[0] - mid[0], end[1] - mid[1]];
    // Positive degrees raise the right end; y goes down.
    const to: Point = [mid[0] + c * dx - s * dy, mid[1] + s * dx + c * dy];
    moved(places, hanging[i], [to[0] - end[0], to[1] - end[1]]);
    places.set(ends[i], to);
  });
}

/** The lower part of a figure that is squeezed, share of its height. */
const SQUEEZED_FROM = 0.66;

/**
 * How a hand with errors sees a figure: a map of the picture's plane, and where it puts the landmarks.
 * @returns `at`, from the reference's pixels to the drawing's, and the landmarks by name as they are drawn.
 */
export function errorsOf(key: DrawnKey, errors: HandErrors): { at: (p: Point) => Point; places: Map<string, Point> } {
  const from: Places = new Map(key.marks.map(({ name, at }) => [name, at]));
  for (const mass of key.masses) {
    const ring = ringOf(mass, AROUND);
    aroundMass(mass.name).forEach((name, i) => from.set(name, ring[i]));
  }
  const to: Places = new Map(from);
  const head = ['crown', 'chin', ...aroundMass('head')];
  const pelvis = ['pubic bone', 'sacrum', ...aroundMass('pelvis')];
  const limb = (side: string, names: readonly string[]): string[] => names.map((name) => `${side} ${name}`);
  flatten(
    to,
    key.shoulders,
    ['left shoulder', 'right shoulder'],
    SIDES.map((side) => limb(side, ARM)),
    errors.tilts,
  );
  flatten(
    to,
    key.hips,
    ['left hip point', 'right hip point'],
    SIDES.map((side) => limb(side, ['outer hip', ...LEG])),
    errors.tilts,
  );
  const hips = SIDES.flatMap((side) => limb(side, ['outer hip', 'hip point']));
  const legs = SIDES.flatMap((side) => limb(side, LEG));
  for (const side of SIDES) {
    const hip = to.get(`${side} outer hip`);
    if (hip) scaled(to, limb(side, LEG), hip, 1 + errors.legs);
  }
  const [chest, basin] = ['ribcage', 'pelvis'].map((name) => key.masses.find((m) => m.name === name));
  if (chest && basin && errors.waist !== 0) {
    const gap: Point = [basin.center[0] - chest.center[0], basin.center[1] - chest.center[1]];
    moved(to, [...hips, ...legs, ...pelvis], [gap[0] * errors.waist, gap[1] * errors.waist]);
  }
  const chin = to.get('chin');
  if (chin) scaled(to, head, chin, 1 + errors.head);
  const fromHeight = key.top + SQUEEZED_FROM * (key.bottom - key.top);
  const lowest = (1 - SQUEEZED_FROM) * (key.bottom - key.top);
  // Quadratic, so that the edge of what is squeezed does not show.
  const squeeze = ([x, y]: Point): Point => {
    const into = Math.max(0, (y - fromHeight) / lowest);
    return [x, y - errors.squeezed * (key.bottom - key.top) * into * into];
  };
  const pulls = [...from].map(([name, p]): Pull => ({ from: p, to: to.get(name) as Point }));
  const unchanged = pulls.every((pull) => pull.from[0] === pull.to[0] && pull.from[1] === pull.to[1]);
  const warp = unchanged ? (p: Point): Point => p : warpBy(pulls);
  return {
    at: (p) => squeeze(warp(p)),
    places: new Map(key.marks.map(({ name }) => [name, squeeze(to.get(name) as Point)])),
  };
}
