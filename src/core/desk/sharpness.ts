import type { Rgba } from './picture';

/** Of the second differences, those above all but this share say how sharp a picture is. */
const SHARPEST = 0.995;
const STEP = 2;

/**
 * How sharp a picture is: its strongest second differences against its own contrast, about 1 for a sharp one of a few hundred pixels and
 * less the more it is blurred. Source: the Laplacian as focus measure, S. K. Nayar and Y. Nakagawa, "Shape from focus", 1994.
 */
export function sharpnessOf({ width, height, data }: Rgba): number {
  const level = (x: number, y: number): number => {
    const o = (y * width + x) * 4;
    return (data[o] + 2 * data[o + 1] + data[o + 2]) / 4;
  };
  const bends: number[] = [];
  let [darkest, lightest] = [255, 0];
  for (let y = STEP; y < height - STEP; y += STEP)
    for (let x = STEP; x < width - STEP; x += STEP) {
      const at = level(x, y);
      darkest = Math.min(darkest, at);
      lightest = Math.max(lightest, at);
      bends.push(Math.abs(4 * at - level(x - 1, y) - level(x + 1, y) - level(x, y - 1) - level(x, y + 1)));
    }
  if (bends.length === 0 || lightest - darkest < 8) return 0;
  const sorted = Float32Array.from(bends).sort();
  return sorted[Math.floor(sorted.length * SHARPEST)] / (lightest - darkest);
}
