import type { Motion } from './bvh';

/** Places of the body that a motion must say something about; limbs on both sides. */
export const BODY_PLACES = [
  'hips',
  'chest',
  'neck',
  'head',
  ...(['left', 'right'] as const).flatMap((side) =>
    ['shoulder', 'elbow', 'wrist', 'hip', 'knee', 'ankle', 'toes'].map((place) => `${side} ${place}`),
  ),
] as const;
export type BodyPlace = (typeof BODY_PLACES)[number];

/** Which joint of the file each place is: an index into its joints. */
export type JointTable = Partial<Record<BodyPlace, number>>;

/** Without these there is no pose. */
export const NEEDED_PLACES: readonly BodyPlace[] = BODY_PLACES.filter((p) => !/toes|neck|head|chest/.test(p));

/** Words by which files call a limb's joints, most telling first. */
const LIMB_WORDS: readonly (readonly [place: string, pattern: RegExp])[] = [
  ['elbow', /forearm|lowerarm|lowarm|elbow|radius/],
  ['wrist', /hand|wrist/],
  ['shoulder', /upperarm|uparm|arm|shoulder|shldr|humerus/],
  ['toes', /toe|ball/],
  ['ankle', /foot|ankle/],
  ['hip', /upleg|upperleg|thigh|femur|hip|buttock/],
  ['knee', /lowleg|lowerleg|leg|shin|knee|calf|tibia/],
];
const FINGER = /thumb|index|middle|ring|pinky|little|finger|digit|metacarp/;
/** Joints that only help: they turn flesh, or stand for nothing. */
const HELPER = /twist|roll|helper|nub|effector|dummy|site/;
const COLLAR = /collar|clavicle|clav/;
/** Words of a trunk, from which no side is to be read. */
const MIDDLE = /^(root|reference|hips?|pelvis|spine|chest|torso|neck|head|abdomen|thorax|lowerback|upperback)/;

/** A name in words: cut at signs, and where small letters turn to capitals. */
const wordsOf = (name: string): string[] =>
  name
    .replace(/^.*:/, '')
    .replace(/([a-z0-9])([A-Z])/g, '$1 $2')
    .replace(/([A-Z])([A-Z][a-z])/g, '$1 $2')
    .split(/[^A-Za-z]+/)
    .filter(Boolean);

/** The side a name tells: a whole word, or its beginning; “root” and “lowerback” tell none. */
function sideOf(words: readonly string[]): 'left' | 'right' | undefined {
  const small = words.map((word) => word.toLowerCase());
  for (const [side, letter] of [
    ['left', 'l'],
    ['right', 'r'],
  ] as const)
    if (small.some((word) => word === letter || word.startsWith(side))) return side;
  return undefined;
}

/** Whether a joint is another or hangs on it, however far down. */
function isBelow({ joints }: Motion, index: number, above: number): boolean {
  for (let at = index; at >= 0; at = joints[at].parent) if (at === above) return true;
  return false;
}

/**
 * Guess which joint is which from the usual ways of naming them; what cannot be guessed stays empty for the user to fill in. Prefixes,
 * spaces and signs are passed over, and so are joints that only help. Of several that could be one place the one nearest to the next down
 * the limb counts: a helper that lies in the middle of the hips is none.
 */
export function guessJoints(motion: Motion): JointTable {
  const { joints } = motion;
  const table: JointTable = {};
  const put = (place: BodyPlace, index: number): void => {
    table[place] ??= index;
  };
  const candidates = new Map<BodyPlace, number[]>();
  joints.forEach(({ name }, index) => {
    const words = wordsOf(name);
    const bare = words.join('').toLowerCase();
    if (bare === 'end' || FINGER.test(bare) || HELPER.test(bare)) return;
    const side = sideOf(words);
    if (!side) {
      if (/hips?$|pelvis/.test(bare)) put('hips', index);
      else if (/neck/.test(bare)) put('neck', index);
      else if (/head/.test(bare)) put('head', index);
      else if (/chest|thorax|spine|torso|abdomen|upperback/.test(bare)) table.chest = index; // the highest of the spine
      return;
    }
    // The side's own letters are no part of what is looked for.
    const part = words
      .filter((word) => !/^(l|r|left|right)$/i.test(word))
      .join('')
      .toLowerCase();
    if (COLLAR.test(part) || (MIDDLE.test(part) && !/^hip/.test(part))) return;
    const place = LIMB_WORDS.find(([, pattern]) => pattern.test(part))?.[0];
    if (place) {
      const key: BodyPlace = `${side} ${place}`;
      candidates.set(key, [...(candidates.get(key) ?? []), index]);
    }
  });
  if (table.hips === undefined && joints.length > 0) table.hips = 0;
  for (const side of ['left', 'right'] as const) {
    for (const place of ['elbow', 'wrist', 'ankle', 'knee', 'toes']) {
      const [first] = candidates.get(`${side} ${place}`) ?? [];
      if (first !== undefined) put(`${side} ${place}`, first);
    }
    for (const [place, next] of [
      ['shoulder', 'elbow'],
      ['hip', 'knee'],
    ] as const) {
      const below = table[`${side} ${next}`];
      const some = (candidates.get(`${side} ${place}`) ?? []).filter(
        (index) => below === undefined || (index !== below && isBelow(motion, below, index)),
      );
      const nearest = some.at(-1);
      if (nearest !== undefined) put(`${side} ${place}`, nearest);
    }
  }
  return table;
}

/** Places of the body that a table of joints does not say and that retargeting cannot do without. */
export const missingPlaces = (table: JointTable): BodyPlace[] => NEEDED_PLACES.filter((p) => table[p] === undefined);
