/** Light of a picture, read off a small gray version of it. */
export interface Tone {
  /** Mean lightness, 0 to 1. */
  mean: number;
  /** Between the 5th and the 95th percentile. */
  spread: number;
  tone: 'dark' | 'middle' | 'bright';
}

const DARK = 0.3;
const BRIGHT = 0.68;
/** Less than this is a plain surface, without anything to tell it by. */
export const PLAIN_SPREAD = 0.04;

/** @param gray Lightness values, 0 to 255. */
export function readTone(gray: Uint8Array): Tone {
  const sorted = Uint8Array.from(gray).sort();
  const at = (share: number): number => sorted[Math.round(share * (sorted.length - 1))] / 255;
  const mean = sorted.reduce((sum, v) => sum + v, 0) / sorted.length / 255;
  return { mean, spread: at(0.95) - at(0.05), tone: mean < DARK ? 'dark' : mean > BRIGHT ? 'bright' : 'middle' };
}

/** Lightness by Rec. 601 luma of RGBA pixels. */
export function grayOf(rgba: Uint8ClampedArray): Uint8Array {
  const out = new Uint8Array(rgba.length / 4);
  for (let i = 0; i < out.length; i++)
    out[i] = Math.round(0.299 * rgba[i * 4] + 0.587 * rgba[i * 4 + 1] + 0.114 * rgba[i * 4 + 2]);
  return out;
}
