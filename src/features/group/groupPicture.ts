import type { Group } from '@/core/group/group';
import { castShadow, type Placed, sheetMm } from '@/core/group/placeMembers';
import { BLEACHED, pathOfRings } from './GroupSheet';
import type { MemberPicture } from './MemberPictures';

/** The long side of the picture, pixels. */
const LONG_PX = 2400;

async function bitmapOf(url: string): Promise<ImageBitmap> {
  const image = new Image();
  image.src = url;
  await image.decode();
  return createImageBitmap(image);
}

/**
 * A group as a picture, without what was found in it.
 * @throws where a picture of a member is gone, or nothing can be painted.
 */
export async function groupPicture(
  group: Group,
  placed: readonly Placed[],
  pictures: ReadonlyMap<string, MemberPicture>,
): Promise<Blob> {
  const { widthMm, heightMm } = sheetMm(group);
  const k = LONG_PX / Math.max(widthMm, heightMm);
  const canvas = new OffscreenCanvas(Math.round(widthMm * k), Math.round(heightMm * k));
  const context = canvas.getContext('2d', { willReadFrequently: true });
  if (!context) throw new Error('nothing to paint on');
  context.scale(k, k);
  context.fillStyle = '#fbf8f1';
  context.fillRect(0, 0, widthMm, heightMm);
  const back = placed.toReversed();
  context.fillStyle = 'rgb(43 38 34 / 0.22)';
  for (const one of back) context.fill(new Path2D(pathOfRings(castShadow(one, group.lightFrom))));
  for (const { member, k: size, left, top, middleX, rings } of back) {
    const { url, shape, window } = pictures.get(member.id) ?? {};
    if (!url || !shape) continue;
    const bitmap = await bitmapOf(url);
    context.save();
    if (rings.length > 0) context.clip(new Path2D(pathOfRings(rings)), 'evenodd');
    if (member.mirrored) {
      context.translate(2 * middleX, 0);
      context.scale(-1, 1);
    }
    if (rings.length === 0) {
      // A drawing lies on the same paper: its own is not seen.
      context.globalCompositeOperation = 'multiply';
      context.filter = BLEACHED;
      const part = window ?? { x: 0, y: 0, width: shape.width, height: shape.height };
      context.beginPath();
      context.rect(left + part.x * size, top + part.y * size, part.width * size, part.height * size);
      context.clip();
    }
    context.drawImage(bitmap, left, top, shape.width * size, shape.height * size);
    context.restore();
    bitmap.close();
  }
  return canvas.convertToBlob({ type: 'image/png' });
}
