const STRIP_SHARE = 0.045;

/** A photograph with the credits written under it, so that they travel with it; JPEG. The photograph itself is not changed. */
export async function withCredits(photo: Blob, credits: readonly string[]): Promise<Blob> {
  if (credits.length === 0) return photo;
  const bitmap = await createImageBitmap(photo);
  const strip = Math.max(22, Math.round(bitmap.height * STRIP_SHARE));
  const canvas = new OffscreenCanvas(bitmap.width, bitmap.height + strip);
  const context = canvas.getContext('2d', { willReadFrequently: true });
  if (!context) throw new Error('no canvas');
  context.fillStyle = '#fff';
  context.fillRect(0, 0, canvas.width, canvas.height);
  context.drawImage(bitmap, 0, 0);
  context.fillStyle = '#2a2521';
  context.font = `${String(Math.round(strip * 0.5))}px sans-serif`;
  context.textBaseline = 'middle';
  context.fillText(`After ${credits.join('; ')}`, strip * 0.4, bitmap.height + strip / 2, bitmap.width - strip * 0.8);
  bitmap.close();
  return canvas.convertToBlob({ type: 'image/jpeg', quality: 0.92 });
}
