/** What is drawn on a sheet on a coarse grid: how many pixels of each cell are ink. */
export interface InkCells {
  width: number;
  height: number;
  mass: Float32Array;
  /** The longer side, cells: what sizes are told against. */
  long: number;
}

/** Marks that hang together. */
export interface Cluster {
  cells: number[];
  mass: number;
  /** First and last column and row. */
  left: number;
  top: number;
  right: number;
  bottom: number;
}

export const widthOf = ({ left, right }: Cluster): number => right - left + 1;
export const heightOf = ({ top, bottom }: Cluster): number => bottom - top + 1;

/** Cells along the longer side. */
const GRID = 400;
/** The rim is not looked at, and how far in a row of shadow may lie; of the longer side, and of the other. */
const RIM = 0.008;
const GUTTER = 0.08;

/** A cluster of these cells. */
export function clusterOf({ width, mass }: InkCells, cells: number[]): Cluster {
  const out: Cluster = { cells, mass: 0, left: Infinity, top: Infinity, right: -1, bottom: -1 };
  for (const i of cells) {
    const x = i % width;
    const y = Math.floor(i / width);
    out.mass += mass[i];
    out.left = Math.min(out.left, x);
    out.right = Math.max(out.right, x);
    out.top = Math.min(out.top, y);
    out.bottom = Math.max(out.bottom, y);
  }
  return out;
}

/** Ink gathered into cells; rows and columns at the rim that are mostly dark are no drawing but a gutter or a missed edge. */
export function inkCells(ink: Uint8Array, width: number, height: number): InkCells {
  const q = Math.max(1, Math.round(Math.max(width, height) / GRID));
  const w = Math.floor(width / q);
  const h = Math.floor(height / q);
  const long = Math.max(w, h);
  const rim = Math.round(RIM * long);
  const mass = new Float32Array(w * h);
  for (let y = rim; y < h - rim; y++)
    for (let x = rim; x < w - rim; x++) {
      let n = 0;
      for (let j = 0; j < q; j++) for (let i = 0; i < q; i++) n += ink[(y * q + j) * width + x * q + i];
      if (n >= Math.min(2, q * q)) mass[y * w + x] = n;
    }
  for (const upright of [true, false])
    for (const far of [false, true]) {
      const count = upright ? h : w;
      const depth = upright ? w : h;
      const at = (d: number, a: number): number => {
        const c = far ? depth - 1 - d : d;
        return upright ? a * w + c : c * w + a;
      };
      for (let d = rim; d < GUTTER * depth; d++) {
        let on = 0;
        for (let a = 0; a < count; a++) if (mass[at(d, a)] > 0) on++;
        if (on < 0.4 * count) break;
        for (let a = 0; a < count; a++) mass[at(d, a)] = 0;
      }
    }
  return { width: w, height: h, mass, long };
}

/** Cells that hang together, diagonals too, among those that are asked for. */
export function floods(
  grid: InkCells,
  cells: Iterable<number>,
  belongs: (from: number, to: number) => boolean,
): Cluster[] {
  const { width: w, height: h } = grid;
  const seen = new Set<number>();
  const out: Cluster[] = [];
  for (const first of cells) {
    if (seen.has(first)) continue;
    const found = [first];
    seen.add(first);
    for (const i of found) {
      const x = i % w;
      const y = Math.floor(i / w);
      for (let v = Math.max(0, y - 1); v <= Math.min(h - 1, y + 1); v++)
        for (let u = Math.max(0, x - 1); u <= Math.min(w - 1, x + 1); u++) {
          const j = v * w + u;
          if (seen.has(j) || !belongs(i, j)) continue;
          seen.add(j);
          found.push(j);
        }
    }
    out.push(clusterOf(grid, found));
  }
  return out;
}

/** Marks this near to the rim may be holes of a binding or slivers of shadow, of the longer side. */
const BAND = 0.045;
/** What enters over the rim along more than this is a thumb or a shadow. */
const ENTERS = 0.035;

/** Clusters of marks without what does not belong to a drawing: holes, slivers, specks, thumbs. Takes those out of the grid. */
export function marksOf(grid: InkCells): Cluster[] {
  const { width: w, height: h, mass, long } = grid;
  const inked: number[] = [];
  let all = 0;
  mass.forEach((m, i) => {
    if (m === 0) return;
    inked.push(i);
    all += m;
  });
  const rim = Math.round(RIM * long);
  const band = BAND * long;
  return floods(grid, inked, (_, to) => mass[to] > 0).filter((cluster) => {
    const { cells, left, top, right, bottom } = cluster;
    const inBand = right < band || bottom < band || left > w - band || top > h - band;
    const size = [widthOf(cluster) - 1, heightOf(cluster) - 1];
    const sliver = inBand && (Math.max(...size) < 0.03 * long || Math.min(...size) < 0.012 * long);
    const atRim = left <= rim || top <= rim || right >= w - rim - 1 || bottom >= h - rim - 1;
    const thumb = atRim && entersAlong(grid, new Set(cells), rim) > ENTERS * long && cluster.mass < 0.22 * all;
    if (cells.length >= 2 && !sliver && !thumb) return true;
    for (const i of cells) mass[i] = 0;
    return false;
  });
}

/** The longest unbroken stretch of the rim that marks enter over, going on inside. */
function entersAlong({ width: w, height: h }: InkCells, cells: ReadonlySet<number>, rim: number): number {
  let longest = 0;
  for (const upright of [true, false])
    for (const far of [false, true]) {
      const count = upright ? h : w;
      const edge = far ? (upright ? w : h) - rim - 1 : rim;
      const inside = edge + (far ? -4 : 4);
      const has = (c: number, a: number): boolean => cells.has(upright ? a * w + c : c * w + a);
      let [run, deep] = [0, 0];
      for (let a = 0; a < count; a++) {
        if (!has(edge, a)) {
          run = deep = 0;
          continue;
        }
        run++;
        if (has(inside, a)) deep++;
        if (deep > 0.5 * run) longest = Math.max(longest, run);
      }
    }
  return longest;
}

/** Two clusters and the gap between them, cells. */
export interface Gap {
  a: number;
  b: number;
  cells: number;
}

/**
 * Gaps between neighboring clusters: every cell of the sheet is given to the nearest mark, and where two meet their distance is taken.
 * Source: P.-E. Danielsson, "Euclidean distance mapping", 1980 (nearest site carried over eight neighbors).
 */
export function gapsBetween({ width: w, height: h }: InkCells, clusters: readonly Cluster[]): Gap[] {
  const label = new Int32Array(w * h).fill(-1);
  clusters.forEach(({ cells }, k) => {
    for (const i of cells) label[i] = k;
  });
  const site = label.map((k, i) => (k >= 0 ? i : -1));
  const far2 = (i: number, s: number): number =>
    ((i % w) - (s % w)) ** 2 + (Math.floor(i / w) - Math.floor(s / w)) ** 2;
  const take = (i: number, from: number): void => {
    const s = site[from];
    if (s >= 0 && (site[i] < 0 || far2(i, s) < far2(i, site[i]))) site[i] = s;
  };
  for (let pass = 0; pass < 2; pass++) {
    for (let y = 0; y < h; y++) {
      for (let x = 0; x < w; x++) {
        const i = y * w + x;
        for (const d of [-1, 0, 1]) if (y > 0 && x + d >= 0 && x + d < w) take(i, i - w + d);
        if (x > 0) take(i, i - 1);
      }
      for (let x = w - 2; x >= 0; x--) take(y * w + x, y * w + x + 1);
    }
    for (let y = h - 1; y >= 0; y--) {
      for (let x = w - 1; x >= 0; x--) {
        const i = y * w + x;
        for (const d of [-1, 0, 1]) if (y < h - 1 && x + d >= 0 && x + d < w) take(i, i + w + d);
        if (x < w - 1) take(i, i + 1);
      }
      for (let x = 1; x < w; x++) take(y * w + x, y * w + x - 1);
    }
  }
  const gaps = new Map<number, number>();
  const meet = (i: number, j: number): void => {
    const [p, q] = [site[i], site[j]];
    if (p < 0 || q < 0 || label[p] === label[q]) return;
    const key = Math.min(label[p], label[q]) * clusters.length + Math.max(label[p], label[q]);
    gaps.set(key, Math.min(gaps.get(key) ?? Infinity, Math.sqrt(far2(p, q))));
  };
  for (let y = 0, i = 0; y < h; y++)
    for (let x = 0; x < w; x++, i++) {
      if (x < w - 1) meet(i, i + 1);
      if (y < h - 1) meet(i, i + w);
    }
  return [...gaps]
    .map(([key, cells]): Gap => ({ a: Math.floor(key / clusters.length), b: key % clusters.length, cells }))
    .sort((p, q) => p.cells - q.cells);
}
