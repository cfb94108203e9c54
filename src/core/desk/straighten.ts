import type { Rgba } from './picture';
import { type Corners, homography } from './quad';

/**
 * The sheet between four corners as if seen square on, by sampling the photograph between its pixels.
 * @param width Of the straightened sheet, pixels, as `height`.
 */
export function straightened(
  { width: sw, height: sh, data: from }: Rgba,
  corners: Corners,
  width: number,
  height: number,
): Rgba {
  const m = homography(
    [
      [0, 0],
      [width, 0],
      [width, height],
      [0, height],
    ],
    corners,
  );
  const data = new Uint8ClampedArray(width * height * 4);
  for (let y = 0, o = 0; y < height; y++)
    for (let x = 0; x < width; x++, o += 4) {
      const px = x + 0.5;
      const py = y + 0.5;
      const k = 1 / (m[6] * px + m[7] * py + m[8]);
      const u = Math.min(sw - 1.001, Math.max(0, (m[0] * px + m[1] * py + m[2]) * k - 0.5));
      const v = Math.min(sh - 1.001, Math.max(0, (m[3] * px + m[4] * py + m[5]) * k - 0.5));
      const a = Math.floor(u);
      const b = Math.floor(v);
      const p = u - a;
      const q = v - b;
      const i = (b * sw + a) * 4;
      const j = i + sw * 4;
      for (let c = 0; c < 3; c++)
        data[o + c] =
          (from[i + c] * (1 - p) + from[i + 4 + c] * p) * (1 - q) + (from[j + c] * (1 - p) + from[j + 4 + c] * p) * q;
      data[o + 3] = 255;
    }
  return { width, height, data };
}

/** A sheet turned by quarters to the right: its corners are read from another one on. */
export const turnedCorners = (corners: Corners, quarters: number): Corners =>
  corners.map((_, i) => corners[(((i - quarters) % 4) + 4) % 4]) as unknown as Corners;
