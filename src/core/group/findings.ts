import { counted, listWords } from '../words';
import { pairsOf } from './clashes';
import { emptyCircle, type EmptyCircle } from './emptyCircle';
import type { Group } from './group';
import { largerBehind, standsBefore } from './heights';
import { neighborsOf } from './neighbors';
import { type Placed, sheetMm } from './placeMembers';

/** A hole larger than this is told as one, share of the sheet. */
const LARGE_HOLE = 0.12;

export interface Findings {
  /** What there is to look at again, in sentences; empty where nothing was found. */
  sentences: string[];
  /** Each pair, and what is lost between the two. */
  pairs: { words: string; clash: boolean }[];
  circle: EmptyCircle;
}

/**
 * Everything that is found in a group from points and outlines.
 * @param placed From the front to the back; members are named by their turn.
 * @param lights Where the light comes from on each member's picture, left or right across it; undefined where that is not known.
 */
export function findingsOf(
  group: Group,
  placed: readonly Placed[],
  lights: ReadonlyMap<string, 'left' | 'right' | undefined>,
): Findings {
  const { widthMm, heightMm } = sheetMm(group);
  const number = (one: Placed): number => placed.indexOf(one) + 1;
  const pairs = pairsOf(placed).map(({ front, behind, covered, handOnHand }) => {
    const lost = [...covered.map((name) => `the ${name} is covered`), ...(handOnHand ? ['a hand lies on a hand'] : [])];
    const who = `${String(number(front))} before ${String(number(behind))}`;
    return { words: `${who}: ${lost.length > 0 ? listWords(lost) : 'nothing is lost'}.`, clash: lost.length > 0 };
  });
  const neighbors = neighborsOf(placed).flatMap(({ a, b, alike, lifts }) => {
    const two = `${String(number(a))} and ${String(number(b))}`;
    return [
      ...(alike ? [`${two} stand beside each other and one ${alike} the other’s pose.`] : []),
      ...(lifts && alike !== 'repeats' ? [`${two} stand beside each other and both lift the ${lifts} leg.`] : []),
    ];
  });
  const floating = standsBefore(placed).map(
    ({ front, behind }) =>
      `${String(number(front))} is before ${String(number(behind))}, but stands farther off on the ground.`,
  );
  const sizes = largerBehind(placed).map(
    ({ front, behind }) =>
      `${String(number(behind))} is behind ${String(number(front))} and larger: a giant, or too near.`,
  );
  const circle = emptyCircle(placed, widthMm, heightMm);
  const hole =
    placed.length > 0 && circle.share > LARGE_HOLE
      ? [`The largest empty circle takes ${String(Math.round(circle.share * 100))} % of the sheet.`]
      : [];
  const otherLight = placed.filter(({ member }) => {
    const from = lights.get(member.id);
    return from !== undefined && from !== group.lightFrom;
  });
  const light =
    otherLight.length > 0
      ? [
          `On ${listWords(otherLight.map((one) => String(number(one))))} the light comes from the other side: mirror ${otherLight.length === 1 ? 'it' : 'them'}, or draw ${otherLight.length === 1 ? 'its' : 'their'} shadows turned.`,
        ]
      : [];
  const clashes = pairs.filter(({ clash }) => clash).length;
  return {
    sentences: [
      ...(clashes > 0
        ? [
            `${counted(clashes, 'pair')} of ${String(pairs.length)} ${clashes === 1 ? 'loses' : 'lose'} a joint or a hand.`,
          ]
        : []),
      ...neighbors,
      ...floating,
      ...sizes,
      ...hole,
      ...light,
    ],
    pairs,
    circle,
  };
}
