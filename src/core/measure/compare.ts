import type { Point } from '../figure/facts/actionLine';
import { apart } from '../plane';
import { bandOf, TILT_SAME_DEG, TILT_WORD_DEG } from './bands';
import { FEET, flank, type Measure, measuresTo } from './measures';
import type { PlaceName, Places } from './places';
import { type Spread, spreadOf } from './spread';

/** Standard deviations on each side of a value within which the truth lies 95 times in a hundred. */
export const SURE = 1.96;

/**
 * What is to be said of a difference. `none`: smaller than its own error. `within`: of no account, or an error on the side that
 * does no harm. `wrong side`: beyond what the eye allows where it hurts. `too far`: beyond it on the other side.
 */
export type Verdict = 'none' | 'within' | 'wrong side' | 'too far';

export interface Compared {
  measure: Measure;
  /** In the picture and in the drawing. */
  seen: Spread;
  drawn: Spread;
  /** Drawn over seen less one for shares and ratios; drawn less seen in degrees. */
  off: Spread;
  verdict: Verdict;
  /** The verdict would be another at one end of the interval. */
  unsure: boolean;
}

const wrapped = (deg: number): number => ((((deg + 180) % 360) + 360) % 360) - 180;

function differenceOf({ unit }: Measure, seen: Spread, drawn: Spread): Spread {
  if (unit === 'deg') return { value: wrapped(drawn.value - seen.value), sigma: Math.hypot(seen.sigma, drawn.sigma) };
  const ratio = drawn.value / seen.value;
  return { value: ratio - 1, sigma: Math.abs(ratio) * Math.hypot(seen.sigma / seen.value, drawn.sigma / drawn.value) };
}

function verdictAt({ unit, id }: Measure, off: number, seen: number): Exclude<Verdict, 'none'> {
  if (unit === 'deg') {
    if (Math.abs(off) <= TILT_SAME_DEG) return 'within';
    // A tilt that goes toward level is worse than one that goes beyond.
    const flatter = id.startsWith('tilt') && Math.abs(seen + off) < Math.abs(seen);
    if (Math.abs(off) > TILT_WORD_DEG) return flatter ? 'wrong side' : 'too far';
    return flatter ? 'wrong side' : 'within';
  }
  const { low, high, hurts } = bandOf(id);
  if (off >= low && off <= high) return 'within';
  if (hurts === 0) return 'wrong side';
  return Math.sign(off) === hurts ? 'wrong side' : 'too far';
}

/** Compare what can be measured in both a picture and a drawing of it, in the order of the measures. */
export function compare(seen: Places, drawn: Places): Compared[] {
  const both = (name: PlaceName): boolean => seen.has(name) && drawn.has(name);
  const crown = seen.get('crown')?.at;
  // The farther foot in the picture: its distance is the surer.
  const farness = (foot: PlaceName): number => (crown && both(foot) ? apart(crown, seen.get(foot)?.at ?? crown) : -1);
  const foot = farness(FEET[0]) >= farness(FEET[1]) ? FEET[0] : FEET[1];
  const can = measuresTo(foot).filter(({ needs }) => needs.every(both));
  // Legs are measured joint by joint where that is known.
  const some = can.some(({ id }) => id === 'legs') ? can.filter(({ id }) => id !== 'legs from the middle') : can;
  return some.map((measure): Compared => {
    const there = spreadOf(measure.of, measure.needs, seen, false);
    const here = spreadOf(measure.of, measure.needs, drawn, true);
    const off = differenceOf(measure, there, here);
    const reach = SURE * off.sigma;
    const verdict = verdictAt(measure, off.value, there.value);
    const ends = [off.value - reach, off.value + reach].map((v) => verdictAt(measure, v, there.value));
    return {
      measure,
      seen: there,
      drawn: here,
      off,
      verdict: Math.abs(off.value) < reach ? 'none' : verdict,
      unsure: ends.some((v) => v !== verdict),
    };
  });
}

/** A contrast of tilts smaller than this is a stance without one, degrees. */
const FRONTAL_DEG = 6;

/**
 * How much of the contrast between shoulders and hips a drawing keeps: 1 all of it, 0 none.
 * @returns undefined where the tilts are not known or the sitter stands without contrast.
 */
export function contrastKept(
  compared: readonly Compared[],
): (Spread & { seenDeg: number; drawnDeg: number }) | undefined {
  const of = (id: string): Compared | undefined => compared.find(({ measure }) => measure.id === id);
  const [shoulders, hips] = [of('tilt of the shoulders'), of('tilt of the hips')];
  if (!shoulders || !hips) return undefined;
  const seenDeg = shoulders.seen.value - hips.seen.value;
  const drawnDeg = shoulders.drawn.value - hips.drawn.value;
  if (Math.abs(seenDeg) < FRONTAL_DEG) return undefined;
  const value = drawnDeg / seenDeg;
  const [a, b] = [
    Math.hypot(shoulders.drawn.sigma, hips.drawn.sigma) / Math.abs(seenDeg),
    (Math.abs(value) * Math.hypot(shoulders.seen.sigma, hips.seen.sigma)) / Math.abs(seenDeg),
  ];
  return { value, sigma: Math.hypot(a, b), seenDeg, drawnDeg };
}

/** Flanks that differ by less than this share are alike. */
const ALIKE = 0.03;
const FLANKS: readonly PlaceName[] = ['left shoulder', 'right shoulder', 'left hip point', 'right hip point'];

/** The shorter flank in a picture and in a drawing of it: `alike` where neither is; undefined where it is not known. */
export function pinchedSides(
  seen: Places,
  drawn: Places,
): Record<'seen' | 'drawn', 'left' | 'right' | 'alike'> | undefined {
  if (!FLANKS.every((name) => seen.has(name) && drawn.has(name))) return undefined;
  const side = (places: Places): 'left' | 'right' | 'alike' => {
    const at = (name: PlaceName): Point => places.get(name)?.at ?? [0, 0];
    const [l, r] = [flank(at, 'left'), flank(at, 'right')];
    if (Math.abs(l - r) < ALIKE * Math.max(l, r)) return 'alike';
    return l < r ? 'left' : 'right';
  };
  return { seen: side(seen), drawn: side(drawn) };
}
