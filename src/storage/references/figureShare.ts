import { parsePictureReference } from '@/core/references/picture';
import type { Share } from '@/core/seeing/place';
import { loadBody } from '@/storage/pictures/bodies';

const SEEN = 0.5;
/** The points end at eyes and ankles: the crown and the feet lie beyond, as a share of what the points span. */
const BEYOND = 0.12;

/** The part of a picture that its figure takes up, by the points of its body; undefined where none were found. Figures that ship are even. */
export async function figureShareOf(referenceId: string): Promise<Share | undefined> {
  const pictureId = parsePictureReference(referenceId);
  const body = pictureId === undefined ? undefined : await loadBody(pictureId);
  if (!body) return undefined;
  const points = body.points.filter((p) => p.seen >= SEEN).map(({ x, y }): [number, number] => [x, y]);
  return points.length < 2 ? undefined : boxOf(points);
}

function boxOf(points: readonly (readonly [number, number])[]): Share {
  const within = (v: number): number => Math.max(0, Math.min(1, v));
  const side = (k: 0 | 1): [low: number, length: number] => {
    const values = points.map((p) => p[k]);
    const [low, high] = [Math.min(...values), Math.max(...values)];
    const more = ((high - low) * BEYOND) / 2;
    const from = within(low - more);
    return [from, Math.max(0.01, within(high + more) - from)];
  };
  const [left, width] = side(0);
  const [top, height] = side(1);
  return { left, top, width, height };
}
