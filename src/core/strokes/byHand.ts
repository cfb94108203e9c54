import type { HandDrawing, StrokePoint } from '../hand/stroke';
import { type InkStroke, inkStrokeId, packed } from './inkStroke';

/** Around a figure so much of the sheet stays free, share of its shorter side. */
const MARGIN = 0.1;

/**
 * A drawing by the program's hand as strokes on a sheet, as large as fits: for the demo, and as a pen whose truth is known.
 * @param firstN Turn of its first stroke in the session.
 */
export function strokesByHand(
  { strokes }: Pick<HandDrawing, 'strokes'>,
  { widthMm, heightMm }: { widthMm: number; heightMm: number },
  where: Pick<InkStroke, 'sessionId' | 'sheet' | 'drawing' | 'tool'>,
  firstN: number,
): { strokes: InkStroke[]; perPx: number; leftMm: number; topMm: number } {
  let [x0, y0, x1, y1] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const { points } of strokes)
    for (const [x, y] of points)
      [x0, y0, x1, y1] = [Math.min(x0, x), Math.min(y0, y), Math.max(x1, x), Math.max(y1, y)];
  const free = MARGIN * Math.min(widthMm, heightMm);
  const perPx = Math.min((widthMm - 2 * free) / Math.max(1, x1 - x0), (heightMm - 2 * free) / Math.max(1, y1 - y0));
  const [leftMm, topMm] = [(widthMm - (x0 + x1) * perPx) / 2, (heightMm - (y0 + y1) * perPx) / 2];
  const drawn = strokes.filter(({ points }) => points.length > 0);
  return {
    perPx,
    leftMm,
    topMm,
    strokes: drawn.map(({ points }, i): InkStroke => {
      const startMs = points[0][2];
      return {
        ...where,
        id: inkStrokeId(where.sessionId, firstN + i),
        attempt: 0,
        n: firstN + i,
        atMs: Math.round(startMs),
        by: 'pen',
        points: packed(
          points.map(([x, y, at, press]): StrokePoint => [x * perPx + leftMm, y * perPx + topMm, at - startMs, press]),
        ),
      };
    }),
  };
}
