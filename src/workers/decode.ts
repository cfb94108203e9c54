import { imageSize } from 'image-size';

/** A picture decoded, and how large it is whole, which may be more than was decoded. */
export interface Decoded {
  picture: ImageBitmap | VideoFrame;
  widthPx: number;
  heightPx: number;
}

/** A picture that was decoded as it is. */
export const whole = (picture: ImageBitmap): Decoded => ({
  picture,
  widthPx: picture.width,
  heightPx: picture.height,
});

/** A JPEG is decoded at so many eighths of its size as easily as whole (ITU-T T.81: blocks of 8 by 8), and much faster. */
const EIGHTHS = 8;

/** How large a JPEG is that lies as it is stored; undefined for anything else. */
function uprightJpeg(bytes: Uint8Array): { width: number; height: number } | undefined {
  if (bytes[0] !== 0xff || bytes[1] !== 0xd8) return undefined;
  try {
    const { width, height, orientation = 1 } = imageSize(bytes);
    return orientation === 1 ? { width, height } : undefined;
  } catch {
    return undefined; // the browser may still make something of it
  }
}

/**
 * Decode a picture, smaller than it is where that can be had for less work and still is as large as asked for.
 * @param image The file; its type is trusted.
 * @param bytes What is in it.
 * @param leastScale How large it will be needed, from what it is, 0 to 1: given its width and height in pixels.
 * @throws where it cannot be decoded.
 */
export async function decode(
  image: Blob,
  bytes: Uint8Array<ArrayBuffer>,
  leastScale: (widthPx: number, heightPx: number) => number,
): Promise<Decoded> {
  const all = async (): Promise<Decoded> => whole(await createImageBitmap(image));
  const size = 'ImageDecoder' in self ? uprightJpeg(bytes) : undefined;
  if (!size) return all();
  const { width, height } = size;
  const eighths = Math.ceil(leastScale(width, height) * EIGHTHS);
  if (eighths >= EIGHTHS) return all();
  const [desiredWidth, desiredHeight] = [width, height].map((px) => Math.ceil((px * Math.max(1, eighths)) / EIGHTHS));
  const decoder = new ImageDecoder({ data: bytes, type: 'image/jpeg', desiredWidth, desiredHeight });
  try {
    const { image: picture } = await decoder.decode();
    if (picture.displayWidth >= desiredWidth && picture.displayHeight >= desiredHeight)
      return { picture, widthPx: width, heightPx: height };
    picture.close();
    return await all();
  } finally {
    decoder.close();
  }
}

/** How a canvas is turned for a picture stored as each Exif orientation says (CIPA DC-008), in the stored width and height. */
const TURNS: Readonly<Record<number, (w: number, h: number) => [number, number, number, number, number, number]>> = {
  2: (w) => [-1, 0, 0, 1, w, 0],
  3: (w, h) => [-1, 0, 0, -1, w, h],
  4: (_, h) => [1, 0, 0, -1, 0, h],
  5: () => [0, 1, 1, 0, 0, 0],
  6: (_, h) => [0, 1, -1, 0, h, 0],
  7: (w, h) => [0, -1, -1, 0, h, w],
  8: (w) => [0, -1, 1, 0, 0, w],
};
/** From here on width and height change places. */
const FIRST_SIDEWAYS = 5;

/**
 * A picture turned upright where the browser did not: browsers follow what JPEG, PNG and AVIF say of it, but not what WebP says.
 * @param bytes The file: tells how it is stored.
 */
export async function turned(decoded: Decoded, bytes: Uint8Array, orientation: number): Promise<Decoded> {
  const turn = TURNS[orientation];
  if (!turn) return decoded;
  const { widthPx, heightPx } = decoded;
  const stored = imageSize(bytes);
  if (orientation >= FIRST_SIDEWAYS && stored.width === heightPx && stored.width !== widthPx) return decoded;
  const canvas = new OffscreenCanvas(
    orientation >= FIRST_SIDEWAYS ? heightPx : widthPx,
    orientation >= FIRST_SIDEWAYS ? widthPx : heightPx,
  );
  const context = canvas.getContext('2d');
  if (!context) return decoded;
  context.setTransform(...turn(widthPx, heightPx));
  context.drawImage(decoded.picture, 0, 0, widthPx, heightPx);
  return whole(await createImageBitmap(canvas));
}
