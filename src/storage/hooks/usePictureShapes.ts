'use client';
import { parsePictureReference } from '@/core/references/picture';
import { loadBody } from '@/storage/pictures/bodies';
import { loadPicture } from '@/storage/pictures/pictures';
import { useStored } from './useStored';

export interface PictureShape {
  width: number;
  height: number;
}

/** The box round the person in each picture, in pixels, by reference; round the whole picture where no person is known. */
export async function pictureShapes(referenceIds: readonly string[]): Promise<Map<string, PictureShape>> {
  const out = new Map<string, PictureShape>();
  for (const reference of referenceIds) {
    const id = parsePictureReference(reference);
    const picture = id === undefined ? undefined : await loadPicture(id);
    if (!picture) continue;
    const points = (await loadBody(picture.id))?.points.filter((p) => p.seen > 0.5) ?? [];
    const span = (values: number[]): number => Math.max(...values) - Math.min(...values);
    const box =
      points.length > 4
        ? { width: span(points.map((p) => p.x)), height: span(points.map((p) => p.y)) }
        : { width: 1, height: 1 };
    // Points lie inside the body: head, hands and feet reach beyond them.
    out.set(reference, {
      width: Math.max(0.05, box.width * 1.12) * picture.widthPx,
      height: Math.max(0.05, box.height * 1.12) * picture.heightPx,
    });
  }
  return out;
}

/** The same, kept up to date. */
export function usePictureShapes(referenceIds: readonly string[]): ReadonlyMap<string, PictureShape> {
  const key = referenceIds.join('\n');
  const shapes = useStored(() => pictureShapes(key === '' ? [] : key.split('\n')), ['pictures', 'bodies'], [key]).value;
  return shapes ?? new Map<string, PictureShape>();
}
