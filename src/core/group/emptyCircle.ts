import { inkField } from '../measure/inkField';
import { covers } from './clashes';
import type { Placed } from './placeMembers';

/** The sheet is looked at by so many cells along its longer side. */
const CELLS = 160;

export interface EmptyCircle {
  x: number;
  y: number;
  r: number;
  /** Of the sheet's area. */
  share: number;
}

/**
 * The largest circle on a sheet that touches no figure and no edge, millimeters: exact on a raster of 160 cells, by the distance of
 * every cell from what is covered.
 */
export function emptyCircle(placed: readonly Placed[], widthMm: number, heightMm: number): EmptyCircle {
  const cell = Math.max(widthMm, heightMm) / CELLS;
  const [w, h] = [Math.ceil(widthMm / cell), Math.ceil(heightMm / cell)];
  const mask = new Uint8Array(w * h);
  for (const one of placed) {
    const points = [...one.rings.flat(), ...one.marks.values()];
    if (points.length === 0) continue;
    const around = one.headMm / 2;
    const side = (k: 0 | 1, of: (values: number) => number, sign: number, most: number): number => {
      const extreme = points.reduce(
        (best, p) => (sign < 0 ? Math.min(best, p[k]) : Math.max(best, p[k])),
        sign * -Infinity,
      );
      return Math.max(0, Math.min(most - 1, of((extreme + sign * around) / cell)));
    };
    for (let y = side(1, Math.floor, -1, h); y <= side(1, Math.ceil, 1, h); y++)
      for (let x = side(0, Math.floor, -1, w); x <= side(0, Math.ceil, 1, w); x++)
        if (mask[y * w + x] === 0 && covers(one, [(x + 0.5) * cell, (y + 0.5) * cell])) mask[y * w + x] = 1;
  }
  const { nearest } = inkField(mask, w, h);
  let best: EmptyCircle = { x: widthMm / 2, y: heightMm / 2, r: 0, share: 0 };
  for (let y = 0, o = 0; y < h; y++)
    for (let x = 0; x < w; x++, o++) {
      if (mask[o]) continue;
      const [cx, cy] = [(x + 0.5) * cell, (y + 0.5) * cell];
      const toEdge = Math.min(cx, cy, widthMm - cx, heightMm - cy);
      const at = nearest[o];
      const toFigure = at < 0 ? Infinity : Math.hypot((at % w) - x, Math.floor(at / w) - y) * cell;
      const r = Math.min(toEdge, toFigure);
      if (r > best.r) best = { x: cx, y: cy, r, share: (Math.PI * r * r) / (widthMm * heightMm) };
    }
  return best;
}
