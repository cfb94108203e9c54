import * as Comlink from 'comlink';
import { type ImageProblem, inspectImage } from '@/core/references/imageFile';
import type { ImageType } from '@/core/references/picture';
import { sha256 } from './sha256';

export interface PreparedPicture {
  type: ImageType;
  widthPx: number;
  heightPx: number;
  hash: string;
  image: Blob;
  thumbnail: Blob;
}
export type Preparation = { ok: true; picture: PreparedPicture } | { ok: false; problem: ImageProblem };

const THUMBNAIL_PX = 360;
const JPEG_QUALITY = 0.92;

async function toBlob(source: ImageBitmap, longSidePx: number, type: string, quality: number): Promise<Blob> {
  const scale = Math.min(1, longSidePx / Math.max(source.width, source.height));
  const canvas = new OffscreenCanvas(
    Math.max(1, Math.round(source.width * scale)),
    Math.max(1, Math.round(source.height * scale)),
  );
  const context = canvas.getContext('2d');
  if (!context) throw new Error('no 2D canvas');
  context.imageSmoothingQuality = 'high';
  context.drawImage(source, 0, 0, canvas.width, canvas.height);
  return canvas.convertToBlob({ type, quality });
}

/** HEIC by libheif (WebAssembly), loaded only when the first such file comes. */
async function decodeHeic(bytes: Uint8Array): Promise<ImageBitmap> {
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
  return createImageBitmap(data);
}

const api = {
  /** Check, decode and shrink one file. Bad files give a problem, never an exception. */
  async prepare(file: Blob): Promise<Preparation> {
    const bytes = new Uint8Array(await file.arrayBuffer());
    const facts = inspectImage(bytes);
    if ('kind' in facts) return { ok: false, problem: facts };
    try {
      const heic = facts.type === 'image/heic';
      const bitmap = heic ? await decodeHeic(bytes) : await createImageBitmap(new Blob([bytes], { type: facts.type }));
      const type: ImageType = facts.type === 'image/heic' ? 'image/jpeg' : facts.type;
      const picture: PreparedPicture = {
        type,
        widthPx: bitmap.width,
        heightPx: bitmap.height,
        hash: await sha256(bytes),
        image: heic ? await toBlob(bitmap, Infinity, 'image/jpeg', JPEG_QUALITY) : new Blob([bytes], { type }),
        // JPEG is several times faster to write; what may be see-through stays so as WebP.
        thumbnail: await toBlob(bitmap, THUMBNAIL_PX, type === 'image/jpeg' ? type : 'image/webp', 0.8),
      };
      bitmap.close();
      return { ok: true, picture };
    } catch {
      return { ok: false, problem: { kind: 'damaged' } };
    }
  },
  /** A picture decoded at the size it will be shown, ready to be drawn at once. */
  async atSize(image: Blob, maxWidthPx: number, maxHeightPx: number): Promise<ImageBitmap> {
    const full = await createImageBitmap(image);
    const scale = Math.min(1, maxWidthPx / full.width, maxHeightPx / full.height);
    if (scale === 1) return Comlink.transfer(full, [full]);
    const sized = await createImageBitmap(full, {
      resizeWidth: Math.max(1, Math.round(full.width * scale)),
      resizeHeight: Math.max(1, Math.round(full.height * scale)),
      resizeQuality: 'high',
    });
    full.close();
    return Comlink.transfer(sized, [sized]);
  },
};
export type PictureApi = typeof api;
Comlink.expose(api);
