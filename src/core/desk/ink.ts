import type { EvenSheet } from './evenLight';

/** A mark begins where the sheet is so much darker than the paper, and goes on where it is at least so much; densities, or times the grain. */
const BEGINS = { density: 0.14, grains: 4.5 } as const;
const GOES_ON = { density: 0.07, grains: 2.2 } as const;
/** Fewer pixels than this together are a speck. */
const SPECK = 14;

/** One pass of (1 2 1) / 4 along both axes. */
function softened(from: Float32Array, w: number, h: number): Float32Array {
  const rows = new Float32Array(from.length);
  const out = new Float32Array(from.length);
  for (let y = 0, i = 0; y < h; y++)
    for (let x = 0; x < w; x++, i++)
      rows[i] = (from[i - (x > 0 ? 1 : 0)] + 2 * from[i] + from[i + (x < w - 1 ? 1 : 0)]) / 4;
  for (let y = 0, i = 0; y < h; y++)
    for (let x = 0; x < w; x++, i++)
      out[i] = (rows[i - (y > 0 ? w : 0)] + 2 * rows[i] + rows[i + (y < h - 1 ? w : 0)]) / 4;
  return out;
}

/**
 * What is drawn on a sheet: 1 where a mark is. A mark begins where it is surely darker than the paper and goes on as long as it is darker
 * at all.
 * Source: J. Canny, "A computational approach to edge detection", 1986 (thresholding with hysteresis).
 */
export function inkOf({ picture: { width: w, height: h }, density, noise }: EvenSheet): Uint8Array {
  const soft = softened(density, w, h);
  const begins = Math.max(BEGINS.density, BEGINS.grains * noise);
  const goesOn = Math.max(GOES_ON.density, GOES_ON.grains * noise);
  const ink = new Uint8Array(w * h);
  const seen = new Uint8Array(w * h);
  for (let first = 0; first < soft.length; first++) {
    if (seen[first] || soft[first] < begins) continue;
    const mark = [first];
    seen[first] = 1;
    for (const i of mark) {
      const x = i % w;
      const y = Math.floor(i / w);
      for (let v = Math.max(0, y - 1); v <= Math.min(h - 1, y + 1); v++)
        for (let u = Math.max(0, x - 1); u <= Math.min(w - 1, x + 1); u++) {
          const j = v * w + u;
          if (seen[j] || soft[j] < goesOn) continue;
          seen[j] = 1;
          mark.push(j);
        }
    }
    if (mark.length >= SPECK) for (const i of mark) ink[i] = 1;
  }
  return ink;
}
