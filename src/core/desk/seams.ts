import { type Cluster, clusterOf, floods, heightOf, type InkCells, widthOf } from './inkCells';

/** A cluster cut in two along the way that crosses the least ink. */
export interface Cut {
  parts: [Cluster, Cluster];
  /** Ink that is crossed, against the lighter part. */
  cost: number;
  upright: boolean;
}

/** A cut lies in the middle of a cluster: between these shares of its width or height. */
const MIDDLE = [0.22, 0.78] as const;
/** What is narrower than this is not cut, of the sheet's longer side. */
const NARROW = 0.08;

/**
 * The best upright and the best level cut of a cluster.
 * Source: S. Avidan and A. Shamir, "Seam carving for content-aware image resizing", SIGGRAPH 2007 (the seam by dynamic programming).
 * @param leastShare Of the ink, how much the lighter part must have.
 */
export function cutsOf(grid: InkCells, cluster: Cluster, leastShare: number): Cut[] {
  if (cluster.cells.length < 60) return [];
  return [true, false].flatMap((upright) => cutAlong(grid, cluster, upright, leastShare));
}

function cutAlong(grid: InkCells, cluster: Cluster, upright: boolean, leastShare: number): Cut[] {
  const { width, mass, long } = grid;
  const { left, top, cells } = cluster;
  const [w, h] = [widthOf(cluster), heightOf(cluster)];
  const [count, depth] = upright ? [h, w] : [w, h];
  if (depth < NARROW * long) return [];
  const ink = new Float32Array(w * h);
  for (const i of cells) ink[(Math.floor(i / width) - top) * w + (i % width) - left] = mass[i];
  const at = (a: number, b: number): number => (upright ? ink[a * w + b] : ink[b * w + a]);
  const near = (a: number, b: number): number =>
    at(a, b) + 0.25 * ((b > 0 ? at(a, b - 1) : 0) + (b < depth - 1 ? at(a, b + 1) : 0));
  const [low, high] = [Math.floor(depth * MIDDLE[0]), Math.ceil(depth * MIDDLE[1])];
  const cost = new Float64Array(count * depth).fill(Infinity);
  const from = new Int8Array(count * depth);
  for (let b = low; b < high; b++) cost[b] = near(0, b);
  for (let a = 1; a < count; a++)
    for (let b = low; b < high; b++) {
      let [best, step] = [Infinity, 0];
      for (let d = -2; d <= 2; d++) {
        const c = b + d;
        if (c < low || c >= high) continue;
        const v = cost[(a - 1) * depth + c] + Math.abs(d) * 0.06;
        if (v < best) {
          best = v;
          step = d;
        }
      }
      cost[a * depth + b] = best + near(a, b) + (0.03 * Math.abs(b - depth / 2)) / depth;
      from[a * depth + b] = step;
    }
  let end = low;
  for (let c = low; c < high; c++) if (cost[(count - 1) * depth + c] < cost[(count - 1) * depth + end]) end = c;
  const crossed = cost[(count - 1) * depth + end];
  const seam = new Int32Array(count);
  for (let a = count - 1, b = end; a >= 0; a--) {
    seam[a] = b;
    b += from[a * depth + b];
  }
  const beyond = (i: number): boolean => {
    const [x, y] = [(i % width) - left, Math.floor(i / width) - top];
    return upright ? x > seam[y] : y > seam[x];
  };
  const inside = new Set(cells);
  const pieces = floods(grid, cells, (p, q) => inside.has(q) && beyond(p) === beyond(q));
  const of = (side: boolean): Cluster[] =>
    pieces.filter((piece) => beyond(piece.cells[0]) === side).sort((a, b) => b.mass - a.mass);
  const mains = [of(false)[0], of(true)[0]];
  if (!mains[0] || !mains[1]) return [];
  // A small piece that hangs only on the seam is a limb that crosses it: it goes to the other side.
  const sides: [number[], number[]] = [[], []];
  for (const piece of pieces) {
    const own = beyond(piece.cells[0]) ? 1 : 0;
    const crossing =
      piece !== mains[own] && piece.mass < 0.3 * mains[own].mass && touchesAcross(piece, inside, beyond, width);
    sides[crossing ? 1 - own : own].push(...piece.cells);
  }
  const parts = sides.map((side) => clusterOf(grid, side)) as [Cluster, Cluster];
  const lighter = Math.min(parts[0].mass, parts[1].mass);
  if (lighter / (parts[0].mass + parts[1].mass) < leastShare) return [];
  return [{ parts, cost: (crossed / lighter) * 4, upright }];
}

function touchesAcross(
  { cells }: Cluster,
  inside: ReadonlySet<number>,
  beyond: (i: number) => boolean,
  width: number,
): boolean {
  const own = beyond(cells[0]);
  const around = [-1, 1, -width, width, -width - 1, -width + 1, width - 1, width + 1];
  return cells.some((i) => around.some((d) => inside.has(i + d) && beyond(i + d) !== own));
}
