import { type BodyPoint, pointOf, type PointName } from './points';

/** Lightness of a picture, 0 to 255, row by row. */
export interface GrayPicture {
  width: number;
  height: number;
  data: Uint8Array;
}

/** Lightness at a place, pixels, from 0 to 1; undefined outside the picture. */
export const lightAt =
  ({ width, height, data }: GrayPicture) =>
  (x: number, y: number): number | undefined => {
    const [px, py] = [Math.round(x), Math.round(y)];
    return px >= 0 && py >= 0 && px < width && py < height ? data[py * width + px] / 255 : undefined;
  };

export interface LightReading {
  light: 'clear' | 'flat';
  lightFrom: 'left' | 'right' | 'front';
  why: string;
}

/** Segments whose sides are compared, with their radius as a share of the trunk's length. */
const SEGMENTS: readonly (readonly [PointName, PointName, number])[] = [
  ['left shoulder', 'left hip', 0.1],
  ['right shoulder', 'right hip', 0.1],
  ['left shoulder', 'left elbow', 0.07],
  ['right shoulder', 'right elbow', 0.07],
  ['left hip', 'left knee', 0.12],
  ['right hip', 'right knee', 0.12],
  ['left knee', 'left ankle', 0.08],
  ['right knee', 'right ankle', 0.08],
];
const STEPS = 7;
/** Limits between clear and flat, and between a side and the front, where rendered figures of known light part best. */
const CLEAR = 0.115;
const SIDED = 0.045;

/**
 * Main light of a figure, from how much lighter one side of its limbs is than the other; undefined where too little of it is in the picture.
 */
export function readLight(gray: GrayPicture, points: readonly BodyPoint[]): LightReading | undefined {
  const { width, height } = gray;
  const place = (name: PointName): [number, number] => {
    const p = pointOf(points, name);
    return [p.x * width, p.y * height];
  };
  const [ls, lh, rs, rh] = (['left shoulder', 'left hip', 'right shoulder', 'right hip'] as const).map(place);
  const trunk = Math.hypot((ls[0] + rs[0] - lh[0] - rh[0]) / 2, (ls[1] + rs[1] - lh[1] - rh[1]) / 2);
  const light = lightAt(gray);
  let sided = 0;
  let contrast = 0;
  let n = 0;
  for (const [a, b, radius] of SEGMENTS) {
    const [from, to] = [place(a), place(b)];
    const length = Math.hypot(to[0] - from[0], to[1] - from[1]);
    if (length < 0.15 * trunk) continue;
    // Across the segment, toward the picture's right.
    let [nx, ny] = [(from[1] - to[1]) / length, (to[0] - from[0]) / length];
    if (nx < 0) [nx, ny] = [-nx, -ny];
    if (nx < 0.4) continue;
    for (let i = 1; i <= STEPS; i++) {
      const t = 0.15 + (0.7 * i) / STEPS;
      const [x, y] = [from[0] + (to[0] - from[0]) * t, from[1] + (to[1] - from[1]) * t];
      const left = light(x - nx * radius * trunk, y - ny * radius * trunk);
      const right = light(x + nx * radius * trunk, y + ny * radius * trunk);
      if (left === undefined || right === undefined) continue;
      sided += right - left;
      contrast += Math.abs(right - left);
      n++;
    }
  }
  if (n < 12) return undefined;
  const mean = sided / n;
  const side = mean > SIDED ? 'right' : mean < -SIDED ? 'left' : 'front';
  const percent = String(Math.round(Math.abs(mean) * 100));
  return {
    light: contrast / n > CLEAR ? 'clear' : 'flat',
    lightFrom: side,
    why:
      side === 'front'
        ? 'both sides of the limbs are about equally light'
        : `the ${side} sides of the limbs are ${percent} % lighter`,
  };
}
