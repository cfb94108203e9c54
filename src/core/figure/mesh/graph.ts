import { norm3 } from '../../norms';
/** Neighbors of each vertex along the edges of the faces, in compressed rows: those of v are list[start[v]] up to list[start[v + 1]]. */
export interface Graph {
  start: Uint32Array;
  list: Uint32Array;
}

/** The graph of a mesh of quads. */
export function graphOf(vertexCount: number, quads: Uint32Array): Graph {
  // Each inner edge is met twice, from either side; the second meeting finds it there.
  const most = 16;
  const rows = new Uint32Array(vertexCount * most);
  const count = new Uint32Array(vertexCount + 1);
  const put = (a: number, b: number): void => {
    for (let i = 0; i < count[a]; i++) if (rows[a * most + i] === b) return;
    if (count[a] === most) throw new Error('a vertex with more than sixteen edges');
    rows[a * most + count[a]++] = b;
  };
  for (let q = 0; q < quads.length; q += 4)
    for (let k = 0; k < 4; k++) {
      const [a, b] = [quads[q + k], quads[q + ((k + 1) & 3)]];
      put(a, b);
      put(b, a);
    }
  const start = new Uint32Array(vertexCount + 1);
  for (let v = 0; v < vertexCount; v++) start[v + 1] = start[v] + count[v];
  const list = new Uint32Array(start[vertexCount]);
  for (let v = 0; v < vertexCount; v++) list.set(rows.subarray(v * most, v * most + count[v]), start[v]);
  return { start, list };
}

/** Each of the first `last` vertices moved toward the mean of its neighbors, several times over. */
export function smoothed(
  { start, list }: Graph,
  p: Float32Array,
  steps: number,
  share: number,
  last: number,
): Float32Array {
  let from = p.slice();
  let to = p.slice();
  for (let s = 0; s < steps; s++) {
    for (let v = 0; v < last; v++) {
      const a = start[v];
      const b = start[v + 1];
      let x = 0;
      let y = 0;
      let z = 0;
      for (let i = a; i < b; i++) {
        const o = list[i] * 3;
        x += from[o];
        y += from[o + 1];
        z += from[o + 2];
      }
      const w = share / (b - a);
      const o = v * 3;
      to[o] = from[o] * (1 - share) + x * w;
      to[o + 1] = from[o + 1] * (1 - share) + y * w;
      to[o + 2] = from[o + 2] * (1 - share) + z * w;
    }
    [from, to] = [to, from];
  }
  return from;
}

/** Unit normals of a mesh of quads, each face weighing by its area. */
export function quadNormals(quads: Uint32Array, p: Float32Array): Float32Array {
  const n = new Float32Array(p.length);
  for (let i = 0; i < quads.length; i += 4) {
    const a = quads[i] * 3;
    const b = quads[i + 1] * 3;
    const c = quads[i + 2] * 3;
    const d = quads[i + 3] * 3;
    const ux = p[c] - p[a];
    const uy = p[c + 1] - p[a + 1];
    const uz = p[c + 2] - p[a + 2];
    const vx = p[d] - p[b];
    const vy = p[d + 1] - p[b + 1];
    const vz = p[d + 2] - p[b + 2];
    const x = uy * vz - uz * vy;
    const y = uz * vx - ux * vz;
    const z = ux * vy - uy * vx;
    for (let k = 0; k < 4; k++) {
      const o = quads[i + k] * 3;
      n[o] += x;
      n[o + 1] += y;
      n[o + 2] += z;
    }
  }
  for (let o = 0; o < n.length; o += 3) {
    const l = 1 / (norm3(n[o], n[o + 1], n[o + 2]) || 1);
    n[o] *= l;
    n[o + 1] *= l;
    n[o + 2] *= l;
  }
  return n;
}

/** Two triangles a quad. */
export function trianglesOf(quads: Uint32Array): Uint32Array {
  const out = new Uint32Array((quads.length / 4) * 6);
  for (let q = 0, o = 0; q < quads.length; q += 4, o += 6) {
    out[o] = out[o + 3] = quads[q];
    out[o + 1] = quads[q + 1];
    out[o + 2] = out[o + 4] = quads[q + 2];
    out[o + 5] = quads[q + 3];
  }
  return out;
}
