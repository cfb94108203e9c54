/** Edge of a cell of space, head heights. */
const CELL = 0.1;

/**
 * The nearest of some vertices to any place, by cells of space around the place, nearest cells first.
 * @param p Positions, three numbers a vertex.
 * @param vertices Which of them are asked about.
 * @param reach Farther ones are not found, head heights.
 * @returns Asked with a place: where in `p` the nearest vertex begins, -1 where there is none within reach.
 */
export function nearestVertex(
  p: Float32Array,
  vertices: readonly number[],
  reach: number,
): (x: number, y: number, z: number) => number {
  const lo = [Infinity, Infinity, Infinity];
  const size = [1, 1, 1];
  for (const v of vertices) for (let k = 0; k < 3; k++) lo[k] = Math.min(lo[k], p[v * 3 + k]);
  for (const v of vertices)
    for (let k = 0; k < 3; k++) size[k] = Math.max(size[k], Math.floor((p[v * 3 + k] - lo[k]) / CELL) + 1);
  // The first vertex of each cell, and for each vertex the next one in its cell.
  const first = new Int32Array(size[0] * size[1] * size[2]).fill(-1);
  const next = new Int32Array(vertices.length);
  const cellOf = (value: number, k: number): number => Math.floor((value - lo[k]) / CELL);
  for (const [i, v] of vertices.entries()) {
    const cell = (cellOf(p[v * 3], 0) * size[1] + cellOf(p[v * 3 + 1], 1)) * size[2] + cellOf(p[v * 3 + 2], 2);
    next[i] = first[cell];
    first[cell] = i;
  }
  const rings = Math.ceil(reach / CELL);
  return (x, y, z) => {
    const [ci, cj, ck] = [cellOf(x, 0), cellOf(y, 1), cellOf(z, 2)];
    let least = reach * reach;
    let at = -1;
    for (let ring = 0; ring <= rings; ring++) {
      for (let i = Math.max(0, ci - ring); i <= Math.min(size[0] - 1, ci + ring); i++)
        for (let j = Math.max(0, cj - ring); j <= Math.min(size[1] - 1, cj + ring); j++) {
          // Inside the ring only its two faces are new.
          const step = Math.abs(i - ci) === ring || Math.abs(j - cj) === ring ? 1 : Math.max(1, 2 * ring);
          for (let k = ck - ring; k <= ck + ring; k += step) {
            if (k < 0 || k >= size[2]) continue;
            for (let n = first[(i * size[1] + j) * size[2] + k]; n >= 0; n = next[n]) {
              const o = vertices[n] * 3;
              const d = (p[o] - x) ** 2 + (p[o + 1] - y) ** 2 + (p[o + 2] - z) ** 2;
              if (d < least) [least, at] = [d, o];
            }
          }
        }
      // What lies beyond this ring is at least so far.
      if (least <= (ring * CELL) ** 2) break;
    }
    return at;
  };
}
