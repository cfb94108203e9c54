import type { Triangles } from '../picture/raster';

/** Two rows of numbers, one after the other. */
export function both(a: Float32Array, b: Float32Array): Float32Array {
  const out = new Float32Array(a.length + b.length);
  out.set(a);
  out.set(b, a.length);
  return out;
}

/** Values with `count` more of one value. */
export function withMore(values: Uint8Array, count: number, value: number): Uint8Array {
  const out = new Uint8Array(values.length + count).fill(value);
  out.set(values);
  return out;
}

/** Two meshes as one. */
export function joined({ positions: a, indices: i }: Triangles, { positions: b, indices: j }: Triangles): Triangles {
  const indices = new Uint32Array(i.length + j.length);
  indices.set(i);
  for (let k = 0; k < j.length; k++) indices[i.length + k] = j[k] + a.length / 3;
  return { positions: both(a, b), indices };
}
