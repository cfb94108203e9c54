import type { Point } from '../figure/facts/actionLine';
import { apart, middle } from '../plane';
import { SURE } from './compare';
import { FEET } from './measures';
import type { PlaceName, Places } from './places';
import { type Spread, spreadOf } from './spread';

/** A drawing that became shorter toward the edge of its sheet. */
export interface Squeeze {
  edge: 'upper' | 'lower' | 'left' | 'right';
  /** The end of the figure that lies there; the rest of it promised the length. */
  end: 'head' | 'feet';
  /** Drawn length over the length that the rest of the figure promised, 1 where nothing is lost. */
  kept: Spread;
  /** Both lengths, in the unit of the places. */
  drawnLength: number;
  plannedLength: number;
}

/** An end this near to an edge lies at it, share of the sheet's longer side. */
const AT_EDGE = 0.04;
/** Less than this of its planned length is squeezed. */
const SQUEEZED = 0.9;

const ENDS: Record<Squeeze['end'], readonly PlaceName[]> = {
  head: ['crown'],
  feet: ['left ankle', 'right ankle', 'left heel', 'right heel', 'left toes', 'right toes'],
};

/** Where trunk and legs part, told by the first of these of which all are known. */
const PARTINGS: readonly (readonly PlaceName[])[] = [
  ['pubic bone'],
  ['left hip point', 'right hip point'],
  ['left outer hip', 'right outer hip'],
];

/** The edge that some of the points lie at, the nearest. */
function edgeAt(points: readonly Point[], width: number, height: number): Squeeze['edge'] | undefined {
  const near = points.flatMap(([x, y]): [Squeeze['edge'], number][] => [
    ['left', x],
    ['right', width - x],
    ['upper', y],
    ['lower', height - y],
  ]);
  const [edge, far] = near.reduce((a, b) => (b[1] < a[1] ? b : a), ['lower', Infinity]);
  return far < AT_EDGE * Math.max(width, height) ? edge : undefined;
}

/**
 * Whether a figure was squeezed where it nears the edge of its sheet: the part that lies away from the edge says how long all of it
 * was to become.
 * @param seen Places in the reference.
 * @param drawn Places on a straightened sheet so wide and high.
 * @returns undefined where no end lies at an edge, too little is known, or the loss is smaller than its own error.
 */
export function squeezeOf(seen: Places, drawn: Places, width: number, height: number): Squeeze | undefined {
  const known = (name: PlaceName): boolean => seen.has(name) && drawn.has(name);
  for (const end of ['feet', 'head'] as const) {
    const there = ENDS[end].flatMap((name) => {
      const place = drawn.get(name);
      return place ? [place.at] : [];
    });
    const edge = edgeAt(there, width, height);
    const parting = PARTINGS.find((names) => names.every(known));
    if (!edge || !parting || !known('crown')) continue;
    type At = (name: PlaceName) => Point;
    const hips = (at: At): Point => middle(at(parting[0]), at(parting[parting.length - 1]));
    const [foot] = FEET.filter(known).sort((a, b) => legIn(seen, hips, b) - legIn(seen, hips, a));
    if (!foot) continue;
    const needs: PlaceName[] = ['crown', ...parting, foot];
    const trunk = (at: At): number => apart(at('crown'), hips(at));
    const leg = (at: At): number => apart(hips(at), at(foot));
    const [stays, nears] = end === 'feet' ? [trunk, leg] : [leg, trunk];
    const share = (places: Places, onSheet: boolean): Spread =>
      spreadOf((at) => (stays(at) + nears(at)) / stays(at), needs, places, onSheet);
    const [shown, made] = [share(seen, false), share(drawn, true)];
    const value = made.value / shown.value;
    const kept = { value, sigma: value * Math.hypot(made.sigma / made.value, shown.sigma / shown.value) };
    if (kept.value + SURE * kept.sigma >= SQUEEZED) continue;
    const drawnLength = trunk(placed(drawn)) + leg(placed(drawn));
    return { edge, end, kept, drawnLength, plannedLength: drawnLength / kept.value };
  }
  return undefined;
}

const placed =
  (places: Places) =>
  (name: PlaceName): Point =>
    places.get(name)?.at ?? [0, 0];

/** From the hips to a foot: the longer leg in the picture tells more. */
const legIn = (places: Places, hips: (at: (name: PlaceName) => Point) => Point, foot: PlaceName): number =>
  apart(hips(placed(places)), placed(places)(foot));

/** It as a sentence. @param mmPerUnit Of the paper for each unit of the places, where the paper is known. */
export function squeezeSentence({ edge, end, kept, drawnLength, plannedLength }: Squeeze, mmPerUnit?: number): string {
  const reach = Math.max(1, Math.round(SURE * kept.sigma * 100));
  const lengths =
    mmPerUnit === undefined
      ? ''
      : `: ${((drawnLength * mmPerUnit) / 10).toFixed(1)} cm of ${((plannedLength * mmPerUnit) / 10).toFixed(1)}`;
  return `Squeezed at the ${edge} edge of the sheet: ${String(Math.round(kept.value * 100))} % ± ${String(reach)} of the length that the rest of it promised the ${end}${lengths}.`;
}
