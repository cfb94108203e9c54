import { imageSize } from 'image-size';
import * as z from 'zod/mini';
import { listWords } from '../words';
import type { ImageType } from './picture';

/** Why a file cannot become a reference. */
export const imageProblemSchema = z.discriminatedUnion('kind', [
  z.object({
    kind: z.enum(['empty', 'not a picture', 'truncated', 'damaged', 'no room', 'gone', 'not copied', 'too many']),
  }),
  z.object({ kind: z.literal('unknown type'), type: z.string() }),
  z.object({ kind: z.literal('too large'), megapixels: z.number() }),
  z.object({ kind: z.literal('already there'), as: z.string() }),
]);
export type ImageProblem = z.infer<typeof imageProblemSchema>;

export interface ImageFacts {
  type: ImageType | 'image/heic';
  widthPx: number;
  heightPx: number;
}

/** Decoding needs four bytes a pixel at once; beyond this a browser tab may die of it. */
const MAX_MEGAPIXELS = 100;

/** Files taken at once; more come in a second go. */
export const MAX_FILES = 20_000;

/** By name ending, and by what is found in the file. */
export const IMAGE_TYPES_BY_ENDING: Record<string, ImageFacts['type']> = {
  jpg: 'image/jpeg',
  jpeg: 'image/jpeg',
  png: 'image/png',
  webp: 'image/webp',
  avif: 'image/avif',
  gif: 'image/gif',
  heic: 'image/heic',
  heif: 'image/heic',
};

const ascii = (bytes: Uint8Array, from: number, to: number): string => String.fromCharCode(...bytes.subarray(from, to));
const uint32 = (bytes: Uint8Array, at: number): number => new DataView(bytes.buffer, bytes.byteOffset).getUint32(at);

/** The kind of image by its first bytes, as image-size names them; undefined for anything that is not an image. */
function sniff(bytes: Uint8Array): string | undefined {
  if (bytes[0] === 0xff && bytes[1] === 0xd8 && bytes[2] === 0xff) return 'jpg';
  if (ascii(bytes, 1, 4) === 'PNG') return 'png';
  if (ascii(bytes, 0, 4) === 'GIF8') return 'gif';
  if (ascii(bytes, 0, 4) === 'RIFF' && ascii(bytes, 8, 12) === 'WEBP') return 'webp';
  if (ascii(bytes, 4, 8) === 'ftyp') {
    const brand = ascii(bytes, 8, 12);
    if (brand === 'avif' || brand === 'avis') return 'avif';
    if (['heic', 'heix', 'hevc', 'mif1', 'msf1', 'heim', 'heis'].includes(brand)) return 'heic';
  }
  if (ascii(bytes, 0, 2) === 'BM') return 'BMP';
  if (ascii(bytes, 0, 4) === 'II*\0' || ascii(bytes, 0, 4) === 'MM\0*') return 'TIFF';
  return undefined;
}

/** Whether a file goes on to the end its format promises. Trailing extra bytes are fine. */
function isComplete(kind: string, bytes: Uint8Array): boolean {
  const n = bytes.length;
  switch (kind) {
    case 'jpg':
      return lastIndexOfPair(bytes, 0xff, 0xd9) > 0;
    case 'png':
      return ascii(bytes, Math.max(0, n - 4096), n).includes('IEND');
    case 'gif':
      return bytes.subarray(Math.max(0, n - 64)).includes(0x3b);
    case 'webp':
      return n >= new DataView(bytes.buffer, bytes.byteOffset).getUint32(4, true) + 8;
    default:
      return boxesFit(bytes);
  }
}

/** An end-of-image marker in the last stretch: thumbnails inside the header have one too, so the whole file does not count. */
function lastIndexOfPair(bytes: Uint8Array, a: number, b: number): number {
  const from = Math.max(2, bytes.length - 65_536, Math.floor(bytes.length / 2));
  for (let i = bytes.length - 2; i >= from; i--) if (bytes[i] === a && bytes[i + 1] === b) return i;
  return -1;
}

/** ISO base media files (AVIF, HEIC) are boxes with their lengths in front; all of them must lie in the file. */
function boxesFit(bytes: Uint8Array): boolean {
  let at = 0;
  while (at + 8 <= bytes.length) {
    let size = uint32(bytes, at);
    if (size === 0) return true;
    if (size === 1 && at + 16 <= bytes.length) size = uint32(bytes, at + 8) * 2 ** 32 + uint32(bytes, at + 12);
    if (size < 8 || at + size > bytes.length) return false;
    at += size;
  }
  return at === bytes.length;
}

/** What a file is, from its bytes alone and before anything is decoded. */
export function inspectImage(bytes: Uint8Array): ImageFacts | ImageProblem {
  if (bytes.length === 0) return { kind: 'empty' };
  const kind = bytes.length < 16 ? undefined : sniff(bytes);
  if (kind === undefined) return { kind: 'not a picture' };
  if (!(kind in IMAGE_TYPES_BY_ENDING)) return { kind: 'unknown type', type: kind };
  let size: { width: number; height: number };
  try {
    size = imageSize(bytes);
  } catch {
    return { kind: isComplete(kind, bytes) ? 'damaged' : 'truncated' };
  }
  const megapixels = (size.width * size.height) / 1e6;
  if (megapixels > MAX_MEGAPIXELS) return { kind: 'too large', megapixels: Math.round(megapixels) };
  if (!isComplete(kind, bytes)) return { kind: 'truncated' };
  return { type: IMAGE_TYPES_BY_ENDING[kind], widthPx: size.width, heightPx: size.height };
}

/** What is worth knowing of a file that was taken in. */
export type ImageNote = 'first frame' | 'made smaller' | 'other ending' | 'converted';

const NOTE_WORDS: Record<ImageNote, string> = {
  'first frame': 'moves; its first frame is kept to draw from',
  'made smaller': 'was larger than is kept and was made smaller',
  'other ending': 'is of another kind than its name says and was read as what it is',
  converted: 'was converted, since browsers do not show its kind or keep the place it was taken at in it',
};
export const noteSentence = (name: string, notes: readonly ImageNote[]): string =>
  `“${shortName(name)}” ${listWords(notes.map((note) => NOTE_WORDS[note]))}.`;

const LONG_NAME = 80;
/** A name as it reads in a sentence: long ones are cut in the middle, so that the ending stays. */
export const shortName = (name: string): string =>
  name.length <= LONG_NAME ? name : `${name.slice(0, LONG_NAME - 20).toWellFormed()}…${name.slice(-16).toWellFormed()}`;

/** What happened to a file and what to do, in a sentence. */
export function problemSentence(fileName: string, problem: ImageProblem): string {
  const name = shortName(fileName);
  switch (problem.kind) {
    case 'empty':
      return `“${name}” is empty (0 bytes). Copy it again from where it came from.`;
    case 'not a picture':
      return `“${name}” is not a picture. JPEG, PNG, WebP, AVIF, GIF and HEIC can be added.`;
    case 'unknown type':
      return `“${name}” is a ${problem.type} picture, which browsers do not show. Save it as JPEG or PNG and add that.`;
    case 'truncated':
      return `“${name}” breaks off before its end, as after an interrupted copy. Copy it again from where it came from.`;
    case 'damaged':
      return `“${name}” is damaged and cannot be shown. Try opening and saving it again in another program.`;
    case 'too large':
      return `“${name}” has ${problem.megapixels} megapixels; up to ${MAX_MEGAPIXELS} can be shown safely. Save it smaller: 12 are plenty for drawing from.`;
    case 'already there':
      return `“${name}” is the same file as “${problem.as}”, which is kept once and is here.`;
    case 'no room':
      return `There was no room left for “${name}”. What was added before it is kept; free some space on this machine or take pictures out of a set.`;
    case 'gone':
      return `“${name}” could no longer be read: it was moved, renamed or taken away meanwhile. Choose it again from where it is now.`;
    case 'not copied':
      return `“${name}” was still waiting when the page was closed. Choose it again; what was added stays.`;
    case 'too many':
      return `“${name}” is beyond the ${MAX_FILES.toLocaleString('en')} files taken at once. Add it in a second go.`;
  }
}
