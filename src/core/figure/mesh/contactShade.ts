import type { Triangles } from '../picture/raster';
import { depthMap, drawTriangle } from './openness';

/** A map of contact darkness on the ground, row 0 at the far (-z) edge, 0 to 255. */
export interface ContactMap {
  data: Uint8Array;
  resolution: number;
  center: [x: number, z: number];
  size: [width: number, depth: number];
}

const SIZE = 288;
const RESOLUTION = 128;
/** Room around what stands, head heights. */
const PAD = 1;
/** Heights above the ground over which flesh darkens it, head heights, and how much. */
const TAPS: readonly (readonly [height: number, weight: number])[] = [
  [0.06, 0.5],
  [0.16, 0.35],
  [0.36, 0.3],
];

/** The shade where something touches the ground: its height above each place, seen from below, then blurred. */
export function contactShade({ positions, indices }: Triangles): ContactMap {
  let [x0, x1, z0, z1] = [Infinity, -Infinity, Infinity, -Infinity];
  for (let i = 0; i < positions.length; i += 3) {
    x0 = Math.min(x0, positions[i]);
    x1 = Math.max(x1, positions[i]);
    z0 = Math.min(z0, positions[i + 2]);
    z1 = Math.max(z1, positions[i + 2]);
  }
  const width = x1 - x0 + 2 * PAD;
  const depth = z1 - z0 + 2 * PAD;
  const picture = depthMap(positions.length / 3, SIZE);
  for (let i = 0; i < picture.x.length; i++) {
    picture.x[i] = ((positions[i * 3] - x0 + PAD) / width) * SIZE;
    picture.y[i] = ((positions[i * 3 + 2] - z0 + PAD) / depth) * SIZE;
    picture.depth[i] = -positions[i * 3 + 1];
  }
  picture.map.fill(-9);
  for (let t = 0; t < indices.length; t += 3) drawTriangle(picture, indices[t], indices[t + 1], indices[t + 2], SIZE);
  const n = RESOLUTION;
  let dark = new Float32Array(n * n);
  for (let j = 0; j < n; j++)
    for (let i = 0; i < n; i++) {
      const h = -picture.map[Math.floor(((j + 0.5) * SIZE) / n) * SIZE + Math.floor(((i + 0.5) * SIZE) / n)];
      for (const [tap, weight] of TAPS) dark[j * n + i] += weight * Math.max(0, Math.min(1, 1 - Math.max(0, h) / tap));
    }
  for (let pass = 0; pass < 3; pass++) {
    dark = blurred(dark, n, 1, Math.max(1, Math.round((0.07 / width) * n)));
    dark = blurred(dark, n, n, Math.max(1, Math.round((0.07 / depth) * n)));
  }
  const data = Uint8Array.from(dark, (d) => Math.round(255 * Math.min(0.7, d * 0.75)));
  return { data, resolution: n, center: [(x0 + x1) / 2, (z0 + z1) / 2], size: [width, depth] };
}

function blurred(from: Float32Array, n: number, stride: number, r: number): Float32Array<ArrayBuffer> {
  const to = new Float32Array(from.length);
  const other = stride === 1 ? n : 1;
  for (let row = 0; row < n; row++)
    for (let i = 0; i < n; i++) {
      let sum = 0;
      for (let k = -r; k <= r; k++) sum += from[row * other + Math.max(0, Math.min(n - 1, i + k)) * stride];
      to[row * other + i * stride] = sum / (2 * r + 1);
    }
  return to;
}
