import { imageSize } from 'image-size';
import { IMAGE_TYPES_BY_ENDING, type ImageFacts, MAX_MEGAPIXELS } from './imageFile';
import type { ImageProblem } from './imageProblem';

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
