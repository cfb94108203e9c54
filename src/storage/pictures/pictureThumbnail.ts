import { effectiveFacts } from '@/core/references/effectiveFacts';
import { isMirrored, parsePictureReference } from '@/core/references/picture';
import { imageKey, loadImage } from '@/storage/images';
import { loadPicture } from './pictures';

/** So few pixels that nothing but large light and dark is left. */
const VEILED_PX = 7;

async function redrawn(blob: Blob, mirrored: boolean, veiled: boolean): Promise<Blob> {
  const bitmap = await createImageBitmap(blob);
  const scale = veiled ? VEILED_PX / Math.max(bitmap.width, bitmap.height) : 1;
  const canvas = new OffscreenCanvas(
    Math.max(1, Math.round(bitmap.width * scale)),
    Math.max(1, Math.round(bitmap.height * scale)),
  );
  const context = canvas.getContext('2d', { willReadFrequently: true });
  if (!context) throw new Error('no 2D canvas');
  if (mirrored) context.setTransform(-1, 0, 0, 1, canvas.width, 0);
  context.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
  bitmap.close();
  if (!veiled) return canvas.convertToBlob({ type: 'image/webp', quality: 0.85 });
  // Drawn large again, so that it fills its place as the picture would.
  const large = new OffscreenCanvas(canvas.width * 24, canvas.height * 24);
  const to = large.getContext('2d', { willReadFrequently: true });
  if (!to) throw new Error('no 2D canvas');
  to.imageSmoothingQuality = 'high';
  to.drawImage(canvas, 0, 0, large.width, large.height);
  return large.convertToBlob({ type: 'image/webp', quality: 0.6 });
}

/**
 * The small picture of a reference to a picture, turned about if it is a mirror image.
 * @param veil Unclothed pictures are veiled past recognition, for a screen that others see.
 */
export async function pictureThumbnail(referenceId: string, veil: boolean): Promise<Blob | undefined> {
  const id = parsePictureReference(referenceId);
  if (id === undefined) return undefined;
  const blob = await loadImage(imageKey('thumbnail', id));
  const picture = veil ? await loadPicture(id) : undefined;
  const veiled = picture !== undefined && effectiveFacts(picture).clothing === 'bare';
  const mirrored = isMirrored(referenceId);
  return blob && (mirrored || veiled) ? redrawn(blob, mirrored, veiled) : blob;
}
