import { describe, expect, it } from 'vitest';
import { poseOf, WHOLE_FIGURES } from '@/core/figure/catalogue/reference';
import { poseBody } from '@/core/figure/posedBody';
import { trianglesOf } from '@/core/figure/mesh/graph';
import { BUILDS } from '@/core/figure/skeleton/builds';
import { partNumber } from '@/core/figure/skeleton/parts';
import { KIT } from './kit';

const TRIANGLES = trianglesOf(KIT.mesh.quads);
/** One in so many of a hand's vertices is asked. */
const EVERY = 40;
/** A hand with nothing but air within this is in nothing, head heights. */
const NEAR = 0.02;

/**
 * How often a closed mesh winds around a point: 1 inside, 0 outside.
 * Source: A. Jacobson et al., "Robust inside-outside segmentation using generalized winding numbers", SIGGRAPH 2013.
 */
function winding(p: Float32Array, triangles: readonly number[], x: number, y: number, z: number): number {
  let sum = 0;
  for (let t = 0; t < triangles.length; t += 3) {
    const [a, b, c] = [triangles[t] * 3, triangles[t + 1] * 3, triangles[t + 2] * 3];
    const [ax, ay, az] = [p[a] - x, p[a + 1] - y, p[a + 2] - z];
    const [bx, by, bz] = [p[b] - x, p[b + 1] - y, p[b + 2] - z];
    const [cx, cy, cz] = [p[c] - x, p[c + 1] - y, p[c + 2] - z];
    const la = Math.hypot(ax, ay, az);
    const lb = Math.hypot(bx, by, bz);
    const lc = Math.hypot(cx, cy, cz);
    const det = ax * (by * cz - bz * cy) + ay * (bz * cx - bx * cz) + az * (bx * cy - by * cx);
    const dots =
      (ax * bx + ay * by + az * bz) * lc + (bx * cx + by * cy + bz * cz) * la + (cx * ax + cy * ay + cz * az) * lb;
    sum += Math.atan2(det, la * lb * lc + dots);
  }
  return sum / (2 * Math.PI);
}

/** Share of a hand that is inside flesh other than its own arm's. */
function inside(p: Float32Array, side: 'L' | 'R'): number {
  const own = (['hand', 'farm', 'uarm'] as const).map((kind) => partNumber(`${kind}.${side}`));
  const hand = KIT.members[partNumber(`hand.${side}`)].filter((_, i) => i % EVERY === 0);
  const lo = [0, 1, 2].map((k) => Math.min(...Array.from(hand, (v) => p[v * 3 + k])) - NEAR);
  const hi = [0, 1, 2].map((k) => Math.max(...Array.from(hand, (v) => p[v * 3 + k])) + NEAR);
  const others: number[] = [];
  let near = false;
  for (let t = 0; t < TRIANGLES.length; t += 3) {
    const v = TRIANGLES[t];
    if (own.includes(KIT.parts[v]) || v >= KIT.mesh.firstEye) continue;
    others.push(v, TRIANGLES[t + 1], TRIANGLES[t + 2]);
    near ||= [0, 1, 2].every((k) => p[v * 3 + k] > lo[k] && p[v * 3 + k] < hi[k]);
  }
  if (!near) return 0;
  return hand.filter((v) => winding(p, others, p[v * 3], p[v * 3 + 1], p[v * 3 + 2]) > 0.5).length / hand.length;
}

describe('hands of everybody who plays', () => {
  it('are never more than 15 % inside flesh', () => {
    const played = [...new Map(WHOLE_FIGURES.map((f) => [`${f.poseId} as ${f.build}`, f])).entries()];
    const sunk = played.flatMap(([name, { poseId, build }]) => {
      const { positions } = poseBody(KIT, poseOf(poseId).pose, BUILDS[build]);
      return (['L', 'R'] as const).filter((side) => inside(positions, side) > 0.15).map((side) => `${name}, ${side}`);
    });
    expect(sunk).toEqual([]);
  }, 240_000);
});
