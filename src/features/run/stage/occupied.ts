import { GRID, type Occupied, occupiedIn } from '@/core/seeing/clearPlace';

const known = new WeakMap<ImageBitmap, Occupied>();

/** Returns which parts of a decoded picture are solid. */
export function occupiedOf(bitmap: ImageBitmap): Occupied {
  const before = known.get(bitmap);
  if (before) return before;
  const context = new OffscreenCanvas(GRID, GRID).getContext('2d', { willReadFrequently: true });
  if (!context) return [];
  context.drawImage(bitmap, 0, 0, GRID, GRID);
  const occupied = occupiedIn(context.getImageData(0, 0, GRID, GRID).data);
  known.set(bitmap, occupied);
  return occupied;
}
