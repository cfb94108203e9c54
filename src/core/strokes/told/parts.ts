import { lineLength } from '../../hand/stroke';
import type { Place, PlaceName } from '../../measure/places';
import { middle, toSegment } from '../../plane';
import type { Mark } from '../inkStroke';

/** Parts whose turn is told, from the top of the body to its ends. */
const PARTS = [
  'head',
  'shoulders',
  'ribcage',
  'pelvis',
  'left arm',
  'right arm',
  'left leg',
  'right leg',
  'feet',
] as const;
type Part = (typeof PARTS)[number];

/** Bones of each part, by their ends. */
const BONES: Record<Part, readonly (readonly [PlaceName, PlaceName])[]> = {
  head: [['crown', 'chin']],
  shoulders: [['left shoulder', 'right shoulder']],
  ribcage: [['pit of the neck', 'end of the breastbone']],
  pelvis: [
    ['left hip point', 'right hip point'],
    ['left outer hip', 'right outer hip'],
    ['pubic bone', 'pubic bone'],
  ],
  'left arm': [
    ['left shoulder', 'left elbow'],
    ['left elbow', 'left wrist'],
  ],
  'right arm': [
    ['right shoulder', 'right elbow'],
    ['right elbow', 'right wrist'],
  ],
  'left leg': [
    ['left outer hip', 'left knee'],
    ['left knee', 'left ankle'],
  ],
  'right leg': [
    ['right outer hip', 'right knee'],
    ['right knee', 'right ankle'],
  ],
  feet: [
    ['left heel', 'left toes'],
    ['right heel', 'right toes'],
  ],
};

/** A place farther from every bone than this belongs to none, share of the figure's height. */
const NEAR = 0.11;
/** A part is begun once so much line lies on it, share of the figure's height: a line that only passes does not begin it. */
const BEGUN = 0.05;
/** A part that is begun only after so much of the time came late. */
export const LATE = 0.6;

export interface PartTurn {
  part: Part;
  /** When it was begun, milliseconds of drawing time, and as a share of the drawing's time. */
  atMs: number;
  share: number;
}

/**
 * In which order the parts of a figure were drawn: what was begun when.
 * @param places Where the drawing has its places, millimeters on the sheet.
 * @param spentMs Time of the drawing.
 * @returns Parts that were begun, in the order they were.
 */
export function partsInOrder(
  marks: readonly Mark[],
  places: ReadonlyMap<PlaceName, Pick<Place, 'at'>>,
  spentMs: number,
): PartTurn[] {
  const ys = [...places.values()].map(({ at: [, y] }) => y);
  const xs = [...places.values()].map(({ at: [x] }) => x);
  if (ys.length < 2) return [];
  const height = Math.max(Math.max(...ys) - Math.min(...ys), Math.max(...xs) - Math.min(...xs));
  const bones = PARTS.flatMap((part) =>
    BONES[part].flatMap(([from, to]) => {
      const [a, b] = [places.get(from)?.at, places.get(to)?.at];
      return a && b ? [{ part, a, b }] : [];
    }),
  );
  const drawn = new Map<Part, number>();
  const begun = new Map<Part, number>();
  for (const { points } of marks)
    for (let i = 1; i < points.length; i++) {
      const piece = [points[i - 1], points[i]];
      const at = middle([piece[0][0], piece[0][1]], [piece[1][0], piece[1][1]]);
      let best: { part: Part; far: number } | undefined;
      for (const { part, a, b } of bones) {
        const far = toSegment(at, a, b);
        if (far < NEAR * height && (!best || far < best.far)) best = { part, far };
      }
      if (!best) continue;
      const sum = (drawn.get(best.part) ?? 0) + lineLength(piece);
      drawn.set(best.part, sum);
      if (sum >= BEGUN * height && !begun.has(best.part)) begun.set(best.part, points[i][2]);
    }
  return [...begun]
    .map(([part, atMs]): PartTurn => ({ part, atMs, share: spentMs > 0 ? atMs / spentMs : 0 }))
    .sort((a, b) => a.atMs - b.atMs);
}
