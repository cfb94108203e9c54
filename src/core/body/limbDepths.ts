import { median } from 'd3-array';
import { length, sub } from '../figure/skeleton/vector';
import { BONES } from './lift';
import { type BodyPoint, pointOf, type PointName } from './points';
import { postureOf } from './posture';
import { seenSpace, type Space } from './seenSpace';

/** How a limb segment lies in a picture, and how sure that is. */
export interface LimbDepth {
  /** As in "left forearm". */
  limb: string;
  /** The point at its far end: what is switched to turn it the other way. */
  end: PointName;
  way: 'toward you' | 'away from you' | 'across';
  sure: 'sure' | 'a guess' | 'hidden';
}

const LIMBS: readonly (readonly [words: string, from: string, to: string])[] = [
  ['upper arm', 'shoulder', 'elbow'],
  ['forearm', 'elbow', 'wrist'],
  ['thigh', 'hip', 'knee'],
  ['lower leg', 'knee', 'ankle'],
];
/** What points less than this toward the eye or away, of its length, lies across the view; less than the second is a guess. */
const ACROSS = 0.34;
const TELLING = 0.5;
/** A limb that is shorter than this against its usual length was found too flat: it points somewhere. */
const TOO_SHORT = 0.72;
/** Points seen less surely than this are hidden. */
const SEEN = 0.5;

/**
 * How sure each limb of a body is. A picture shows how much a limb is shortened and not which way it points; that is told by the depth
 * that was found, and less surely the less of it there is.
 * @param aspect Width over height of the picture.
 * @param found The body in space as it was found, meters.
 */
export function limbDepths(points: readonly BodyPoint[], aspect: number, found: Space): LimbDepth[] {
  const { at } = postureOf(seenSpace(points, aspect, found));
  const limbs = (['left', 'right'] as const).flatMap((side) =>
    LIMBS.map(([words, from, to]) => {
      const [start, end] = [from, to].map((point) => `${side} ${point}` as PointName);
      const bone = sub(at(end), at(start));
      const long = length(bone) || 1e-6;
      const share = BONES.find((b) => b.to === end)?.share ?? 1;
      const seen = Math.min(...[start, end].map((name) => pointOf(points, name).seen));
      return { limb: `${side} ${words}`, end, depth: bone[2] / long, stature: long / share, seen };
    }),
  );
  const usual = median(limbs, ({ stature }) => stature) ?? 1;
  return limbs.map(({ limb, end, depth, stature, seen }): LimbDepth => {
    const short = stature < usual * TOO_SHORT;
    const across = !short && Math.abs(depth) < ACROSS;
    return {
      limb,
      end,
      way: across ? 'across' : depth > 0 ? 'toward you' : 'away from you',
      sure: seen < SEEN ? 'hidden' : across || Math.abs(depth) > TELLING ? 'sure' : 'a guess',
    };
  });
}
