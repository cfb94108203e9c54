import type { Places } from '../mesh/places';
import type { ShownPart } from '../mesh/region';
import type { SkinPoint } from '../mesh/skinPoint';

/** The digits but the thumb, from the index finger. */
const FINGERS = ['index finger', 'middle finger', 'ring finger', 'little finger'] as const;

/** What a draftsman looks for on a part: its places by name, and the lines that say how it is built. */
export interface PartPlaces {
  landmarks: Readonly<Record<string, SkinPoint>>;
  /** Rows of places. */
  lines: readonly (readonly SkinPoint[])[];
  /** The two pairs whose tilts are told, and the way through the part; names of places. */
  tilts: readonly [readonly [string, string], readonly [string, string]];
  way: readonly string[];
}

const isHand = (name: string): boolean => /finger|thumb|wrist/.test(name);

/** The places of what a figure shows; undefined where it shows all of it, or the trunk, whose places are the body's own. */
export function partPlaces(
  { face, head, landmarks, limbs }: Places,
  part: ShownPart | undefined,
): PartPlaces | undefined {
  if (part === undefined || part === 'torso') return undefined;
  if (part === 'head') {
    const places = { ...head, crown: landmarks.crown, 'pit of the neck': landmarks['pit of the neck'] };
    const side = (s: string): SkinPoint[] =>
      ['brow', 'cheekbone', 'mouth corner'].map((name) => head[`${s} ${name}`]).concat(head['point of the chin']);
    const jaw = (s: string): SkinPoint[] => ['ear lobe', 'jaw corner'].map((name) => head[`${s} ${name}`]);
    return {
      landmarks: places,
      lines: [...face, ...['left', 'right'].flatMap((s) => [side(s), [...jaw(s), head['point of the chin']]])],
      tilts: [
        ['left outer eye', 'right outer eye'],
        ['left mouth corner', 'right mouth corner'],
      ],
      way: ['crown', 'hairline', 'bridge of the nose', 'base of the nose', 'point of the chin', 'pit of the neck'],
    };
  }
  const own = limbs[part.endsWith('L') ? 'L' : 'R'];
  const at = (...names: string[]): SkinPoint[] => names.map((name) => own[name]);
  const mine = Object.fromEntries(Object.entries(own).filter(([name]) => isHand(name) === part.startsWith('hand')));
  if (part.startsWith('hand')) {
    const knuckles = FINGERS.map((name) => `knuckle of the ${name}`);
    return {
      landmarks: mine,
      lines: [
        // The box of the palm, the arcs of the joints, the wedge of the thumb.
        at('wrist, thumb side', knuckles[0], knuckles[3], 'wrist, little finger side', 'wrist, thumb side'),
        at(...knuckles),
        ...(['middle joint', 'end joint', 'tip'] as const).map((joint) =>
          at(...FINGERS.map((name) => `${joint} of the ${name}`)),
        ),
        at(
          'wrist, thumb side',
          'root of the thumb',
          'middle joint of the thumb',
          'end joint of the thumb',
          'tip of the thumb',
        ),
        at('middle joint of the thumb', knuckles[0]),
      ],
      tilts: [
        ['knuckle of the index finger', 'knuckle of the little finger'],
        ['wrist, thumb side', 'wrist, little finger side'],
      ],
      way: [
        'wrist, little finger side',
        'knuckle of the middle finger',
        'middle joint of the middle finger',
        'end joint of the middle finger',
        'tip of the middle finger',
      ],
    };
  }
  return {
    landmarks: mine,
    lines: [
      // The wedge from the instep down to heel and toes, the arch on its inner side, the ball across.
      at('inner ankle', 'instep', 'ball of the big toe', 'tip of the toes', 'ball of the little toe', 'outer ankle'),
      at('heel', 'top of the arch', 'ball of the big toe'),
      at('ball of the big toe', 'instep', 'ball of the little toe'),
      at('inner ankle', 'heel', 'outer ankle'),
    ],
    tilts: [
      ['inner ankle', 'outer ankle'],
      ['ball of the big toe', 'ball of the little toe'],
    ],
    way: ['outer ankle', 'heel', 'ball of the little toe', 'tip of the toes'],
  };
}

const TRUNK = /pit of the neck|seventh vertebra|breastbone|navel|pubic|sacrum|shoulder|hip/;

/** The places of a body that are on its trunk. */
export const trunkPlaces = ({ landmarks }: Places): Readonly<Record<string, SkinPoint>> =>
  Object.fromEntries(Object.entries(landmarks).filter(([name]) => TRUNK.test(name)));
