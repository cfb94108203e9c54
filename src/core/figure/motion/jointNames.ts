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
  ['elbow', /forearm|lowerarm|lowarm|elbow/],
  ['wrist', /hand|wrist/],
  ['shoulder', /upperarm|uparm|arm|shoulder|humerus/],
  ['toes', /toe|ball/],
  ['ankle', /foot|ankle/],
  ['hip', /upleg|upperleg|thigh|femur|hip/],
  ['knee', /lowleg|lowerleg|leg|shin|knee|calf|tibia/],
];
const FINGER = /thumb|index|middle|ring|pinky|little|finger|digit/;

function sideOf(name: string): 'left' | 'right' | undefined {
  if (/left|^l[_ .-]|[_ .-]l$|^l(?=[A-Z])/i.test(name) || /^l[A-Z]/.test(name)) return 'left';
  if (/right|^r[_ .-]|[_ .-]r$|^r(?=[A-Z])/i.test(name) || /^r[A-Z]/.test(name)) return 'right';
  return undefined;
}

/**
 * Guess which joint is which from the usual ways of naming them; what cannot be guessed stays empty for the user to fill in.
 * A collar bone before the arm is passed over; of several candidates along a chain the first counts.
 */
export function guessJoints({ joints }: Motion): JointTable {
  const table: JointTable = {};
  const put = (place: BodyPlace, index: number): void => {
    table[place] ??= index;
  };
  joints.forEach(({ name, parent }, index) => {
    const plain = name.replace(/^.*:/, '');
    const bare = plain.toLowerCase().replace(/[^a-z]/g, '');
    if (bare === 'end' || FINGER.test(bare)) return;
    const side = sideOf(plain);
    if (!side) {
      if (parent < 0) put('hips', index);
      else if (/neck/.test(bare)) put('neck', index);
      else if (/head/.test(bare)) put('head', index);
      else if (/chest|thorax|spine|torso|abdomen/.test(bare)) table.chest = index; // the highest of the spine
      return;
    }
    if (/collar|clavicle|clav/.test(bare)) return;
    const place = LIMB_WORDS.find(([, pattern]) => pattern.test(bare))?.[0];
    if (!place) return;
    // “LeftShoulder” above “LeftArm” is a collar bone: the joint nearer to the elbow wins.
    if (place === 'shoulder') table[`${side} shoulder`] = index;
    else put(`${side} ${place}`, index);
  });
  return table;
}

/** Places of the body that a table of joints does not say and that retargeting cannot do without. */
export const missingPlaces = (table: JointTable): BodyPlace[] => NEEDED_PLACES.filter((p) => table[p] === undefined);
