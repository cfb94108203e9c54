import * as Comlink from 'comlink';
import { clamp } from '@/core/clamp';
import { proposeDrawings } from '@/core/desk/drawings';
import type { EvenSheet } from '@/core/desk/evenLight';
import { flatSheet, inkInBox } from '@/core/desk/flatSheet';
import { findSheet } from '@/core/desk/findSheet';
import { inkOf } from '@/core/desk/ink';
import { type Envelope, inkEnvelope } from '@/core/desk/matching';
import type { Rgba } from '@/core/desk/picture';
import { refinedCorners } from '@/core/desk/refineCorners';
import type { SheetBox } from '@/core/desk/readingOrder';
import {
  cornersInPixels,
  cornersInShares,
  type DrawnPoint,
  isBlack,
  likelyCount,
  type Sheet,
  sheetDoubts,
  sheetShape,
  uprightAspect,
} from '@/core/desk/sheet';
import { sharpnessOf } from '@/core/desk/sharpness';
import type { Look } from '@/core/desk/steady';
import { splitAlong } from '@/core/desk/splitBox';
import { turnedCorners } from '@/core/desk/straighten';
import type { Point } from '@/core/desk/quad';
import type { DrawnKey } from '@/core/figure/facts/answerKey';
import { fitPlaces } from '@/core/measure/fitPlaces';

/** Long side on which a photograph is looked at, pixels. */
const PHOTO_PX = 2048;
/** Long side of the small picture of a sheet, from which its drawings are shown elsewhere. */
const SMALL_PX = 1100;
/** Corners dragged by hand are taken to an edge that is as near as this, of the photograph's longer side. */
const SNAP = 0.012;

async function pixelsOf(photo: Blob): Promise<Rgba> {
  const whole = await createImageBitmap(photo, { imageOrientation: 'from-image' });
  const scale = Math.min(1, PHOTO_PX / Math.max(whole.width, whole.height));
  const canvas = new OffscreenCanvas(
    Math.max(1, Math.round(whole.width * scale)),
    Math.max(1, Math.round(whole.height * scale)),
  );
  const context = canvas.getContext('2d', { willReadFrequently: true });
  if (!context) throw new Error('no 2D canvas');
  context.imageSmoothingQuality = 'high';
  context.drawImage(whole, 0, 0, canvas.width, canvas.height);
  whole.close();
  return {
    width: canvas.width,
    height: canvas.height,
    data: context.getImageData(0, 0, canvas.width, canvas.height).data,
  };
}

/** The photograph that this worker was started for: it is decoded once. */
let pixels: Promise<Rgba> | undefined;
const known = (photo: Blob): Promise<Rgba> => (pixels ??= pixelsOf(photo));

function smallOf(canvas: OffscreenCanvas): Promise<Blob> {
  const scale = SMALL_PX / Math.max(canvas.width, canvas.height);
  const small = new OffscreenCanvas(Math.round(canvas.width * scale), Math.round(canvas.height * scale));
  const context = small.getContext('2d', { willReadFrequently: true });
  if (!context) throw new Error('no 2D canvas');
  context.imageSmoothingQuality = 'high';
  context.drawImage(canvas, 0, 0, small.width, small.height);
  return small.convertToBlob({ type: 'image/webp', quality: 0.82 });
}

/** The sheet straightened last: what is cut. */
let flat: EvenSheet | undefined;
/** What is drawn on it, once it was asked for. */
let ink: Uint8Array | undefined;

export interface SheetFound {
  /** Where a sheet may lie, the likeliest first. */
  candidates: { corners: Sheet['corners']; aspect: number; papers: string[] }[];
  /** What is not sure of the first, in sentences. */
  doubts: string[];
}

/** The sheet upright and evenly lit. */
export interface Flattened {
  image: Blob;
  width: number;
  height: number;
  /** The same, small. */
  small: Blob;
}

/** A box around a drawing, and the envelope of its ink. */
export interface CutBox {
  box: SheetBox;
  envelope: Envelope | undefined;
}

/** A drawing's figure: its places, and where the reference's outline and the ground between its limbs come to lie, shares of the sheet. */
export interface FittedDrawing {
  points: DrawnPoint[];
  outline: Point[][];
  between: Point[][];
  inkMet: number;
  outlineMet: number;
}

const api = {
  /** Look for the sheet in a photograph. */
  async find(photo: Blob): Promise<SheetFound> {
    const picture = await known(photo);
    const { width, height } = picture;
    const { candidates, bow } = findSheet(picture);
    return {
      candidates: candidates.map(({ corners }) => ({
        corners: cornersInShares(corners, width, height),
        ...sheetShape(corners, width, height),
      })),
      doubts: sheetDoubts(candidates, bow, isBlack(picture)),
    };
  },
  /** Look at a frame of a live camera. */
  look(frame: Rgba): Omit<Look, 'atMs'> {
    const { candidates, bow } = findSheet(frame);
    const best = candidates.at(0);
    return {
      corners: best && cornersInShares(best.corners, frame.width, frame.height),
      worstSide: best ? Math.min(...best.sides) : 0,
      bow,
      sharpness: sharpnessOf(frame),
    };
  },
  /** Corners that were dragged near the sheet's, taken to it. */
  async snap(
    photo: Blob,
    corners: Sheet['corners'],
  ): Promise<{ corners: Sheet['corners']; aspect: number; papers: string[] }> {
    const picture = await known(photo);
    const { width, height } = picture;
    const near = refinedCorners(
      picture,
      cornersInPixels(corners, width, height),
      SNAP * Math.max(width, height),
    ).corners;
    return { corners: cornersInShares(near, width, height), ...sheetShape(near, width, height) };
  },
  /** The sheet straightened, turned and evenly lit. */
  async flatten(
    photo: Blob,
    { corners, quarters, aspect }: Pick<Sheet, 'corners' | 'quarters' | 'aspect'>,
  ): Promise<Flattened> {
    const picture = await known(photo);
    const turned = turnedCorners(cornersInPixels(corners, picture.width, picture.height), quarters);
    const even = flatSheet(picture, turned, uprightAspect({ quarters, aspect }));
    const { width, height } = even.picture;
    flat = even;
    ink = undefined;
    // What is only encoded stays in memory: a graphics card would have it brought there and back.
    const canvas = new OffscreenCanvas(width, height);
    canvas
      .getContext('2d', { willReadFrequently: true })
      ?.putImageData(new ImageData(even.picture.data as Uint8ClampedArray<ArrayBuffer>, width, height), 0, 0);
    return {
      image: await canvas.convertToBlob({ type: 'image/webp', quality: 0.9 }),
      width,
      height,
      small: await smallOf(canvas),
    };
  },
  /**
   * What is ink on the sheet that was straightened last, where that is known better than its picture tells.
   * @param drawn As many places as the straightened sheet has pixels, row by row; not 0 where there is ink.
   */
  setInk(drawn: Uint8Array): void {
    if (flat && drawn.length === flat.picture.width * flat.picture.height) ink = drawn;
  },
  /**
   * The drawings on the sheet that was straightened last.
   * @param left How many drawings of the session are on no other sheet; 0 where that is not known.
   * @param told How many there are, where the learner said so.
   * @throws when no sheet was straightened yet.
   */
  cut(left: number, told?: number): CutBox[] {
    if (!flat) throw new Error('no sheet was straightened');
    const { width, height } = flat.picture;
    ink ??= inkOf(flat);
    const seen = proposeDrawings(ink, width, height);
    const count = told ?? likelyCount(seen.boxes.length, left);
    const found = count === seen.boxes.length ? seen : proposeDrawings(ink, width, height, count);
    const drawn = ink;
    return found.boxes.map((box) => ({ box, envelope: inkEnvelope(drawn, width, height, box) }));
  },
  /**
   * A box cut in two along a line over the sheet that was straightened last.
   * @returns undefined where there is ink on one side only.
   * @throws when no sheet was straightened yet.
   */
  split(box: SheetBox, from: Point, to: Point): [SheetBox, SheetBox] | undefined {
    if (!flat) throw new Error('no sheet was straightened');
    ink ??= inkOf(flat);
    return splitAlong(ink, flat.picture.width, flat.picture.height, box, from, to);
  },
  /**
   * The places of a reference's figure in a drawing of it.
   * @param box Where the drawing is on the sheet that was straightened last, shares of it.
   * @returns undefined where there is hardly any ink.
   * @throws when no sheet was straightened yet.
   */
  fit(key: DrawnKey, box: SheetBox): FittedDrawing | undefined {
    if (!flat) throw new Error('no sheet was straightened');
    const { width, height } = flat.picture;
    ink ??= inkOf(flat);
    const inBox = inkInBox(ink, width, height, box);
    const fitted = fitPlaces(key, inBox);
    const long = Math.max(width, height);
    const shares = ([x, y]: Point): Point => [(x + inBox.left) / width, (y + inBox.top) / height];
    return (
      fitted && {
        points: [...fitted.places].map(([name, { at, sigma }]): DrawnPoint => {
          const [x, y] = shares(at);
          return { name, x: clamp(x, 0, 1), y: clamp(y, 0, 1), sigma: Math.min(0.5, sigma / long), by: 'fit' };
        }),
        outline: fitted.outline.map((line) => line.map(shares)),
        between: fitted.between.map((line) => line.map(shares)),
        inkMet: fitted.inkMet,
        outlineMet: fitted.outlineMet,
      }
    );
  },
};
export type SheetApi = typeof api;
Comlink.expose(api);
