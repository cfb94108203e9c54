import type { Rgba } from '../desk/picture';
import { type Corners, type Homography, homography, mapped, type Point } from '../desk/quad';
import { type Random, seededRandom } from '../random';
import { NATURES } from './ink';
import type { HandPage } from './page';

/** What a photographed sheet can lie on. */
export const DESKS = ['dark', 'wood', 'pale'] as const;
export type DeskKind = (typeof DESKS)[number];
const DESK_COLORS: Record<DeskKind, readonly [number, number, number]> = {
  dark: [52, 50, 54],
  wood: [142, 100, 64],
  pale: [214, 210, 204],
};
/** Colors of paper. */
const PAPER_TONES = {
  white: [243, 241, 236],
  cream: [237, 228, 207],
  gray: [170, 169, 167],
  tan: [197, 170, 134],
} as const;
export type PaperTone = keyof typeof PAPER_TONES;

export interface PhotographTask {
  page: HandPage;
  tone?: PaperTone;
  desk: DeskKind;
  /** Size of the photograph, pixels. */
  width: number;
  height: number;
  seed: number;
  /** Tilted by so much at most, degrees. */
  tiltDeg?: number;
  /** The sheet bulges by so much of its longer side. */
  curl?: number | undefined;
  /** How strong the camera's noise is, levels of 255; by the seed where it is not told. */
  grains?: number | undefined;
  /** How much light a hard shadow across the sheet takes, 0 to 1. */
  shadow?: number;
}

export interface Photograph {
  photo: Rgba;
  /** Where the sheet's corners are. */
  corners: Corners;
  /** From the sheet's millimeters to the photograph's pixels. */
  map: Homography;
}

const USUAL_TILT_DEG = 24;

/** A pinhole camera over a desk: tilted, turned a little, so far away that the sheet fills most of the picture. */
function cameraOver(
  { page: { widthMm, heightMm }, width, height, tiltDeg = USUAL_TILT_DEG }: PhotographTask,
  between: (low: number, high: number) => number,
): (x: number, y: number) => Point {
  const focal = 0.6 * Math.hypot(width, height);
  const [tilt, toward, roll] = [between(3, Math.max(3, tiltDeg)), between(0, 360), between(-8, 8)].map(
    (deg) => (deg * Math.PI) / 180,
  );
  const axis = [-Math.sin(toward), Math.cos(toward)];
  const [c, s] = [Math.cos(tilt), Math.sin(tilt)];
  const turned = (x: number, y: number): [number, number, number] => {
    const along = x * axis[0] + y * axis[1];
    const across = x * axis[1] - y * axis[0];
    const u = along * axis[0] + across * c * axis[1];
    const v = along * axis[1] - across * c * axis[0];
    return [u * Math.cos(roll) - v * Math.sin(roll), u * Math.sin(roll) + v * Math.cos(roll), across * s];
  };
  const seen = (distance: number, x: number, y: number): Point => {
    const [u, v, w] = turned(x - widthMm / 2, y - heightMm / 2);
    return [(focal * u) / (distance + w), (focal * v) / (distance + w)];
  };
  const corners = (distance: number): Point[] =>
    [
      [0, 0],
      [widthMm, 0],
      [widthMm, heightMm],
      [0, heightMm],
    ].map(([x, y]) => seen(distance, x, y));
  const span = (points: readonly Point[], k: 0 | 1): number =>
    Math.max(...points.map((p) => p[k])) - Math.min(...points.map((p) => p[k]));
  const fill = between(0.8, 0.93);
  let [near, far] = [Math.max(widthMm, heightMm) * 0.3, Math.max(widthMm, heightMm) * 20];
  for (let i = 0; i < 50; i++) {
    const distance = (near + far) / 2;
    const q = corners(distance);
    if (span(q, 0) > width * fill || span(q, 1) > height * fill) near = distance;
    else far = distance;
  }
  const q = corners(far);
  const middle = ([0, 1] as const).map((k) => (Math.max(...q.map((p) => p[k])) + Math.min(...q.map((p) => p[k]))) / 2);
  const [ox, oy] = [
    width / 2 - middle[0] + between(-0.02, 0.02) * width,
    height / 2 - middle[1] + between(-0.02, 0.02) * height,
  ];
  return (x, y) => {
    const [u, v] = seen(far, x, y);
    return [u + ox, v + oy];
  };
}

/** Grain of wood along its boards, about 1. */
function woodGrain(random: Random): (x: number, y: number) => number {
  const boards = Array.from({ length: 24 }, () => [0.82 + 0.3 * random(), 60 * random()]);
  const noise = Float32Array.from({ length: 4096 }, () => random());
  return (x, y) => {
    const board = Math.floor(y / 80 + 400) % boards.length;
    const [tint, shift] = boards[board];
    const streak = noise[Math.floor(y * 6 + 9 * Math.sin(x * 0.012 + shift) + 40_000) & 4095];
    const seam = Math.abs(y / 80 - Math.round(y / 80)) < 0.012 ? 0.5 : 1;
    return tint * (0.86 + 0.28 * streak) * seam;
  };
}

/**
 * A photograph of a sheet lying on a desk, with known truth: from aslant, in uneven light with soft and hard shadows, grainy, on
 * paper of a color; the camera of demo and tests. The same seed takes the same photograph.
 */
export function photographOf(task: PhotographTask): Photograph {
  const { page, tone = 'white', desk, width, height, seed, curl = 0, shadow = 0 } = task;
  const { sheet, material, widthMm, heightMm } = page;
  const random = seededRandom(seed * 7919 + 1);
  const between = (low: number, high: number): number => low + (high - low) * random();
  const project = cameraOver(task, between);
  const sides: [Point, Point, Point, Point] = [
    [0, 0],
    [widthMm, 0],
    [widthMm, heightMm],
    [0, heightMm],
  ];
  const corners = sides.map(([x, y]) => project(x, y)) as unknown as Corners;
  const map = homography(sides, corners);
  const back = homography(corners, sides);
  const [slant, light] = [between(0, 2 * Math.PI), between(0.1, 0.3)];
  const soft = { x: between(0.2, 0.8), k: between(0.05, 0.22) };
  const hard = { angle: between(0, 2 * Math.PI), at: between(-0.15, 0.15) };
  const warm = [between(0.98, 1.04), 1, between(0.86, 1.02)];
  const wood = woodGrain(random);
  const noise = Float32Array.from({ length: 8192 }, () => random() + random() + random() - 1.5);
  const grains = task.grains ?? between(3, 9);
  const thrown: Point = [between(-3, 3), between(-3, 3)];
  const lifted = curl * Math.max(widthMm, heightMm);
  const data = new Uint8ClampedArray(width * height * 4);
  const [paper, pigment] = [PAPER_TONES[tone], NATURES[material].color];
  let n = 0;
  for (let y = 0, o = 0; y < height; y++) {
    n = (n + Math.floor(random() * 4096)) & 8191;
    for (let x = 0; x < width; x++, o += 4) {
      const [u, flat] = mapped(back, x + 0.5, y + 0.5);
      const v = flat + lifted * Math.sin(Math.PI * Math.max(0, Math.min(1, u / widthMm)));
      const inside = Math.min(u, widthMm - u, v, heightMm - v);
      const across = (x / width - 0.5) * Math.cos(slant) + (y / height - 0.5) * Math.sin(slant);
      let lit = (0.9 - light * across) * (1 - soft.k / (1 + Math.exp(-(x / width - soft.x) * 40)));
      if (shadow > 0) {
        const d = (x / width - 0.5) * Math.cos(hard.angle) + (y / height - 0.5) * Math.sin(hard.angle) - hard.at;
        lit *= 1 - shadow / (1 + Math.exp(-d * 260));
      }
      // The edge of a sheet is not sharper than the camera, and it throws a narrow shadow away from the light.
      const on = Math.max(0, Math.min(1, inside / 0.25 + 0.5));
      const under =
        desk === 'wood' ? wood(u, v) : 0.93 + 0.14 * Math.abs(noise[(o >> 2) & 8191]) * (desk === 'pale' ? 0.25 : 1);
      const shaded = Math.min(u - thrown[0], widthMm - u + thrown[0], v - thrown[1], heightMm - v + thrown[1]);
      const cast = 1 - 0.32 * Math.max(0, Math.min(1, shaded / 1.5 + 0.5));
      const px = Math.min(sheet.width - 1, Math.max(0, Math.floor(u * sheet.perMm)));
      const py = Math.min(sheet.height - 1, Math.max(0, Math.floor(v * sheet.perMm)));
      const covered = sheet.ink[py * sheet.width + px];
      const tooth = 0.985 + 0.03 * sheet.grain[(py & 255) * 256 + (px & 255)];
      for (let c = 0; c < 3; c++) {
        const ground = DESK_COLORS[desk][c] * under * cast;
        const top = paper[c] * tooth * (1 - covered) + pigment[c] * covered;
        n = (n + 1) & 8191;
        data[o + c] = (ground * (1 - on) + top * on) * lit * warm[c] + noise[n] * grains;
      }
      data[o + 3] = 255;
    }
  }
  return { photo: { width, height, data }, corners, map };
}
