import { type Edges, edgesOf } from './edges';
import { CLEAR, type Line, linesOf, meeting } from './lines';
import type { Rgba } from './picture';
import { areaOf, type Corners, type Point } from './quad';
import { refinedCorners } from './refineCorners';

/** A sheet that may lie in a photograph, and how well each of its sides is seen, 0 to 1: top, right, bottom, left. */
export interface SheetCandidate {
  corners: Corners;
  sides: readonly [number, number, number, number];
}

export interface FoundSheet {
  /** The best first; none where there is no sheet to be seen. */
  candidates: SheetCandidate[];
  /** How far the best one's sides are bowed: the share of them that lies off a straight line. */
  bow: number;
}

/** So many lines of either direction are combined, and how upright or level they must be. */
const LINES = 20;
const LEANING = 0.6;
/** Corners may lie so far outside the picture, of its longer side. */
const OUTSIDE = 0.06;
/** A sheet covers at least this much of the photograph, and this much of its shorter side. */
const LEAST_AREA = 0.14;
const LEAST_SIDE = 0.25;
/** Cosine of the sharpest corner, and how much longer a side may be than the one across from it. */
const SHARPEST = 0.5;
const TAPERED = 1.9;
/** A side that is seen worse than this is none. */
const UNSEEN = 0.12;
/** So many candidates are looked at closely, and so many are offered. */
const CLOSELY = 400;
const OFFERED = 4;
/** Candidates whose corners all lie nearer to each other than this are one, of the longer side. */
const SAME = 0.02;
/** Points at which a side is looked at, and how far to either side of it. */
const SAMPLES = 48;
const BESIDE = 5;

interface Quad {
  corners: Point[];
  sides: number[];
  score: number;
}

const scored = (sides: readonly number[], area: number, whole: number): number =>
  0.5 * Math.min(...sides) + 0.5 * (sides.reduce((a, b) => a + b, 0) / 4) + 0.12 * Math.sqrt(area / whole);

/** Direction into a sheet, square to a side. */
function inward([px, py]: Point, [qx, qy]: Point, [cx, cy]: Point): Point {
  const l = Math.hypot(qx - px, qy - py) || 1;
  const n: Point = [-(qy - py) / l, (qx - px) / l];
  return n[0] * (cx - px) + n[1] * (cy - py) < 0 ? [-n[0], -n[1]] : n;
}

/** How well a side is seen: edges along it, without gaps, and the same contrast all along; random texture cancels out. */
function sideSeen({ width: w, height: h, gx, gy, ridge, ...e }: Edges, p: Point, q: Point, middle: Point): number {
  const [nx, ny] = inward(p, q, middle);
  let [strength, covered, seen] = [0, 0, 0];
  const contrast = [0, 0, 0];
  for (let k = 0; k < SAMPLES; k++) {
    const t = (k + 0.5) / SAMPLES;
    const x = p[0] + (q[0] - p[0]) * t;
    const y = p[1] + (q[1] - p[1]) * t;
    if (x < 7 || y < 7 || x > w - 8 || y > h - 8) continue;
    seen++;
    let best = 0;
    for (let o = -2; o <= 2; o++) {
      const i = Math.round(y + ny * o) * w + Math.round(x + nx * o);
      if (ridge[i] > best && Math.abs(gx[i] * nx + gy[i] * ny) > 0.9 * ridge[i]) best = ridge[i];
    }
    const v = Math.min(1, best / CLEAR);
    strength += v;
    if (v > 0.22) covered++;
    const inside = Math.round(y + ny * BESIDE) * w + Math.round(x + nx * BESIDE);
    const outside = Math.round(y - ny * BESIDE) * w + Math.round(x - nx * BESIDE);
    [e.lightness, e.redGreen, e.greenBlue].forEach((c, j) => {
      contrast[j] += c[inside] - c[outside];
    });
  }
  if (seen < SAMPLES * 0.35) return 0;
  const coherent = contrast.reduce((sum, v) => sum + Math.abs(v), 0) / seen;
  return 0.35 * (strength / seen) + 0.35 * (covered / SAMPLES) + 0.3 * Math.min(1, coherent / 40);
}

const share = (values: number[], at: number): number => {
  values.sort((a, b) => a - b);
  return values[Math.floor(values.length * at)] ?? 1;
};

/** What the middle of a candidate is made of, whatever is drawn on it: its lightness and its hue. */
function paperOf(
  { width: w, height: h, lightness, redGreen, greenBlue }: Edges,
  corners: readonly Point[],
): [number, number, number] {
  const [light, red, green]: number[][] = [[], [], []];
  for (let j = 0; j < 9; j++)
    for (let i = 0; i < 9; i++) {
      const u = 0.2 + 0.075 * i;
      const v = 0.2 + 0.075 * j;
      const at = (k: 0 | 1): number =>
        Math.round(
          (corners[0][k] * (1 - u) + corners[1][k] * u) * (1 - v) + (corners[3][k] * (1 - u) + corners[2][k] * u) * v,
        );
      const [x, y] = [at(0), at(1)];
      if (x < 0 || y < 0 || x >= w || y >= h) continue;
      const o = y * w + x;
      light.push(lightness[o] + 6);
      red.push(redGreen[o] / (lightness[o] + 6));
      green.push(greenBlue[o] / (lightness[o] + 6));
    }
  return [share(light, 0.6), share(red, 0.5), share(green, 0.5)];
}

/** Of a side, how much of the strip just inside it is the paper of the middle, rather than a cover, a shadow or the desk. */
function paperBeside(
  { width: w, height: h, lightness, redGreen, greenBlue }: Edges,
  p: Point,
  q: Point,
  middle: Point,
  [light, red, green]: readonly [number, number, number],
): number {
  const [nx, ny] = inward(p, q, middle);
  let [seen, same] = [0, 0];
  for (let j = 0; j < 40; j++) {
    const t = (j + 0.5) / 40;
    const x = Math.round(p[0] + (q[0] - p[0]) * t + nx * 3);
    const y = Math.round(p[1] + (q[1] - p[1]) * t + ny * 3);
    if (x < 1 || y < 1 || x > w - 2 || y > h - 2) continue;
    const o = y * w + x;
    const l = lightness[o] + 6;
    seen++;
    const hue = Math.abs(redGreen[o] / l - red) + Math.abs(greenBlue[o] / l - green);
    if (l / light > 0.4 && l / light < 1.9 && hue < 0.13) same++;
  }
  return seen > 0 ? same / seen : 0;
}

const middleOf = (q: readonly Point[]): Point => [(q[0][0] + q[2][0]) / 2, (q[0][1] + q[2][1]) / 2];

/** Whether four corners could be a sheet's: large enough, no corner too sharp, sides across from each other of like length. */
function isSheet(q: readonly Point[], whole: number): boolean {
  if (areaOf(q) < LEAST_AREA * whole) return false;
  const long = q.map((p, k) => Math.hypot(p[0] - q[(k + 1) % 4][0], p[1] - q[(k + 1) % 4][1]));
  for (let k = 0; k < 4; k++) {
    const [a, o, b] = [q[(k + 3) % 4], q[k], q[(k + 1) % 4]];
    const cosine = ((a[0] - o[0]) * (b[0] - o[0]) + (a[1] - o[1]) * (b[1] - o[1])) / (long[(k + 3) % 4] * long[k]);
    if (Math.abs(cosine) > SHARPEST) return false;
  }
  return [0, 1].every((k) => Math.max(long[k], long[k + 2]) <= TAPERED * Math.min(long[k], long[k + 2]));
}

/** Every sheet that four of the lines could be the sides of. */
function quads(edges: Edges, lines: readonly Line[]): Quad[] {
  const { width: w, height: h } = edges;
  const level = lines.filter(({ s }) => Math.abs(s) > LEANING).slice(0, LINES);
  const upright = lines.filter(({ c }) => Math.abs(c) > LEANING).slice(0, LINES);
  const pad = OUTSIDE * Math.max(w, h);
  const least = LEAST_SIDE * Math.min(w, h);
  const known = new Map<string, number>();
  const seenSide = (p: Point, q: Point, middle: Point): number => {
    const key = [...p, ...q].map(Math.round).join();
    let v = known.get(key);
    if (v === undefined) known.set(key, (v = sideSeen(edges, p, q, middle)));
    return v;
  };
  const yAt = ({ c, s, rho }: Line): number => (rho - (c * w) / 2) / s;
  const xAt = ({ c, s, rho }: Line): number => (rho - (s * h) / 2) / c;
  const out: Quad[] = [];
  for (const top of level)
    for (const bottom of level) {
      if (yAt(bottom) - yAt(top) < least) continue;
      for (const left of upright)
        for (const right of upright) {
          if (xAt(right) - xAt(left) < least || new Set([top, bottom, left, right]).size < 4) continue;
          const corners = [meeting(top, left), meeting(top, right), meeting(bottom, right), meeting(bottom, left)];
          const all = corners.filter((p) => p !== undefined);
          if (all.length < 4 || all.some(([x, y]) => x < -pad || y < -pad || x > w + pad || y > h + pad)) continue;
          if (!isSheet(all, w * h)) continue;
          const middle = middleOf(all);
          const sides = all.map((p, k) => seenSide(p, all[(k + 1) % 4], middle));
          if (Math.min(...sides) < UNSEEN) continue;
          out.push({ corners: all, sides, score: scored(sides, areaOf(all), w * h) });
        }
    }
  return out.sort((a, b) => b.score - a.score).slice(0, CLOSELY);
}

/**
 * Find the sheet of paper in a photograph: lines, the quadrilaterals they make, how well their sides are seen and whether paper lies
 * inside them, then the corners to a fraction of a pixel.
 */
export function findSheet(photo: Rgba): FoundSheet {
  const edges = edgesOf(photo);
  const { width: w, height: h, factor } = edges;
  const all = quads(edges, linesOf(edges));
  for (const quad of all) {
    const paper = paperOf(edges, quad.corners);
    const middle = middleOf(quad.corners);
    quad.sides = quad.corners.map(
      (p, k) => quad.sides[k] * (0.35 + 0.65 * paperBeside(edges, p, quad.corners[(k + 1) % 4], middle, paper)),
    );
    quad.score = scored(quad.sides, areaOf(quad.corners), w * h);
  }
  all.sort((a, b) => b.score - a.score);
  const kept: Quad[] = [];
  for (const quad of all) {
    if (kept.length >= OFFERED) break;
    const far = (other: Quad): boolean =>
      Math.max(...other.corners.map(([x, y], i) => Math.hypot(x - quad.corners[i][0], y - quad.corners[i][1]))) >
      SAME * Math.max(w, h);
    if (kept.every(far)) kept.push(quad);
  }
  let bow = 0;
  const candidates = kept.map(({ corners, sides }, i): SheetCandidate => {
    let full = corners.map(([x, y]): Point => [(x + 0.5) * factor, (y + 0.5) * factor]) as unknown as Corners;
    if (i === 0) {
      const refined = refinedCorners(photo, full, 1.6 * factor);
      full = refined.corners;
      bow = refined.bow;
    }
    return { corners: full, sides: sides as unknown as SheetCandidate['sides'] };
  });
  return { candidates, bow };
}
