import { polygonContains } from 'd3-polygon';
import type { Point } from '../figure/facts/actionLine';
import { apart, toSegment } from '../plane';
import { JOINTS } from './joints';
import type { Placed } from './placeMembers';

const HANDS = ['left wrist', 'right wrist'] as const;
/** Hands lie on each other when their wrists are nearer than this, in heads: about a hand's length. */
const HAND_HEADS = 0.8;
/** Of a figure whose outline is not known, its limbs cover so much to each side, in heads. */
const LIMB_HEADS = 0.4;
const BONES: readonly (readonly [string, string])[] = [
  ['crown', 'pit of the neck'],
  ['pit of the neck', 'pubic bone'],
  ['left shoulder', 'left elbow'],
  ['left elbow', 'left wrist'],
  ['right shoulder', 'right elbow'],
  ['right elbow', 'right wrist'],
  ['left shoulder', 'left outer hip'],
  ['right shoulder', 'right outer hip'],
  ['left outer hip', 'left knee'],
  ['left knee', 'left ankle'],
  ['right outer hip', 'right knee'],
  ['right knee', 'right ankle'],
];

/** Two members, and what is lost between them. */
export interface Pair {
  front: Placed;
  behind: Placed;
  /** Joints of the one behind that the one in front covers. */
  covered: string[];
  /** A hand of one lies on a hand of the other. */
  handOnHand: boolean;
}

/** Whether a figure covers a place of the sheet. */
export function covers({ rings, marks, headMm }: Pick<Placed, 'rings' | 'marks' | 'headMm'>, at: Point): boolean {
  if (rings.length > 0)
    return (
      rings.filter((ring) => polygonContains(ring as unknown as [number, number][], [at[0], at[1]])).length % 2 === 1
    );
  return BONES.some(([a, b]) => {
    const [from, to] = [marks.get(a), marks.get(b)];
    return from !== undefined && to !== undefined && toSegment(at, from, to) < LIMB_HEADS * headMm;
  });
}

/** A place of a member, where its own body does not hide it. */
const seenPlace = ({ marks, hidden }: Placed, name: string): Point | undefined =>
  hidden.has(name) ? undefined : marks.get(name);

/** Every pair of a group, n(n-1)/2 of them, found from points and outlines. @param placed From the front to the back. */
export function pairsOf(placed: readonly Placed[]): Pair[] {
  return placed.flatMap((front, i) =>
    placed.slice(i + 1).map((behind): Pair => ({
      front,
      behind,
      covered: JOINTS.filter((name) => {
        const at = seenPlace(behind, name);
        return at !== undefined && covers(front, at);
      }),
      handOnHand: HANDS.some((mine) =>
        HANDS.some((theirs) => {
          const [a, b] = [seenPlace(front, mine), seenPlace(behind, theirs)];
          return a !== undefined && b !== undefined && apart(a, b) < HAND_HEADS * Math.max(front.headMm, behind.headMm);
        }),
      ),
    })),
  );
}
