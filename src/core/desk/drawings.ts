import { median } from 'd3-array';
import { disjointSets } from '../disjointSets';
import {
  type Cluster,
  clusterOf,
  type Gap,
  gapsBetween,
  heightOf,
  inkCells,
  type InkCells,
  marksOf,
  widthOf,
} from './inkCells';
import { readingOrder, type SheetBox } from './readingOrder';
import { type Cut, cutsOf } from './seams';

export interface ProposedDrawings {
  /** One box a drawing, as the sheet is read. */
  boxes: SheetBox[];
  /** What is left over: notes, dates, smudges. */
  left: SheetBox[];
  /** How often a cluster had to be cut in two. */
  cuts: number;
}

/** Drawings lie apart by this much or more, and at most by this; of the sheet's longer side. */
const LEAST_GAP = 0.006;
const MOST_GAP = 0.075;
/** The usual gap, and how widely it varies (log). */
const USUAL_GAP = 0.02;
const GAP_SPREAD = 0.8;
/** Radii are tried in steps of this factor. */
const STEP = 1.06;
/** So many ways of gathering are tried where the number of drawings is known. */
const WAYS = 5;
/** At most so many cuts. */
const MOST_CUTS = 12;

const diagonal = (c: Cluster): number => Math.hypot(widthOf(c), heightOf(c));

/** Clusters gathered where gaps are no larger than a radius. */
function gathered(
  grid: InkCells,
  marks: readonly Cluster[],
  gaps: readonly Gap[],
  radius: number,
): { cluster: Cluster; of: number[] }[] {
  const sets = disjointSets(marks.length);
  for (const { a, b, cells } of gaps) {
    if (cells > radius) break;
    sets.join(a, b);
  }
  return sets.groups().map((of) => ({
    of,
    cluster: clusterOf(
      grid,
      of.flatMap((i) => marks[i].cells),
    ),
  }));
}

/** Whether clusters are large and dark enough to be drawings, one for each. */
function weighty(clusters: readonly Cluster[], long: number): boolean[] {
  const largest = Math.max(0, ...clusters.map(diagonal));
  const darkest = Math.max(0, ...clusters.map(({ mass }) => mass));
  return clusters.map((c) => diagonal(c) > Math.max(0.06 * long, 0.3 * largest) && c.mass > 0.09 * darkest);
}

/** A stretch of radii over which as many drawings come out, and how likely such a gap is. */
interface Plateau {
  radius: number;
  weight: number;
}

/** Plateaus of the number of drawings over the radius, the likeliest first: the longer and the more usual the gap, the likelier. */
function plateaus(grid: InkCells, marks: readonly Cluster[], gaps: readonly Gap[]): Plateau[] {
  const { long } = grid;
  const counts: { radius: number; count: number }[] = [];
  for (let radius = 1; radius <= MOST_GAP * long; radius *= STEP) {
    const clusters = gathered(grid, marks, gaps, radius).map(({ cluster }) => cluster);
    counts.push({ radius, count: weighty(clusters, long).filter(Boolean).length });
  }
  const out: Plateau[] = [];
  for (let i = 0; i < counts.length;) {
    let j = i;
    while (j + 1 < counts.length && counts[j + 1].count === counts[i].count) j++;
    const from = Math.max(LEAST_GAP * long, counts[i].radius);
    const to = counts[j + 1]?.radius ?? MOST_GAP * long;
    if (to > from && counts[i].count > 0) {
      let weight = 0;
      for (let r = from; r < to; r *= 1.02)
        weight += Math.exp(-0.5 * (Math.log(r / (USUAL_GAP * long)) / GAP_SPREAD) ** 2);
      out.push({ radius: Math.sqrt(from * to), weight });
    }
    i = j + 1;
  }
  return out.sort((a, b) => b.weight - a.weight);
}

/** How unlike a standing figure a cluster is shaped, 1 or more. */
function odd(c: Cluster): number {
  const z = (Math.log(heightOf(c) / widthOf(c)) - 0.45) / 0.75;
  return Math.exp(0.25 * z * z);
}

interface Way {
  drawings: Cluster[];
  left: Cluster[];
  cuts: number;
  /** How unlikely it is; less is better. */
  penalty: number;
}

/** Drawings by one radius, cut or joined until there are as many as expected. */
function wayOf(
  grid: InkCells,
  marks: readonly Cluster[],
  gaps: readonly Gap[],
  { radius, weight }: Plateau,
  expected: number | undefined,
): Way {
  const { long, width } = grid;
  const all = gathered(grid, marks, gaps, radius);
  const isDrawing = weighty(
    all.map(({ cluster }) => cluster),
    long,
  );
  const drawings = all.filter((_, i) => isDrawing[i]);
  const owner = new Map(drawings.flatMap(({ of }, k) => of.map((i): [number, number] => [i, k])));
  const left: Cluster[] = [];
  // A hand, a foot, a line of ground goes to the nearest drawing, if it is near for its size; writing does not.
  for (const { cluster, of } of all.filter((_, i) => !isDrawing[i])) {
    const own = new Set(of);
    let nearest: { k: number; cells: number } | undefined;
    for (const { a, b, cells } of gaps) {
      const other = own.has(a) ? b : own.has(b) ? a : undefined;
      const k = other === undefined ? undefined : owner.get(other);
      if (k !== undefined && (!nearest || cells < nearest.cells)) nearest = { k, cells };
    }
    const writing = heightOf(cluster) < 0.024 * long && widthOf(cluster) > 1.2 * heightOf(cluster) && of.length > 1;
    const to = nearest && drawings[nearest.k];
    const near =
      to &&
      nearest &&
      nearest.cells < Math.min(0.035 * long, 0.13 * Math.max(heightOf(to.cluster), widthOf(to.cluster)));
    if (to && near && !writing) to.cluster = clusterOf(grid, [...to.cluster.cells, ...cluster.cells]);
    else left.push(cluster);
  }
  const total = all.reduce((sum, { cluster }) => sum + cluster.mass, 0) || 1;
  let penalty = (4 * left.reduce((sum, { mass }) => sum + mass, 0)) / total - 0.45 * Math.log(weight + 0.02);
  let found = drawings.map(({ cluster }) => cluster);
  let cuts = 0;
  while (cuts < MOST_CUTS && !(expected && found.length >= expected)) {
    const cut = bestCut(grid, found, expected, width);
    if (!cut) break;
    found = [...found.filter((c) => c !== cut.of), ...cut.parts];
    cuts++;
    penalty += 0.25 + Math.min(1.2, 4 * cut.cost);
  }
  while (expected && found.length > expected) {
    found = joined(grid, found);
    penalty += 0.8;
  }
  if (expected && found.length !== expected) penalty += 3 * Math.abs(found.length - expected);
  return { drawings: found, left, cuts, penalty: penalty + unlikeness(found) };
}

/** The cut that is most called for: little ink crossed, parts shaped like figures, a cluster larger than the others. */
function bestCut(
  grid: InkCells,
  found: readonly Cluster[],
  expected: number | undefined,
  sheetWidth: number,
): (Cut & { of: Cluster }) | undefined {
  const usual = {
    width: median(found, widthOf) ?? 1,
    height: median(found, heightOf) ?? 1,
    mass: median(found, ({ mass }) => mass) ?? 1,
  };
  const size = (c: Cluster): number => Math.max(widthOf(c) / usual.width, heightOf(c) / usual.height);
  const rank = (c: Cluster): number => (c.mass / usual.mass) * size(c);
  let best: { cut: Cut & { of: Cluster }; score: number } | undefined;
  // Cutting is slow: only what stands out is tried.
  for (const c of [...found].sort((a, b) => rank(b) - rank(a)).slice(0, 4)) {
    const heavy = c.mass / usual.mass;
    if (!expected) {
      const outgrown = found.length > 1 && size(c) > 1.45 && heavy > 1.4;
      const broad = found.length <= 2 && widthOf(c) / heightOf(c) > 1.15 && widthOf(c) > 0.5 * sheetWidth;
      if (!outgrown && !broad) continue;
    }
    for (const cut of cutsOf(grid, c, expected ? 0.2 : 0.3)) {
      const dearest = cut.upright ? 0.09 : heightOf(c) > 1.8 * usual.height ? 0.05 : -1;
      if (!expected && cut.cost > dearest) continue;
      const score =
        (cut.cost * (cut.upright ? 1 : 1.3) * odd(cut.parts[0]) * odd(cut.parts[1])) / Math.max(0.3, heavy * size(c));
      if (!best || score < best.score) best = { cut: { ...cut, of: c }, score };
    }
  }
  return best?.cut;
}

/** The two whose union is the most compact, as one. */
function joined(grid: InkCells, found: readonly Cluster[]): Cluster[] {
  let best: { a: Cluster; b: Cluster; score: number } | undefined;
  found.forEach((a, i) => {
    for (const b of found.slice(i + 1)) {
      const area =
        (Math.max(a.right, b.right) - Math.min(a.left, b.left) + 1) *
        (Math.max(a.bottom, b.bottom) - Math.min(a.top, b.top) + 1);
      const score =
        (area / (widthOf(a) * heightOf(a) + widthOf(b) * heightOf(b))) * Math.sqrt(Math.min(a.mass, b.mass));
      if (!best || score < best.score) best = { a, b, score };
    }
  });
  if (!best) return [...found];
  const { a, b } = best;
  return [...found.filter((c) => c !== a && c !== b), clusterOf(grid, [...a.cells, ...b.cells])];
}

/** How unlikely drawings are together: oddly shaped, over each other, of very different weight. */
function unlikeness(found: readonly Cluster[]): number {
  let out = 0;
  found.forEach((a, i) => {
    out += 0.12 * Math.log(odd(a));
    for (const b of found.slice(0, i)) {
      const w = Math.min(a.right, b.right) - Math.max(a.left, b.left);
      const h = Math.min(a.bottom, b.bottom) - Math.max(a.top, b.top);
      if (w > 0 && h > 0) out += (1.2 * w * h) / Math.min(widthOf(a) * heightOf(a), widthOf(b) * heightOf(b));
    }
  });
  const logs = found.map(({ mass }) => Math.log(mass));
  const mean = logs.reduce((a, b) => a + b, 0) / (logs.length || 1);
  return out + 0.5 * Math.sqrt(logs.reduce((sum, v) => sum + (v - mean) ** 2, 0) / (logs.length || 1));
}

/**
 * One box for each drawing on a straightened sheet.
 * @param ink 1 where a mark is.
 * @param expected How many drawings there are, where that is known: always told where a session says so, for it decides what touches.
 */
export function proposeDrawings(ink: Uint8Array, width: number, height: number, expected?: number): ProposedDrawings {
  const grid = inkCells(ink, width, height);
  const marks = marksOf(grid);
  if (marks.length === 0) return { boxes: [], left: [], cuts: 0 };
  const gaps = gapsBetween(grid, marks);
  const ways = plateaus(grid, marks, gaps)
    .slice(0, expected ? WAYS : 1)
    .map((plateau) => wayOf(grid, marks, gaps, plateau, expected));
  const best = ways.sort((a, b) => a.penalty - b.penalty).at(0);
  if (!best) return { boxes: [], left: [], cuts: 0 };
  const boxOf = (c: Cluster): SheetBox => ({
    x: c.left / grid.width,
    y: c.top / grid.height,
    width: widthOf(c) / grid.width,
    height: heightOf(c) / grid.height,
  });
  return { boxes: readingOrder(best.drawings.map(boxOf)), left: best.left.map(boxOf), cuts: best.cuts };
}
