/**
 * The values of some vertices.
 * @param stride Numbers a vertex.
 */
export function picked(data: Float32Array, vertices: Uint32Array, stride: number): Float32Array {
  const out = new Float32Array(vertices.length * stride);
  for (let i = 0; i < vertices.length; i++)
    for (let k = 0; k < stride; k++) out[i * stride + k] = data[vertices[i] * stride + k];
  return out;
}
