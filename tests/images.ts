import { readFileSync } from 'node:fs';
import { crc32, deflateSync } from 'node:zlib';

const fromBase64 = (text: string): Uint8Array<ArrayBuffer> => Uint8Array.from(Buffer.from(text, 'base64'));

function chunk(type: string, data: Uint8Array): Buffer {
  const body = Buffer.concat([Buffer.from(type, 'latin1'), data]);
  const out = Buffer.alloc(12 + data.length);
  out.writeUInt32BE(data.length, 0);
  body.copy(out, 4);
  out.writeUInt32BE(crc32(body), 8 + data.length);
  return out;
}

const SIGNATURE = Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]);
function header(width: number, height: number): Buffer {
  const ihdr = Buffer.alloc(13);
  ihdr.writeUInt32BE(width, 0);
  ihdr.writeUInt32BE(height, 4);
  ihdr.set([8, 2, 0, 0, 0], 8);
  return chunk('IHDR', ihdr);
}

/** A PNG with a gradient; `tint` makes files of one size differ. */
export function png(width: number, height: number, tint = 90): Uint8Array<ArrayBuffer> {
  const rows = Buffer.alloc(height * (1 + width * 3));
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++)
      rows.set([(x * 255) / width, (y * 255) / height, tint], y * (1 + width * 3) + 1 + x * 3);
  return Uint8Array.from(
    Buffer.concat([SIGNATURE, header(width, height), chunk('IDAT', deflateSync(rows)), chunk('IEND', Buffer.alloc(0))]),
  );
}

/** A PNG that only claims a size: header and end, no image. */
export function pngHeader(width: number, height: number): Uint8Array<ArrayBuffer> {
  return Uint8Array.from(
    Buffer.concat([
      SIGNATURE,
      header(width, height),
      chunk('IDAT', deflateSync(Buffer.alloc(64))),
      chunk('IEND', Buffer.alloc(0)),
    ]),
  );
}

/** One gray pixel each. */
export const jpeg = fromBase64(
  '/9j/4AAQSkZJRgABAQAAAQABAAD/2wBDAAMCAgICAgMCAgIDAwMDBAYEBAQEBAgGBgUGCQgKCgkICQkKDA8MCgsOCwkJDRENDg8QEBEQCgwSExIQEw8QEBD/wAALCAABAAEBAREA/8QAFAABAAAAAAAAAAAAAAAAAAAAA//EABQQAQAAAAAAAAAAAAAAAAAAAAD/2gAIAQEAAD8AJ//Z',
);
export const gif = fromBase64('R0lGODlhAQABAIAAAP///wAAACH5BAAAAAAALAAAAAABAAEAAAICRAEAOw==');
export const webp = fromBase64('UklGRiQAAABXRUJQVlA4IBgAAABQAQCdASoBAAEAAgA0JaQABHQAAP5oAAA=');

const fixture = (name: string): Uint8Array<ArrayBuffer> =>
  Uint8Array.from(readFileSync(new URL(`./fixtures/${name}`, import.meta.url)));
/** A figure, 35 by 64 pixels. */
export const heic = fixture('figure.heic');
export const avif = fixture('figure.avif');
