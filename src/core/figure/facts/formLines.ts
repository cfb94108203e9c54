import type { Figure } from '../figure';
import { marginsFor, sceneOf, shownPositions } from '../picture/draft';
import { cameraOf, rasterize } from '../picture/raster';
import { frameFigure, type View } from '../picture/view';
import { KEY_LONG_SIDE } from './answerKey';
import type { Point } from './actionLine';
import { maskRings } from './silhouette';

/** Pixels of the long side when borders are searched for. */
const RASTER = 460;
/** Planes that show less than this are left out, pixels of that picture. */
const LEAST = 14;

/**
 * Where planes or solids meet, and end, over a figure's picture.
 * @param figure In its skin: its picture is the one they are drawn over.
 * @param form The same figure as planes or solids.
 * @returns Closed lines in the pixels of its answer key.
 */
export function formLines(figure: Figure, form: Figure, view: View, covered: boolean): Point[][] {
  const frame = frameFigure(shownPositions(sceneOf(figure, covered)), view, marginsFor(figure, true));
  const camera = cameraOf(frame, RASTER);
  const up = KEY_LONG_SIDE / RASTER;
  const { labels, indices } = form;
  if (!labels) return [];
  const { triangle, width, height } = rasterize(camera, form);
  const boxes = new Map<number, { x0: number; x1: number; y0: number; y1: number; count: number }>();
  const seen = new Int32Array(triangle.length).fill(-1);
  for (let y = 0, o = 0; y < height; y++)
    for (let x = 0; x < width; x++, o++) {
      if (triangle[o] < 0) continue;
      const label = labels[indices[triangle[o]]];
      seen[o] = label;
      const box = boxes.get(label);
      if (!box) boxes.set(label, { x0: x, x1: x, y0: y, y1: y, count: 1 });
      else {
        box.x0 = Math.min(box.x0, x);
        box.x1 = Math.max(box.x1, x);
        box.y1 = y;
        box.count++;
      }
    }
  return [...boxes].flatMap(([label, { x0, x1, y0, y1, count }]) => {
    if (count < LEAST) return [];
    const [w, h] = [x1 - x0 + 5, y1 - y0 + 5];
    const mask = new Float32Array(w * h);
    for (let y = y0; y <= y1; y++)
      for (let x = x0; x <= x1; x++) if (seen[y * width + x] === label) mask[(y - y0 + 2) * w + x - x0 + 2] = 1;
    return maskRings(mask, w, h).flatMap((polygon) =>
      polygon.map((ring) => ring.map(([x, y]): Point => [(x + x0 - 2) * up, (y + y0 - 2) * up])),
    );
  });
}
