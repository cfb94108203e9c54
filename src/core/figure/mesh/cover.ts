import { dot, normalize, sub, type Vec3 } from '../skeleton/vector';
import type { MeshBuild } from './bodyPack';

/**
 * How far inside close-fitting shorts and top each vertex lies, head heights along the resting body; negative is bare. The zero level
 * is the garment's edge.
 */
export function coverDepth({ rest, head }: MeshBuild): Float32Array {
  const waist = head.spine04[1] - 0.1;
  const hem = head['upperleg01.L'][1] - 0.75;
  const low = head.spine02[1] + 0.02;
  const high = head['upperarm01.L'][1] - 0.22;
  const shoulder = head['upperarm01.L'][0];
  const out = new Float32Array(rest.length / 3);
  for (let v = 0; v < out.length; v++) {
    const x = Math.abs(rest[v * 3]);
    const y = rest[v * 3 + 1];
    const shorts = Math.min(waist - y, y - hem, 1.1 - x);
    const strap = Math.min(0.12 - Math.abs(x - 0.42 * shoulder), y - low, head.neck01[1] - 0.1 - y);
    const band = Math.min(y - low, high - y, shoulder - 0.08 - x);
    out[v] = Math.max(shorts, band, strap);
  }
  return out;
}

/** How far inside a close-fitting suit each vertex lies, from the neck to wrists and ankles; head heights, negative is bare. */
export function suitDepth({ rest, head }: MeshBuild): Float32Array {
  const wrist = head['wrist.L'];
  const along = normalize(sub(wrist, head['lowerarm01.L']));
  const out = new Float32Array(rest.length / 3);
  for (let v = 0; v < out.length; v++) {
    const p: Vec3 = [Math.abs(rest[v * 3]), rest[v * 3 + 1], rest[v * 3 + 2]];
    const [x, y] = p;
    const onArm = x > head['lowerarm01.L'][0] - 0.3;
    out[v] = Math.min(
      onArm ? -dot(sub(p, wrist), along) - 0.06 : x < 0.6 ? head.neck01[1] + 0.02 - y : 1,
      onArm ? 1 : y - head['foot.L'][1] - 0.16,
    );
  }
  return out;
}

/** Thickness of the cloth, and the length over which it rises at its edge, head heights. */
const CLOTH = 0.014;
const EDGE = 0.03;

/** Positions of a figure with its cover on: displaced along the normals where it is covered. */
export function coveredPositions({
  positions,
  normals,
  cover,
}: {
  positions: Float32Array;
  normals: Float32Array;
  cover: Float32Array;
}): Float32Array {
  const out = positions.slice();
  for (let i = 0; i < cover.length; i++) {
    const rise = CLOTH * Math.max(0, Math.min(1, cover[i] / EDGE));
    if (rise > 0) for (let k = 0; k < 3; k++) out[i * 3 + k] += normals[i * 3 + k] * rise;
  }
  return out;
}
