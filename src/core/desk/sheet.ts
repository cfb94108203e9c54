import * as z from 'zod/mini';
import type { SheetCandidate } from './findSheet';
import { PLACES } from '../measure/places';
import type { Rgba } from './picture';
import { polygonContains } from 'd3-polygon';
import { apart, middle } from '../plane';
import { without } from '../without';
import { type Corners, type Point, sheetAspect, SHEETS, sheetsLike } from './quad';

const share = z.number().check(z.minimum(0), z.maximum(1));
/** A corner may lie outside the photograph. */
const cornerSchema = z.tuple([
  z.number().check(z.minimum(-0.5), z.maximum(1.5)),
  z.number().check(z.minimum(-0.5), z.maximum(1.5)),
]);

/** A place of the figure in a drawing, shares of the straightened sheet's width and height, and how it is known. */
const drawnPointSchema = z.object({
  name: z.enum(PLACES),
  x: share,
  y: share,
  /** Standard deviation, a share of the sheet's longer side. */
  sigma: z.number().check(z.minimum(0), z.maximum(0.5)),
  by: z.enum(['fit', 'hand']),
});
export type DrawnPoint = z.infer<typeof drawnPointSchema>;

/** A drawing on a sheet: where it is, shares of the straightened sheet, and which of the session's drawings it is. */
const sheetDrawingSchema = z.object({
  x: share,
  y: share,
  width: z.number().check(z.minimum(0.005), z.maximum(1)),
  height: z.number().check(z.minimum(0.005), z.maximum(1)),
  /** Its key among the session's drawings; null for none of them. */
  drawing: z.nullable(z.string().check(z.maxLength(400))),
  /** It is no drawing: a note, or a thumb over the sheet. */
  notOne: z.optional(z.enum(['note', 'thumb'])),
  /** Places of its figure, where it was measured. */
  points: z.optional(z.array(drawnPointSchema).check(z.maxLength(PLACES.length))),
  /** How much of ink and outline met when they were proposed, the lesser of the two. */
  met: z.optional(share),
});
export type SheetDrawing = z.infer<typeof sheetDrawingSchema>;

/** So many drawings are cut out of one sheet at most. */
export const MOST_DRAWINGS = 80;

/** How a sheet lies in its photograph, and the drawings on it. The photograph itself is never changed. */
export const sheetSchema = z.object({
  /** Top left, top right, bottom right, bottom left as it lies in the photograph, shares of its width and height. */
  corners: z.tuple([cornerSchema, cornerSchema, cornerSchema, cornerSchema]),
  /** Turned by so many quarters to the right to stand upright. */
  quarters: z.int().check(z.minimum(0), z.maximum(3)),
  /** Width over height, as it lies in the photograph. */
  aspect: z.number().check(z.minimum(0.1), z.maximum(10)),
  /** The paper it is, where that is known. */
  paper: z.optional(z.string().check(z.maxLength(40))),
  drawings: z.array(sheetDrawingSchema).check(z.maxLength(MOST_DRAWINGS)),
});
export type Sheet = z.infer<typeof sheetSchema>;

/** Width over height of a sheet as it stands after its quarter turns. */
export const uprightAspect = ({ quarters, aspect }: Pick<Sheet, 'quarters' | 'aspect'>): number =>
  quarters % 2 === 1 ? 1 / aspect : aspect;

/** Corners in shares of a photograph, from pixels and to them. */
export const cornersInShares = (corners: Corners, width: number, height: number): Sheet['corners'] =>
  corners.map(([x, y]): [number, number] => [clamped(x / width), clamped(y / height)]) as Sheet['corners'];
export const cornersInPixels = (corners: Sheet['corners'], width: number, height: number): Corners =>
  corners.map(([x, y]): Point => [x * width, y * height]) as unknown as Corners;
const clamped = (v: number): number => Math.min(1.5, Math.max(-0.5, v));

/**
 * The proportion of the sheet between corners: of the paper it is like, where it is like one.
 * @param width Of the photograph, pixels, as `height`.
 * @param paper A paper that was chosen.
 */
export function sheetShape(
  corners: Corners,
  width: number,
  height: number,
  paper?: string,
): { aspect: number; papers: string[] } {
  const seen = sheetAspect(corners, width, height);
  const papers = sheetsLike(seen).map(({ name }) => name);
  const known = SHEETS.find(({ name }) => name === (paper ?? papers[0]));
  if (!known) return { aspect: seen, papers };
  const upright = known.widthMm / known.heightMm;
  return { aspect: seen < 1 ? upright : 1 / upright, papers };
}

/**
 * Millimeters of the paper for each pixel of a straightened sheet.
 * @param longPx The straightened sheet's longer side.
 * @returns undefined where the learner has not said what paper it is: A3 and A5 look alike.
 */
export function mmPerPixel({ paper }: Pick<Sheet, 'paper'>, longPx: number): number | undefined {
  const known = SHEETS.find(({ name }) => name === paper);
  return known && Math.max(known.widthMm, known.heightMm) / longPx;
}

const SIDES = ['upper', 'right', 'lower', 'left'] as const;
/** A side that is seen worse than this is a guess, and a sheet whose sides lie off a line by more is curled. */
const GUESSED = 0.6;
const CURLED = 0.35;

/** Another sheet that is seen as well as this, and lies so far off, may be the one that is meant; share of the first one's diagonal. */
const AS_WELL = 0.75;
const ELSEWHERE = 0.05;

/** What is to be said where some other candidate could be the sheet just as well. */
function rivalDoubt([best, ...others]: readonly SheetCandidate[]): string[] {
  const diagonal = apart(best.corners[0], best.corners[2]);
  const rivals = others.filter(
    ({ sides, corners }) =>
      Math.min(...sides) >= AS_WELL &&
      corners.some((corner, i) => apart(corner, best.corners[i]) > ELSEWHERE * diagonal),
  );
  if (rivals.some(({ corners }) => liesBeside(corners, best.corners)))
    return [
      'Two sheets lie in the photograph. This is one of them: choose the other below, and add the photograph once more for it.',
    ];
  return rivals.length > 0
    ? ['Another sheet is seen as well: a shadow’s edge, or a second one. Look which of them it is.']
    : [];
}

/** Whether two sheets have nothing in common: no corner and no middle of one lies in the other. */
function liesBeside(a: Corners, b: Corners): boolean {
  const middleOf = (corners: Corners): Point => middle(middle(corners[0], corners[2]), middle(corners[1], corners[3]));
  const within = (outer: Corners) => (p: Point) =>
    polygonContains(outer as unknown as [number, number][], [p[0], p[1]]);
  return ![...a, middleOf(a)].some(within(b)) && ![...b, middleOf(b)].some(within(a));
}

/** A photograph whose lightest places are darker than this shows nothing, of 255. */
const BLACK = 40;

/** Whether there is nothing to be seen in a photograph, told by its lightest hundredth. */
export function isBlack({ data }: Rgba): boolean {
  const counts = new Uint32Array(256);
  let all = 0;
  for (let o = 0; o < data.length; o += 4 * 7, all++) counts[Math.max(data[o], data[o + 1], data[o + 2])]++;
  let light = 0;
  for (let level = 255; level >= BLACK; level--) light += counts[level];
  return light < all / 100;
}

/** What is not sure of the sheet that was found first, in sentences. */
export function sheetDoubts(candidates: readonly SheetCandidate[], bow: number, black = false): string[] {
  if (black)
    return [
      'The photograph is black: nothing can be seen in it. Take it again in more light; this one stays as it is.',
    ];
  const best = candidates.at(0);
  if (!best) return ['No sheet was found in the photograph: drag the corners onto it.'];
  const guessed = SIDES.filter((_, i) => best.sides[i] < GUESSED);
  return [
    ...(guessed.length > 0
      ? [
          `Its ${guessed.join(' and ')} ${guessed.length > 1 ? 'edges are guesses' : 'edge is a guess'}: look at the corners there.`,
        ]
      : []),
    ...(bow > CURLED ? ['The sheet is curled or partly covered: its edges are not straight.'] : []),
    ...rivalDoubt(candidates),
  ];
}

/** A sheet that shows at least this share of what is left to be found has all of it; more than so many times as much is something else. */
const NEARLY_ALL = 0.5;
const FAR_MORE = 1.5;

/**
 * How many drawings are on a sheet: what a session drew may lie on several.
 * @param seen As many as come apart by themselves.
 * @param left As many as the session drew and that are on no other sheet; 0 where that is not known.
 */
export const likelyCount = (seen: number, left: number): number =>
  left > 0 && seen >= left * NEARLY_ALL && seen <= left * FAR_MORE ? left : seen;

/** What was drawn on earlier sheets of a session is not on this one. */
export function keysLeft(keys: readonly string[], others: readonly (Sheet | undefined)[]): string[] {
  const taken = new Set(others.flatMap((sheet) => sheet?.drawings.map(({ drawing }) => drawing) ?? []));
  return keys.filter((key) => !taken.has(key));
}

/**
 * A drawing cut in two across its longer side: the first half keeps its name, the second is none until it is told. What was measured
 * of the whole is true of neither.
 * @param aspect Width over height of the straightened sheet, as boxes are shares of its sides.
 */
export function cutInTwo(drawings: readonly SheetDrawing[], i: number, aspect: number): SheetDrawing[] {
  const box = without(drawings[i], 'points');
  const half =
    box.width * aspect > box.height
      ? { width: box.width / 2, at: { x: box.x + box.width / 2 } }
      : { height: box.height / 2, at: { y: box.y + box.height / 2 } };
  const { at, ...size } = half;
  return drawings.toSpliced(i, 1, { ...box, ...size }, { ...box, ...size, ...at, drawing: null });
}

/** A drawing and the one after it as one: in a box around both, named as the first that has a name. The last stays as it is. */
export function joinedWithNext(drawings: readonly SheetDrawing[], i: number): SheetDrawing[] {
  if (i + 1 >= drawings.length) return [...drawings];
  const [a, b] = [drawings[i], drawings[i + 1]];
  const [x, y] = [Math.min(a.x, b.x), Math.min(a.y, b.y)];
  return drawings.toSpliced(i, 2, {
    x,
    y,
    width: Math.max(a.x + a.width, b.x + b.width) - x,
    height: Math.max(a.y + a.height, b.y + b.height) - y,
    drawing: a.drawing ?? b.drawing,
  });
}
