import * as Comlink from 'comlink';
import { parse as parseExif } from 'exifr';
import { IMAGE_TYPES_BY_ENDING, type ImageFacts, type ImageNote } from '@/core/references/imageFile';
import type { ImageProblem } from '@/core/references/imageProblem';
import { inspectImage } from '@/core/references/inspectImage';
import { LIKENESS_PX, likenessHash } from '@/core/references/likeness';
import { avifTells, exifOfWebp, isAnimated, stripMetadata } from '@/core/references/metadata';
import type { ImageType, PictureBox } from '@/core/references/picture';
import { grayOf, PLAIN_SPREAD, readTone, type Tone } from '@/core/references/tone';
import { decode, type Decoded, whole, turned } from './decode';
import { figureInPicture } from './figureInPicture';
import { sha256 } from './sha256';

export interface PreparedPicture {
  type: ImageType;
  widthPx: number;
  heightPx: number;
  hash: string;
  likeness: string | null;
  tone: Tone;
  takenAtMs: number | null;
  notes: ImageNote[];
  /** The figure it was saved from here, by its reference and name. */
  figure?: { reference: string; name?: string | undefined };
  /** Missing where the file can be kept as it is. */
  image: Blob | undefined;
  thumbnail: Blob;
}
export type Preparation = { ok: true; picture: PreparedPicture } | { ok: false; problem: ImageProblem };

const THUMBNAIL_PX = 360;
const JPEG_QUALITY = 0.92;
/** Lies over what is left out on purpose. */
const VEIL = '#b9ae9d';
/** Pictures are kept as they are up to this; larger ones are made smaller. */
const KEPT_PIXELS = 24_000_000;

interface Shrunk {
  canvas: OffscreenCanvas;
  context: OffscreenCanvasRenderingContext2D;
}
/** A picture at a part of the size it has whole. */
function shrink({ picture, widthPx, heightPx }: Decoded, scale: number, quality: ImageSmoothingQuality): Shrunk {
  const canvas = new OffscreenCanvas(
    Math.max(1, Math.round(widthPx * scale)),
    Math.max(1, Math.round(heightPx * scale)),
  );
  const context = canvas.getContext('2d', { willReadFrequently: true });
  if (!context) throw new Error('no 2D canvas');
  context.imageSmoothingQuality = quality;
  context.drawImage(picture, 0, 0, canvas.width, canvas.height);
  return { canvas, context };
}

const tiny = new OffscreenCanvas(LIKENESS_PX, LIKENESS_PX).getContext('2d', {
  willReadFrequently: true,
}) as OffscreenCanvasRenderingContext2D;

/** What a glance at 32 by 32 pixels tells: likeness and tone. */
function glance(source: OffscreenCanvas): { likeness: string | null; tone: Tone } {
  tiny.fillStyle = '#fff';
  tiny.fillRect(0, 0, LIKENESS_PX, LIKENESS_PX);
  tiny.imageSmoothingQuality = 'high';
  tiny.drawImage(source, 0, 0, LIKENESS_PX, LIKENESS_PX);
  const gray = grayOf(tiny.getImageData(0, 0, LIKENESS_PX, LIKENESS_PX).data);
  const tone = readTone(gray);
  return { tone, likeness: tone.spread < PLAIN_SPREAD ? null : likenessHash(gray) };
}

/** HEIC by libheif (WebAssembly), loaded only when the first such file comes. */
/** The file's image data cannot be decoded. */
class DamagedError extends Error {
  override name = 'DamagedError';
}

async function decodeHeic(bytes: Uint8Array): Promise<Decoded> {
  const { default: loadLibheif } = await import('libheif-js/wasm-bundle');
  const images = new loadLibheif.HeifDecoder().decode(bytes);
  if (images.length === 0) throw new Error('no image in it');
  const image = images[0];
  const data = new ImageData(image.get_width(), image.get_height());
  await new Promise<void>((resolve, reject) => {
    image.display(data, (result: ImageData | null) => {
      if (result) resolve();
      else reject(new Error('not decoded'));
    });
  });
  return whole(await createImageBitmap(data));
}

const keptScale = (widthPx: number, heightPx: number): number =>
  Math.min(1, Math.sqrt(KEPT_PIXELS / (widthPx * heightPx)));
const thumbnailScale = (widthPx: number, heightPx: number): number =>
  Math.min(1, THUMBNAIL_PX / Math.max(widthPx, heightPx));
/** A picture that is kept as it is need only be seen as large as its small picture; one that is made smaller, as large as that. */
const neededScale = (widthPx: number, heightPx: number): number => {
  const kept = keptScale(widthPx, heightPx);
  return kept < 1 ? kept : thumbnailScale(widthPx, heightPx);
};

interface Told {
  orientation: number;
  takenAtMs: number | null;
}
/** What the file says of itself; nothing of it is needed, so whatever cannot be read is none. */
async function toldBy(bytes: Uint8Array<ArrayBuffer>, type: ImageFacts['type']): Promise<Told> {
  // The reader of Exif knows no WebP, but the block in it.
  const block = type === 'image/webp' ? exifOfWebp(bytes) : undefined;
  const told = (await parseExif(block ?? bytes, {
    pick: ['Orientation', 'DateTimeOriginal', 'CreateDate', 'GPSLatitude'],
    translateValues: false,
  }).catch(() => undefined)) as { Orientation?: number; DateTimeOriginal?: unknown; CreateDate?: unknown } | undefined;
  const date = [told?.DateTimeOriginal, told?.CreateDate].find((d) => d instanceof Date);
  const ms = date?.getTime();
  return {
    orientation: told?.Orientation ?? 1,
    takenAtMs: ms !== undefined && ms > 0 ? ms : null,
  };
}

/** The image to keep: the file itself (undefined), the file without what it tells, or a new one where it must be. */
async function imageToKeep(
  bytes: Uint8Array<ArrayBuffer>,
  type: ImageFacts['type'],
  decoded: Decoded,
  told: Told,
): Promise<{ type: ImageType; image: Blob | undefined; notes: ImageNote[]; scale: number }> {
  const scale = keptScale(decoded.widthPx, decoded.heightPx);
  const redrawn = async (as: ImageType, notes: ImageNote[]) => ({
    type: as,
    image: await shrink(decoded, scale, 'high').canvas.convertToBlob({ type: as, quality: JPEG_QUALITY }),
    notes: scale < 1 ? [...notes, 'made smaller' as const] : notes,
    scale,
  });
  if (type === 'image/heic') return redrawn('image/jpeg', ['converted']);
  const opaque = type === 'image/jpeg';
  if (scale < 1) return redrawn(opaque ? 'image/jpeg' : 'image/webp', []);
  if (type === 'image/avif')
    return avifTells(bytes) ? redrawn('image/webp', ['converted']) : { type, image: undefined, notes: [], scale };
  if (type === 'image/gif') return { type, image: undefined, notes: [], scale };
  if (!opaque && told.orientation !== 1) return redrawn('image/png', []);
  const kept = stripMetadata(type, bytes, told.orientation);
  return { type, image: kept && new Blob(kept, { type }), notes: [], scale };
}

const api = {
  /** Check, decode and shrink one file. Bad files give a problem, never an exception. */
  async prepare(file: Blob, name: string): Promise<Preparation> {
    let bytes: Uint8Array<ArrayBuffer>;
    try {
      bytes = new Uint8Array(await file.arrayBuffer());
    } catch {
      return { ok: false, problem: { kind: 'gone' } };
    }
    const facts = inspectImage(bytes);
    if ('kind' in facts) return { ok: false, problem: facts };
    try {
      const heic = facts.type === 'image/heic';
      const [decoded, hash, told] = await Promise.all([
        (heic
          ? decodeHeic(bytes)
          : decode(file.type === facts.type ? file : new Blob([bytes], { type: facts.type }), bytes, neededScale)
        ).catch((cause: unknown) => {
          throw new DamagedError('cannot be decoded', { cause });
        }),
        sha256(bytes),
        toldBy(bytes, facts.type),
      ]);
      const upright = facts.type === 'image/webp' ? await turned(decoded, bytes, told.orientation) : decoded;
      const { widthPx, heightPx } = upright;
      const kept = await imageToKeep(bytes, facts.type, upright, told);
      const { canvas } = shrink(upright, thumbnailScale(widthPx, heightPx), 'medium');
      const ending = (IMAGE_TYPES_BY_ENDING as Partial<typeof IMAGE_TYPES_BY_ENDING>)[
        name.split('.').at(-1)?.toLowerCase() ?? ''
      ];
      const notes: ImageNote[] = [
        ...kept.notes,
        ...(isAnimated(facts.type, bytes) ? ['first frame' as const] : []),
        ...(ending !== undefined && ending !== facts.type ? ['other ending' as const] : []),
      ];
      const figure = facts.type === 'image/png' ? figureInPicture(bytes) : undefined;
      const picture: PreparedPicture = {
        ...(figure && { figure }),
        type: kept.type,
        widthPx: Math.round(widthPx * kept.scale),
        heightPx: Math.round(heightPx * kept.scale),
        hash,
        ...glance(canvas),
        takenAtMs: told.takenAtMs,
        notes,
        // Of another type than the file claims, it must be kept under the right one.
        image: kept.image ?? (file.type === kept.type ? undefined : new Blob([bytes], { type: kept.type })),
        // JPEG is several times faster to write; what may be see-through stays so as WebP.
        thumbnail: await canvas.convertToBlob({
          type: kept.type === 'image/jpeg' ? 'image/jpeg' : 'image/webp',
          quality: 0.8,
        }),
      };
      decoded.picture.close();
      upright.picture.close();
      return { ok: true, picture };
    } catch (error) {
      // What cannot be decoded is damaged; anything else is no fault of the file's.
      if (error instanceof DamagedError) return { ok: false, problem: { kind: 'damaged' } };
      console.error(`Preparing ${name} failed`, error);
      return { ok: false, problem: { kind: 'failed' } };
    }
  },
  /** A picture decoded at the size it will be shown, mirrored and with parts veiled if wished, ready to be drawn at once. */
  async atSize(
    image: Blob,
    maxWidthPx: number,
    maxHeightPx: number,
    mirrored = false,
    veils: readonly PictureBox[] = [],
  ): Promise<ImageBitmap> {
    const fitting = (widthPx: number, heightPx: number): number =>
      Math.min(1, maxWidthPx / widthPx, maxHeightPx / heightPx);
    const { picture, widthPx, heightPx } = await decode(image, new Uint8Array(await image.arrayBuffer()), fitting);
    const scale = fitting(widthPx, heightPx);
    if (picture instanceof ImageBitmap && scale === 1 && !mirrored && veils.length === 0)
      return Comlink.transfer(picture, [picture]);
    const canvas = new OffscreenCanvas(
      Math.max(1, Math.round(widthPx * scale)),
      Math.max(1, Math.round(heightPx * scale)),
    );
    const context = canvas.getContext('2d');
    if (!context) throw new Error('no 2D canvas');
    context.imageSmoothingQuality = 'high';
    if (mirrored) context.setTransform(-1, 0, 0, 1, canvas.width, 0);
    context.drawImage(picture, 0, 0, canvas.width, canvas.height);
    picture.close();
    context.fillStyle = VEIL;
    for (const { left, top, width, height } of veils)
      context.fillRect(left * canvas.width, top * canvas.height, width * canvas.width, height * canvas.height);
    const sized = canvas.transferToImageBitmap();
    return Comlink.transfer(sized, [sized]);
  },
  /** A part of a picture as a picture of its own, with its thumbnail. */
  async crop(
    image: Blob,
    box: PictureBox,
  ): Promise<{ image: Blob; thumbnail: Blob; widthPx: number; heightPx: number }> {
    const full = await createImageBitmap(image);
    const widthPx = Math.max(1, Math.round(full.width * box.width));
    const heightPx = Math.max(1, Math.round(full.height * box.height));
    const part = await createImageBitmap(
      full,
      Math.round(full.width * box.left),
      Math.round(full.height * box.top),
      widthPx,
      heightPx,
    );
    full.close();
    const asItIs = shrink(whole(part), 1, 'high').canvas;
    const small = shrink(whole(part), thumbnailScale(widthPx, heightPx), 'high').canvas;
    const type = 'image/jpeg';
    const [cut, thumbnail] = await Promise.all([
      asItIs.convertToBlob({ type, quality: 0.95 }),
      small.convertToBlob({ type, quality: 0.8 }),
    ]);
    part.close();
    return { image: cut, thumbnail, widthPx, heightPx };
  },
};
export type PictureApi = typeof api;
Comlink.expose(api);
