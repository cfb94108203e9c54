import type { Point } from '../figure/facts/actionLine';
import type { DrawnKey } from '../figure/facts/answerKey';
import { around, bezier, closedLine, limbPaths, ringOf } from '../hand/lines';
import { evenly } from '../hand/pace';
import { clamp } from '../clamp';
import { apart } from '../plane';
import { AT_REST, type Basis, type Bending, bendingOf } from './bending';
import { inkField } from './inkField';
import { PLACES, type Place, type PlaceName } from './places';
import { cholesky } from './solve';

/** A drawing on a sheet as what is ink of it. */
export interface DrawnInk {
  width: number;
  height: number;
  /** Not 0 where there is ink. */
  mask: ArrayLike<number>;
}

export interface FittedPlaces {
  places: Map<PlaceName, Place>;
  /** Where each line of the reference's outline comes to lie. */
  outline: Point[][];
  /** And each shape of the ground between its limbs. */
  between: Point[][];
  /** Share of the ink that lies on what was fitted, and of the outline that lies on ink. */
  inkMet: number;
  outlineMet: number;
}

/** The figure's longer side while it is fitted, pixels. */
const WORK_PX = 420;
/** A line is followed as well as this, pixels; what strays strays over a length, so that fewer samples say something. */
const FOLLOWED = 0.006 * WORK_PX;
const ALIKE_SAMPLES = 8;
/** Pixels between samples of the outline, and of the lines a figure is built of; those say less of where ink belongs. */
const OUTLINE_STEP = 4;
const BUILT_STEP = 6;
const BUILT_SAYS = 0.35;
/** Residuals count up to about so much, pass by pass, pixels: coarse to fine. */
const PASSES = [60, 36, 22, 14, 9, 6, 5, 4] as const;
const ROUNDS = 4;
const INK_SAMPLES = 1400;
/** With less ink there is nothing to be found. */
const LEAST_INK = 60;
/** Of the ink, so much on each side is left out when it is asked how large the drawing is. */
const STRAY_INK = 0.004;
const MET_PX = 5;
/** Points put around the head, so that its size is seen. */
const AROUND_HEAD = 8;
/** Each place is found so much worse than the model of the errors says: tuned on made drawings whose truth is known (docs/review-truth.md). */
const MODEL_ERROR = 0.9;
const MODEL_FLOOR = 0.0025;
/** Where all of the outline is missing it is so many times worse, and one more. */
const UNDRAWN = 3;

interface Sample {
  by: Basis;
  normal: Point;
  outline: boolean;
}

interface Bounds {
  middle: Point;
  width: number;
  height: number;
}

/** The box around points, the farthest of them left out on each side. */
function boundsOf(points: readonly Point[], leaveOut: number): Bounds {
  const low = Math.floor(points.length * leaveOut);
  const [[x0, x1], [y0, y1]] = ([0, 1] as const).map((k) => {
    const sorted = points.map((p) => p[k]).sort((a, b) => a - b);
    return [sorted[low], sorted[sorted.length - 1 - low]];
  });
  return { middle: [(x0 + x1) / 2, (y0 + y1) / 2], width: x1 - x0, height: y1 - y0 };
}

function samplesOf(lines: readonly (readonly Point[])[], bending: Bending, step: number, outline: boolean): Sample[] {
  return lines.flatMap((line) => {
    const even = evenly(line, step);
    if (even.length < 3) return [];
    return even.map((at, i): Sample => {
      const [a, b] = [even[Math.max(0, i - 1)], even[Math.min(even.length - 1, i + 1)]];
      const size = apart(a, b) || 1;
      return { by: bending.of(at), normal: [-(b[1] - a[1]) / size, (b[0] - a[0]) / size], outline };
    });
  });
}

/** The lines of a figure: the edges that must be drawn, and those one builds it of, which may be. */
function linesOf(key: DrawnKey): { outline: Point[][]; built: Point[][] } {
  const whole = ({ points, closed }: DrawnKey['inner'][number]): Point[] => (closed ? closedLine(points) : points);
  const built = [
    ...key.inner.map(whole),
    bezier(key.action.curve),
    ...key.masses.map((mass) => around(mass, 1)),
    ...limbPaths(key),
  ];
  // Of a picture whose points alone are known there is no outline: its limbs and masses stand in.
  return { outline: key.outline.length > 0 ? key.outline.map(whole) : built, built };
}

/**
 * Find the places of a figure in a drawing of it: the reference's outline, its inner edges and the lines one builds it from are bent
 * until they lie on the ink and the ink on them, coarse to fine, with what lies far off counting less and less (Geman and McClure).
 * All of the bending is linear (`bending.ts`), so each round is one least squares. How sure a place is follows from the same system.
 * @param key The reference's answer key.
 * @returns undefined where there is hardly any ink. Places in pixels of `ink`.
 */
export function fitPlaces(key: DrawnKey, ink: DrawnInk): FittedPlaces | undefined {
  const inked: Point[] = [];
  for (let y = 0, o = 0; y < ink.height; y++)
    for (let x = 0; x < ink.width; x++, o++) if (ink.mask[o]) inked.push([x + 0.5, y + 0.5]);
  if (inked.length < LEAST_INK) return undefined;
  const { outline, built } = linesOf(key);
  const [shape, there] = [boundsOf(outline.flat(), 0), boundsOf(inked, STRAY_INK)];
  // Everything is worked out in pixels in which the drawing's longer side is always as long.
  const unit = WORK_PX / Math.max(there.width, there.height, 1);
  const [byHeight, byArea] = [
    there.height / shape.height,
    Math.sqrt((there.width * there.height) / (shape.width * shape.height)),
  ];
  const k = unit * (byArea > 0 && Number.isFinite(byArea) ? (byArea + byHeight) / 2 : byHeight);
  const middle: Point = [there.middle[0] * unit, there.middle[1] * unit];
  const placed = ([x, y]: Point): Point => [
    middle[0] + (x - shape.middle[0]) * k,
    middle[1] + (y - shape.middle[1]) * k,
  ];
  const marks = new Map(key.marks.map(({ name, at }) => [name, placed(at)]));
  const names = PLACES.filter((name) => marks.has(name));
  const head = key.masses.filter(({ name }) => name === 'head').flatMap((mass) => ringOf(mass, AROUND_HEAD));
  const handles = [...names.map((name) => marks.get(name) as Point), ...head.map(placed)];
  const bending = bendingOf(names, handles, WORK_PX, middle);
  const sampled = (lines: readonly Point[][], step: number, edge: boolean): Sample[] =>
    samplesOf(
      lines.map((line) => line.map(placed)),
      bending,
      step,
      edge,
    );
  const own = sampled(outline, OUTLINE_STEP, true);
  const samples = [...own, ...sampled(built, BUILT_STEP, false)];
  const every = Math.max(1, Math.floor(inked.length / INK_SAMPLES));
  const drawn = inked.filter((_, i) => i % every === 0).map(([x, y]): Point => [x * unit, y * unit]);
  const nearestInk = workField(inked, ink, unit);

  const n = bending.unknowns;
  let x = new Float64Array(n);
  x.set(AT_REST);
  /** Where a point has come to. */
  const at = (by: Basis): Point => {
    let [u, v] = middle;
    for (const [i, dx, dy] of by) {
      u += dx * x[i];
      v += dy * x[i];
    }
    return [u, v];
  };
  let solve = (right: ArrayLike<number>): Float64Array => Float64Array.from(right);
  for (const reach of PASSES)
    for (let round = 0; round < ROUNDS; round++) {
      const [a, b] = [new Float64Array(n * n), new Float64Array(n)];
      /** A sample is to lie, along a direction, where another point does; the farther off, the less it says. */
      const pull = (by: Basis, [nx, ny]: Point, to: Point, far: number, says: number): void => {
        const weight = says / ((1 + (far / reach) ** 2) ** 2 * (FOLLOWED ** 2 + (reach / 3) ** 2) * ALIKE_SAMPLES);
        const right = nx * (to[0] - middle[0]) + ny * (to[1] - middle[1]);
        const row = by.map(([i, ux, uy]) => [i, nx * ux + ny * uy] as const);
        for (const [i, vi] of row) {
          for (const [j, vj] of row) a[i * n + j] += weight * vi * vj;
          b[i] += weight * vi * right;
        }
      };
      const now = samples.map(({ by }) => at(by));
      for (let i = 0; i < own.length; i++) {
        const to = nearestInk(now[i]);
        if (!to) continue;
        const far = apart(to, now[i]);
        const way: Point = far > 0.5 ? [(now[i][0] - to[0]) / far, (now[i][1] - to[1]) / far] : own[i].normal;
        pull(own[i].by, way, to, far, 1);
      }
      for (const to of drawn) {
        const i = nearestOf(now, to);
        pull(samples[i].by, samples[i].normal, to, apart(now[i], to), samples[i].outline ? 1 : BUILT_SAYS);
      }
      bending.prior((i, j, weight, right) => {
        a[i * n + j] += weight;
        b[i] += right;
      });
      for (let i = 0; i < n; i++) a[i * n + i] += 1e-9;
      ({ solve } = cholesky(a, n));
      x = solve(b) as Float64Array<ArrayBuffer>;
    }
  const now = samples.map(({ by }) => at(by));
  const met = now.slice(0, own.length).filter((p) => apart(nearestInk(p) ?? [Infinity, 0], p) < MET_PX);
  const outlineMet = met.length / Math.max(1, own.length);
  // Lines that are not drawn say nothing, and pull wrongly.
  const doubt = MODEL_ERROR * (1 + UNDRAWN * (1 - outlineMet));
  const back = ([u, v]: Point): Point => [u / unit, v / unit];
  const places = names.map((name, i): [PlaceName, Place] => {
    const by = bending.of(handles[i]);
    const variance = [1, 2].map((c) => {
      const row = new Float64Array(n);
      for (const one of by) row[one[0]] = one[c];
      return dot(row, solve(row));
    });
    const spread = Math.sqrt((variance[0] + variance[1]) / 2);
    return [name, { at: back(at(by)), sigma: Math.hypot(doubt * spread, MODEL_FLOOR * WORK_PX) / unit }];
  });
  const come = (line: readonly Point[]): Point[] => line.map((p) => back(at(bending.of(placed(p)))));
  return {
    places: new Map(places),
    outline: outline.map(come),
    between: key.negatives.map(({ shape }) => come(shape.points)),
    inkMet: drawn.filter((p) => apart(now[nearestOf(now, p)], p) < MET_PX).length / drawn.length,
    outlineMet,
  };
}

/** Number of the point that is nearest to another. */
function nearestOf(points: readonly Point[], [x, y]: Point): number {
  let [best, least] = [0, Infinity];
  for (let i = 0; i < points.length; i++) {
    const d = (points[i][0] - x) ** 2 + (points[i][1] - y) ** 2;
    if (d < least) [best, least] = [i, d];
  }
  return best;
}

const dot = (a: ArrayLike<number>, b: ArrayLike<number>): number => {
  let sum = 0;
  for (let i = 0; i < a.length; i++) sum += a[i] * b[i];
  return sum;
};

/** The nearest ink of any place, in working pixels; a place far outside is asked at the edge. */
function workField(inked: readonly Point[], ink: DrawnInk, unit: number): (p: Point) => Point | undefined {
  const [width, height] = [Math.ceil(ink.width * unit) + 2, Math.ceil(ink.height * unit) + 2];
  const pixel = ([x, y]: Point): number =>
    clamp(Math.floor(y), 0, height - 1) * width + clamp(Math.floor(x), 0, width - 1);
  const mask = new Uint8Array(width * height);
  for (const [x, y] of inked) mask[pixel([x * unit, y * unit])] = 1;
  const { nearest } = inkField(mask, width, height);
  return (p) => {
    const o = nearest[pixel(p)];
    return o < 0 ? undefined : [(o % width) + 0.5, Math.floor(o / width) + 0.5];
  };
}
