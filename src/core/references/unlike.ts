import { limbDistance } from '../body/limbs';
import { convexReach } from '../convexReach';
import type { ReferenceFacts } from './coverage';

/** What a figure looks like from where it is seen: directions of its ten limbs, degrees, and its outline. */
export interface Shape {
  limbs: number[];
  outline: number[];
}
const LIMBS = 10;
/** A digit of base 36 stands for so many degrees, or so much reach. */
const STEP_DEG = 10;
const STEP_REACH = 0.1;

/** A shape as the catalogue keeps it: a digit of base 36 for each limb, then one for each ray of the outline. */
export const writeShape = ({ limbs, outline }: Shape): string =>
  [
    ...limbs.map((deg) => Math.round((deg + 360) / STEP_DEG) % (360 / STEP_DEG)),
    ...outline.map((reach) => Math.min(35, Math.round(reach / STEP_REACH))),
  ]
    .map((digit) => digit.toString(36))
    .join('');
/** A shape as `writeShape` wrote it: directions in whole tens of degrees, reach in tenths of the mean. */
export function readShape(written: string): Shape {
  const digits = Array.from(written, (digit) => parseInt(digit, 36));
  return {
    limbs: digits.slice(0, LIMBS).map((digit) => digit * STEP_DEG),
    outline: digits.slice(LIMBS).map((digit) => digit * STEP_REACH),
  };
}

/** The other side of each of the ten segments: arms and legs change sides in a mirror. */
const OTHER_SIDE = [0, 1, 4, 5, 2, 3, 8, 9, 6, 7];
/** Directions of limbs as a mirror shows them. */
export const mirroredLimbs = (limbs: readonly (number | null)[]): (number | null)[] =>
  OTHER_SIDE.map((from, i) => {
    const deg = limbs[from];
    return deg === null || deg === undefined ? null : i < 2 ? -deg : 180 - deg;
  });

/** Directions in which an outline is measured. */
const RAYS = 12;
/**
 * How far an outline reaches from its middle, in even directions clockwise from the right, against its mean reach: the same for a
 * figure drawn large or small.
 * @param corners Of a convex outline, in one unit for both axes.
 */
export function outlineOf(corners: readonly (readonly [x: number, y: number])[]): number[] {
  const n = corners.length;
  const cx = corners.reduce((sum, [x]) => sum + x, 0) / n;
  const cy = corners.reduce((sum, [, y]) => sum + y, 0) / n;
  const reach = convexReach(corners, [cx, cy], RAYS);
  const mean = reach.reduce((a, b) => a + b, 0) / RAYS;
  return reach.map((r) => (mean > 0 ? r / mean : 0));
}

/** Limbs that differ by this much on average are as different as can be asked for, degrees. */
const WIDE_DEG = 70;
/** The same for the reach of outlines, against their mean reach. */
const WIDE_REACH = 0.5;
/** What two references are told apart by besides their shape. */
const FACTS = ['family', 'viewName', 'facing', 'build', 'props', 'eyeLevel', 'extent'] as const;
/** Of the difference, the part that is shape where shapes are known, and of that the part that is limbs. */
const SHAPE_SHARE = 0.55;
const LIMB_SHARE = 0.65;

/** How differently two outlines reach, 0 alike to 1. */
function outlineDistance(a: readonly number[], b: readonly number[]): number {
  const sum = a.reduce((total, reach, i) => total + Math.abs(reach - b[i]), 0);
  return Math.min(1, sum / a.length / WIDE_REACH);
}

/**
 * How unlike two references are, 0 the same to 1: by the directions of their limbs and by their outlines, where those are known, and by
 * what is said of them. The parts and their shares are set by eye, on sessions laid out as contact sheets.
 */
export function unlikeness(a: ReferenceFacts, b: ReferenceFacts): number {
  let known = 0;
  let differ = 0;
  for (const name of FACTS) {
    if (a[name] === undefined || b[name] === undefined) continue;
    known++;
    if (a[name] !== b[name]) differ++;
  }
  const ofFacts = known === 0 ? 1 : differ / known;
  const limbs = a.limbs && b.limbs ? Math.min(1, limbDistance(a.limbs, b.limbs) / WIDE_DEG) : undefined;
  const outline = a.outline && b.outline ? outlineDistance(a.outline, b.outline) : undefined;
  const ofShape =
    limbs !== undefined && outline !== undefined ? LIMB_SHARE * limbs + (1 - LIMB_SHARE) * outline : (limbs ?? outline);
  return ofShape === undefined ? ofFacts : SHAPE_SHARE * ofShape + (1 - SHAPE_SHARE) * ofFacts;
}

/** How alike, 0 to 1, felt as a viewer feels it: near twins count far more than distant cousins. */
export const alikeness = (a: ReferenceFacts, b: ReferenceFacts): number => (1 - unlikeness(a, b)) ** 2;
