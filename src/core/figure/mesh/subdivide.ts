/** The topology of one level of subdivision: fine vertices are the coarse ones, then one an edge, then one a face. */
export interface Subdivision {
  vertexCount: number;
  coarseQuads: Uint32Array;
  /** Ends of each edge and the faces on its two sides; the second is -1 at a border. */
  edges: Int32Array;
  /** Edges at each coarse vertex, negative where it lies on a border. */
  valence: Int8Array;
  /** The finer faces, and how many vertices they have. */
  quads: Uint32Array;
  fineCount: number;
}

/** The next level of a mesh of quads. */
export function subdivisionOf(vertexCount: number, coarseQuads: Uint32Array): Subdivision {
  const faces = coarseQuads.length / 4;
  const known = new Map<number, number>();
  const edges = new Int32Array(coarseQuads.length * 4);
  const edgeOf = new Int32Array(coarseQuads.length);
  let count = 0;
  for (let i = 0; i < coarseQuads.length; i++) {
    const a = coarseQuads[i];
    const b = coarseQuads[(i & ~3) + ((i + 1) & 3)];
    const key = Math.min(a, b) * vertexCount + Math.max(a, b);
    let e = known.get(key);
    if (e === undefined) {
      known.set(key, (e = count++));
      edges.set([a, b, i >> 2, -1], e * 4);
    } else edges[e * 4 + 3] = i >> 2;
    edgeOf[i] = e;
  }
  const valence = new Int8Array(vertexCount);
  const border = new Uint8Array(vertexCount);
  for (let e = 0; e < count; e++)
    for (let k = 0; k < 2; k++) {
      valence[edges[e * 4 + k]]++;
      if (edges[e * 4 + 3] < 0) border[edges[e * 4 + k]] = 1;
    }
  for (let v = 0; v < vertexCount; v++) if (border[v]) valence[v] = -valence[v];
  const quads = new Uint32Array(coarseQuads.length * 4);
  for (let i = 0; i < coarseQuads.length; i++) {
    const before = (i & ~3) + ((i + 3) & 3);
    quads.set(
      [coarseQuads[i], vertexCount + edgeOf[i], vertexCount + count + (i >> 2), vertexCount + edgeOf[before]],
      i * 4,
    );
  }
  const fineCount = vertexCount + count + faces;
  return { vertexCount, coarseQuads, edges: edges.subarray(0, count * 4), valence, quads, fineCount };
}

/**
 * Values of the coarse vertices taken to the fine ones.
 * Source: E. Catmull and J. Clark, "Recursively generated B-spline surfaces on arbitrary topological meshes", 1978.
 * @param stride Numbers a vertex.
 */
export function subdivided(level: Subdivision, p: Float32Array, stride: number): Float32Array {
  const { vertexCount, coarseQuads, edges, valence, fineCount } = level;
  const edgeCount = edges.length / 4;
  const out = new Float32Array(fineCount * stride);
  const faceAt = (vertexCount + edgeCount) * stride;
  for (let f = 0; f < coarseQuads.length / 4; f++)
    for (let k = 0; k < stride; k++)
      out[faceAt + f * stride + k] =
        (p[coarseQuads[f * 4] * stride + k] +
          p[coarseQuads[f * 4 + 1] * stride + k] +
          p[coarseQuads[f * 4 + 2] * stride + k] +
          p[coarseQuads[f * 4 + 3] * stride + k]) /
        4;
  // Of each vertex: the sum over its edges of both ends, and half of the points of the faces beside them, each of which is met twice.
  for (let e = 0; e < edgeCount; e++) {
    const a = edges[e * 4];
    const b = edges[e * 4 + 1];
    const f = edges[e * 4 + 2];
    const g = edges[e * 4 + 3];
    for (let k = 0; k < stride; k++) {
      const ends = p[a * stride + k] + p[b * stride + k];
      if (g < 0) {
        out[(vertexCount + e) * stride + k] = ends / 2;
        out[a * stride + k] += ends;
        out[b * stride + k] += ends;
        continue;
      }
      const sides = out[faceAt + f * stride + k] + out[faceAt + g * stride + k];
      out[(vertexCount + e) * stride + k] = (ends + sides) / 4;
      if (valence[a] > 0) out[a * stride + k] += ends + sides / 2;
      if (valence[b] > 0) out[b * stride + k] += ends + sides / 2;
    }
  }
  for (let v = 0; v < vertexCount; v++) {
    const n = valence[v];
    for (let k = 0; k < stride; k++) {
      const o = v * stride + k;
      // On a border three quarters are the vertex, which is an end of both its edges, and an eighth each neighbor.
      if (n <= 0) out[o] = n === 0 ? p[o] : p[o] / 2 + out[o] / 8;
      else out[o] = (out[o] / n + (n - 3) * p[o]) / n;
    }
  }
  return out;
}
