import * as Comlink from 'comlink';
import { proposeDrawings } from '@/core/desk/drawings';
import { evenLight, type EvenSheet } from '@/core/desk/evenLight';
import { findSheet } from '@/core/desk/findSheet';
import { inkOf } from '@/core/desk/ink';
import type { Rgba } from '@/core/desk/picture';
import { refinedCorners } from '@/core/desk/refineCorners';
import type { SheetBox } from '@/core/desk/readingOrder';
import { cornersInPixels, cornersInShares, likelyCount, type Sheet, sheetDoubts, sheetShape } from '@/core/desk/sheet';
import { straightened, turnedCorners } from '@/core/desk/straighten';

/** Long side on which a photograph is looked at, pixels. */
const PHOTO_PX = 2048;
/** Long side of a straightened sheet. */
const SHEET_PX = 1600;
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

/** The sheet straightened last: what is cut. */
let flat: EvenSheet | undefined;

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
      doubts: sheetDoubts(candidates.at(0), bow),
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
    const shape = quarters % 2 === 1 ? 1 / aspect : aspect;
    const width = Math.round(shape < 1 ? SHEET_PX * shape : SHEET_PX);
    const height = Math.round(shape < 1 ? SHEET_PX : SHEET_PX / shape);
    const even = evenLight(straightened(picture, turned, width, height));
    flat = even;
    const canvas = new OffscreenCanvas(width, height);
    canvas
      .getContext('2d')
      ?.putImageData(new ImageData(even.picture.data as Uint8ClampedArray<ArrayBuffer>, width, height), 0, 0);
    return { image: await canvas.convertToBlob({ type: 'image/webp', quality: 0.9 }), width, height };
  },
  /**
   * The drawings on the sheet that was straightened last.
   * @param left How many drawings of the session are on no other sheet; 0 where that is not known.
   * @param told How many there are, where the learner said so.
   * @throws when no sheet was straightened yet.
   */
  cut(left: number, told?: number): SheetBox[] {
    if (!flat) throw new Error('no sheet was straightened');
    const { width, height } = flat.picture;
    const ink = inkOf(flat);
    const seen = proposeDrawings(ink, width, height);
    const count = told ?? likelyCount(seen.boxes.length, left);
    return (count === seen.boxes.length ? seen : proposeDrawings(ink, width, height, count)).boxes;
  },
};
export type SheetApi = typeof api;
Comlink.expose(api);
