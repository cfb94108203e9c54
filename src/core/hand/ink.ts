import { norm2 } from '../norms';
import type { Random } from '../random';
import type { Stroke } from './stroke';

/** What a drawing can be made with. */
export const MATERIALS = ['graphite', 'charcoal', 'ballpoint', 'brush'] as const;
export type Material = (typeof MATERIALS)[number];

interface Nature {
  /** Half widths of its point and of its side, millimeters. */
  halfMm: number;
  broadMm: number;
  /** How dark it gets at full pressure, 0 to 1. */
  darkest: number;
  /** How much of the paper's grain shows through: 0 none, 1 only the peaks take it. */
  grain: number;
  /** Softness of its edge, millimeters. */
  softMm: number;
  /** How far its width follows the pressure: 0 not at all. */
  swells: number;
  /** Red, green and blue of it, laid on full. */
  color: readonly [number, number, number];
}

/** Tuned by eye on sheets at arm's length; the widths are those of a 2B pencil, a stick of 8 mm, a medium ballpoint and a small round brush. */
export const NATURES: Record<Material, Nature> = {
  graphite: { halfMm: 0.32, broadMm: 1.4, darkest: 0.78, grain: 0.55, softMm: 0.15, swells: 0.5, color: [66, 66, 70] },
  charcoal: { halfMm: 0.9, broadMm: 4, darkest: 0.92, grain: 0.75, softMm: 0.5, swells: 0.7, color: [36, 34, 34] },
  ballpoint: { halfMm: 0.22, broadMm: 0.4, darkest: 0.85, grain: 0.1, softMm: 0.05, swells: 0.15, color: [30, 36, 98] },
  brush: { halfMm: 1, broadMm: 2.6, darkest: 0.95, grain: 0.05, softMm: 0.1, swells: 1.1, color: [26, 24, 24] },
};

/** What lies on a sheet, pixel by pixel. */
export interface InkSheet {
  width: number;
  height: number;
  perMm: number;
  /** How much of each pixel is covered, 0 to 1. */
  ink: Float32Array;
  /** Height of the paper's grain, 0 to 1. */
  grain: Float32Array;
}

const GRAIN_PX = 256;

/** An empty sheet with a grain of its own. */
export function emptySheet(widthMm: number, heightMm: number, perMm: number, random: Random): InkSheet {
  const [width, height] = [Math.round(widthMm * perMm), Math.round(heightMm * perMm)];
  const noise = Float32Array.from({ length: GRAIN_PX * GRAIN_PX }, () => random());
  const grain = new Float32Array(noise.length);
  const at = (x: number, y: number): number =>
    noise[((y + GRAIN_PX) % GRAIN_PX) * GRAIN_PX + ((x + GRAIN_PX) % GRAIN_PX)];
  // Soft enough that the grain has a size, and stretched back over its range.
  for (let y = 0; y < GRAIN_PX; y++)
    for (let x = 0; x < GRAIN_PX; x++) {
      const mean = (2 * at(x, y) + at(x - 1, y) + at(x + 1, y) + at(x, y - 1) + at(x, y + 1)) / 6;
      grain[y * GRAIN_PX + x] = Math.max(0, Math.min(1, 0.5 + (mean - 0.5) * 2.2));
    }
  return { width, height, perMm, ink: new Float32Array(width * height), grain };
}

/**
 * Lay strokes on a sheet. A stroke is as dark where it crosses itself as beside it; over another one it darkens what is there.
 * @param strokes In the sheet's pixels.
 */
export function layInk(sheet: InkSheet, strokes: readonly Stroke[], material: Material): void {
  const { width, height, ink, perMm, grain } = sheet;
  const { halfMm, broadMm, darkest, grain: shows, softMm, swells } = NATURES[material];
  const laid = new Float32Array(width * height);
  for (const { points, broad } of strokes) {
    let [left, top, right, bottom] = [width, height, -1, -1];
    const soft = softMm * perMm * (broad ? 2 : 1);
    for (let i = 0; i + 1 < points.length; i++) {
      const [a, b] = [points[i], points[i + 1]];
      const press = (a[3] + b[3]) / 2;
      const half = Math.max(
        0.5,
        (broad ? broadMm : halfMm) * perMm * (1 - swells / 2 + (broad ? swells / 2 : swells * press)),
      );
      const reach = half + soft + 1;
      const x0 = Math.max(0, Math.floor(Math.min(a[0], b[0]) - reach));
      const x1 = Math.min(width - 1, Math.ceil(Math.max(a[0], b[0]) + reach));
      const y0 = Math.max(0, Math.floor(Math.min(a[1], b[1]) - reach));
      const y1 = Math.min(height - 1, Math.ceil(Math.max(a[1], b[1]) + reach));
      if (x0 > x1 || y0 > y1) continue;
      [left, top, right, bottom] = [Math.min(left, x0), Math.min(top, y0), Math.max(right, x1), Math.max(bottom, y1)];
      const [dx, dy] = [b[0] - a[0], b[1] - a[1]];
      const size = dx * dx + dy * dy || 1e-6;
      for (let y = y0; y <= y1; y++)
        for (let x = x0; x <= x1; x++) {
          const u = Math.max(0, Math.min(1, ((x - a[0]) * dx + (y - a[1]) * dy) / size));
          const d = norm2(x - a[0] - u * dx, y - a[1] - u * dy);
          const full = Math.max(0, Math.min(1, (half + soft / 2 + 0.5 - d) / (soft + 1)));
          const o = y * width + x;
          if (full * press > laid[o]) laid[o] = full * press;
        }
    }
    for (let y = top; y <= bottom; y++)
      for (let x = left; x <= right; x++) {
        const o = y * width + x;
        if (laid[o] === 0) continue;
        // Pressed lightly, only what stands up takes it.
        const peak = grain[(y % GRAIN_PX) * GRAIN_PX + (x % GRAIN_PX)];
        const takes = 1 - shows * Math.max(0, Math.min(1, (1.15 - laid[o] - peak) * 2));
        ink[o] = 1 - (1 - ink[o]) * (1 - laid[o] * darkest * takes);
        laid[o] = 0;
      }
  }
}
