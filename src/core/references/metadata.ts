/**
 * Keeps of a picture's file only what belongs to the picture. Whatever else it carries (place, camera, person, origin) goes, known or
 * not. The image data itself is not touched. JPEG: CIPA DC-008 (Exif) and ITU-T T.81; PNG: W3C PNG 3rd edition; WebP: its container specification.
 */

/** Parts of a file that are kept, in order; undefined where there is nothing to take out. */
export type KeptParts = Uint8Array<ArrayBuffer>[] | undefined;

const ascii = (bytes: Uint8Array, from: number, to: number): string => String.fromCharCode(...bytes.subarray(from, to));

/** An Exif segment that says nothing but which way up the picture is. */
function orientationSegment(orientation: number): Uint8Array<ArrayBuffer> {
  const tiff = [
    ...[0x4d, 0x4d, 0, 42, 0, 0, 0, 8],
    ...[0, 1],
    ...[0x01, 0x12, 0, 3, 0, 0, 0, 1, 0, orientation, 0, 0],
    ...[0, 0, 0, 0],
  ];
  const payload = [0x45, 0x78, 0x69, 0x66, 0, 0, ...tiff];
  const length = payload.length + 2;
  return Uint8Array.from([0xff, 0xe1, length >> 8, length & 255, ...payload]);
}

const ICC_PROFILE = 'ICC_PROFILE';
/**
 * Whether a JPEG segment belongs to the picture itself: frames, tables, restart and line counts; JFIF without its thumbnail, a color
 * profile, and the color transform Adobe's segment names. Everything else may tell of place, person or origin.
 */
function belongsToJpeg(marker: number, bytes: Uint8Array, at: number): boolean {
  if (marker >= 0xc0 && marker <= 0xcf) return true;
  if (marker >= 0xda && marker <= 0xdf) return true;
  if (marker === 0xe0) return ascii(bytes, at + 4, at + 8) === 'JFIF';
  if (marker === 0xe2) return ascii(bytes, at + 4, at + 4 + ICC_PROFILE.length) === ICC_PROFILE;
  return marker === 0xee && ascii(bytes, at + 4, at + 9) === 'Adobe';
}

/** Where the coded data of a scan ends: at the next marker that is neither a stuffed byte nor a restart. */
function scanEnd(bytes: Uint8Array, from: number): number {
  for (let at = bytes.indexOf(0xff, from); at >= 0 && at + 1 < bytes.length; at = bytes.indexOf(0xff, at + 1)) {
    const next = bytes[at + 1];
    if (next !== 0 && next !== 0xff && (next < 0xd0 || next > 0xd7)) return at;
  }
  return bytes.length;
}

/** Keeps the segments that belong to the picture, to its end: phones put further pictures, with a place of their own, behind it. */
function stripJpeg(bytes: Uint8Array<ArrayBuffer>, orientation: number): KeptParts {
  const kept: Uint8Array<ArrayBuffer>[] = [bytes.subarray(0, 2)];
  if (orientation > 1 && orientation <= 8) kept.push(orientationSegment(orientation));
  let at = 2;
  let keptBytes = 2;
  const keep = (from: number, to: number): void => {
    kept.push(bytes.subarray(from, to));
    keptBytes += to - from;
  };
  while (at + 2 <= bytes.length && bytes[at] === 0xff) {
    // Fill bytes may stand before any marker (ITU-T T.81, B.1.1.2).
    if (bytes[at + 1] === 0xff) {
      at++;
      continue;
    }
    const marker = bytes[at + 1];
    if (marker === 0xd9) {
      keep(at, at + 2);
      break;
    }
    const end = Math.min(bytes.length, at + 2 + ((bytes[at + 2] << 8) | bytes[at + 3]));
    if (belongsToJpeg(marker, bytes, at)) keep(at, end);
    at = end;
    if (marker !== 0xda) continue;
    const next = scanEnd(bytes, at);
    keep(at, next);
    at = next;
  }
  return keptBytes === bytes.length ? undefined : kept;
}

/** Chunks of a PNG that say how its pixels are to be shown, and those of its frames where it moves. */
const PNG_CHUNKS = [
  ...['IHDR', 'PLTE', 'IDAT', 'IEND', 'tRNS', 'acTL', 'fcTL', 'fdAT'],
  ...['gAMA', 'cHRM', 'sRGB', 'iCCP', 'sBIT', 'cICP', 'mDCV', 'cLLI', 'pHYs', 'bKGD', 'hIST', 'sPLT'],
];

function stripPng(bytes: Uint8Array<ArrayBuffer>): KeptParts {
  const view = new DataView(bytes.buffer, bytes.byteOffset);
  const kept: Uint8Array<ArrayBuffer>[] = [bytes.subarray(0, 8)];
  let at = 8;
  let stripped = false;
  while (at + 12 <= bytes.length) {
    const end = at + 12 + view.getUint32(at);
    const name = ascii(bytes, at + 4, at + 8);
    if (PNG_CHUNKS.includes(name)) kept.push(bytes.subarray(at, end));
    else stripped = true;
    at = end;
    if (name === 'IEND') break;
  }
  return stripped || at < bytes.length ? kept : undefined;
}

const VP8X_EXIF_AND_XMP = 0x08 | 0x04;
const WEBP_CHUNKS = ['VP8 ', 'VP8L', 'ALPH', 'ANIM', 'ANMF', 'ICCP'];

function stripWebp(bytes: Uint8Array<ArrayBuffer>): KeptParts {
  const view = new DataView(bytes.buffer, bytes.byteOffset);
  const kept: Uint8Array<ArrayBuffer>[] = [];
  let at = 12;
  let stripped = false;
  const fileEnd = Math.min(bytes.length, 8 + view.getUint32(4, true));
  if (fileEnd < bytes.length) stripped = true;
  while (at + 8 <= fileEnd) {
    const size = view.getUint32(at + 4, true);
    const end = Math.min(bytes.length, at + 8 + size + (size & 1));
    const name = ascii(bytes, at, at + 4);
    if (name === 'VP8X') {
      const header = bytes.slice(at, end);
      header[8] &= ~VP8X_EXIF_AND_XMP;
      kept.push(header);
    } else if (WEBP_CHUNKS.includes(name)) kept.push(bytes.subarray(at, end));
    else stripped = true;
    at = end;
  }
  if (!stripped) return undefined;
  const riff = bytes.slice(0, 12);
  new DataView(riff.buffer).setUint32(4, 4 + kept.reduce((sum, part) => sum + part.length, 0), true);
  return [riff, ...kept];
}

/** What a WebP tells of itself, as an Exif block (CIPA DC-008) that begins like a TIFF; undefined where it tells nothing. */
export function exifOfWebp(bytes: Uint8Array<ArrayBuffer>): Uint8Array<ArrayBuffer> | undefined {
  const view = new DataView(bytes.buffer, bytes.byteOffset);
  for (let at = 12; at + 8 <= bytes.length;) {
    const size = view.getUint32(at + 4, true);
    if (ascii(bytes, at, at + 4) === 'EXIF') {
      const block = bytes.subarray(at + 8, at + 8 + size);
      return ascii(block, 0, 4) === 'Exif' ? block.subarray(6) : block;
    }
    at += 8 + size + (size & 1);
  }
  return undefined;
}

/**
 * A picture's file without what it tells beyond the picture.
 * @param orientation As Exif numbers it, 1 to 8; kept in JPEG, where browsers follow it.
 */
export function stripMetadata(
  type: 'image/jpeg' | 'image/png' | 'image/webp',
  bytes: Uint8Array<ArrayBuffer>,
  orientation: number,
): KeptParts {
  if (type === 'image/jpeg') return stripJpeg(bytes, orientation);
  return type === 'image/png' ? stripPng(bytes) : stripWebp(bytes);
}

/** Whether an AVIF lists metadata among its items (ISO 23008-12): an Exif block, or XMP as a MIME item. */
export function avifTells(bytes: Uint8Array): boolean {
  const head = ascii(bytes, 0, Math.min(bytes.length, 8192));
  return head.includes('infe') && /infe[^]{0,16}(Exif|mime)/.test(head);
}

/** Whether a file moves: several frames in a GIF, or the animation chunks of PNG and WebP. */
export function isAnimated(type: string, bytes: Uint8Array): boolean {
  const head = ascii(bytes, 0, Math.min(bytes.length, 512));
  if (type === 'image/png') return head.includes('acTL');
  if (type === 'image/webp') return head.includes('ANIM');
  if (type !== 'image/gif') return false;
  // Each frame but a lone one has its own graphic control extension.
  let frames = 0;
  for (let at = bytes.indexOf(0x21); at >= 0 && frames < 2; at = bytes.indexOf(0x21, at + 1))
    if (bytes[at + 1] === 0xf9 && bytes[at + 2] === 4 && bytes[at + 7] === 0) frames++;
  return frames > 1;
}
