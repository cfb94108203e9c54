import { norm3 } from '../../norms';
import type { BodyMesh } from './bodyPack';
import { type Graph, quadNormals, smoothed } from './graph';

/** What smoothing takes off the rest pose, in each vertex's own frame: put back on a smoothed pose, it keeps the form without its kinks. */
export interface Mush {
  graph: Graph;
  detail: Float32Array;
}

const STEPS = 10;
const SHARE = 0.6;

/** Writes the frame of a vertex into `f`: along its first edge, its normal, and square to both. */
function frameAt(p: Float32Array, n: Float32Array, { start, list }: Graph, v: number, f: Float64Array): void {
  const o = v * 3;
  const q = list[start[v]] * 3;
  let tx = p[q] - p[o];
  let ty = p[q + 1] - p[o + 1];
  let tz = p[q + 2] - p[o + 2];
  const d = tx * n[o] + ty * n[o + 1] + tz * n[o + 2];
  tx -= d * n[o];
  ty -= d * n[o + 1];
  tz -= d * n[o + 2];
  const l = 1 / (norm3(tx, ty, tz) || 1);
  tx *= l;
  ty *= l;
  tz *= l;
  f[0] = tx;
  f[1] = ty;
  f[2] = tz;
  f[3] = n[o];
  f[4] = n[o + 1];
  f[5] = n[o + 2];
  f[6] = ty * n[o + 2] - tz * n[o + 1];
  f[7] = tz * n[o] - tx * n[o + 2];
  f[8] = tx * n[o + 1] - ty * n[o];
}

/** Source: J. Mancewicz et al., "Delta mush: smoothing deformations while preserving detail", DigiPro 2014. */
export function mushOf({ quads, firstEye }: BodyMesh, rest: Float32Array, graph: Graph): Mush {
  const s = smoothed(graph, rest, STEPS, SHARE, firstEye);
  const n = quadNormals(quads, s);
  const detail = new Float32Array(s.length);
  const f = new Float64Array(9);
  for (let v = 0; v < firstEye; v++) {
    frameAt(s, n, graph, v, f);
    const o = v * 3;
    const x = rest[o] - s[o];
    const y = rest[o + 1] - s[o + 1];
    const z = rest[o + 2] - s[o + 2];
    for (let k = 0; k < 3; k++) detail[o + k] = x * f[k * 3] + y * f[k * 3 + 1] + z * f[k * 3 + 2];
  }
  return { graph, detail };
}

/** A skinned pose smoothed, with the rest pose's detail put back on; the eyeballs stay as they are. */
export function mushed({ quads, firstEye }: BodyMesh, { graph, detail }: Mush, p: Float32Array): Float32Array {
  const s = smoothed(graph, p, STEPS, SHARE, firstEye);
  const n = quadNormals(quads, s);
  const out = p.slice();
  const f = new Float64Array(9);
  for (let v = 0; v < firstEye; v++) {
    frameAt(s, n, graph, v, f);
    const o = v * 3;
    const a = detail[o];
    const b = detail[o + 1];
    const c = detail[o + 2];
    for (let k = 0; k < 3; k++) out[o + k] = s[o + k] + a * f[k] + b * f[3 + k] + c * f[6 + k];
  }
  return out;
}
