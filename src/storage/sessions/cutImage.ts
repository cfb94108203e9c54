import type { SeenDrawing } from '@/core/journal/onPages';
import { imageKey, loadImage } from '@/storage/images';
import { startSheetWorker } from '@/workers/clients';

/** A drawing cut out of its straightened sheet at full size, as a picture of its own (JPEG). @throws where its photograph is gone. */
export async function cutImage({ page, sheet, box }: SeenDrawing): Promise<Blob> {
  const photo = await loadImage(imageKey('page', page.id));
  if (!photo) throw new Error('The photograph of its sheet is not at hand.');
  const worker = startSheetWorker();
  try {
    const { image, width, height } = await worker.api.flatten(photo, sheet);
    const bitmap = await createImageBitmap(
      image,
      Math.round(box.x * width),
      Math.round(box.y * height),
      Math.max(1, Math.round(box.width * width)),
      Math.max(1, Math.round(box.height * height)),
    );
    const canvas = new OffscreenCanvas(bitmap.width, bitmap.height);
    canvas.getContext('2d', { willReadFrequently: true })?.drawImage(bitmap, 0, 0);
    bitmap.close();
    return await canvas.convertToBlob({ type: 'image/jpeg', quality: 0.92 });
  } finally {
    worker.stop();
  }
}
