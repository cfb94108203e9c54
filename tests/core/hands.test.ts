import { beforeAll, describe, expect, it } from 'vitest';
import { poseOf, WHOLE_FIGURES } from '@/core/figure/catalogue/reference';
import { handContact } from '@/core/figure/mesh/handContact';
import { quadNormals, trianglesOf } from '@/core/figure/mesh/graph';
import { poseBody, touches } from '@/core/figure/posedBody';
import { BUILDS } from '@/core/figure/skeleton/builds';
import { partNumber } from '@/core/figure/skeleton/parts';
import type { Pose } from '@/core/figure/skeleton/pose';
import { type Side, SIDES } from '@/core/figure/skeleton/skeleton';
import { KIT } from './kit';

const TRIANGLES = trianglesOf(KIT.mesh.quads);
/** One in so many vertices is asked. */
const EVERY = { hand: 40, farm: 4 };
/** A hand with nothing but air within this is in nothing, head heights. */
const NEAR = 0.02;
/** Vertices of a hand and of what it lies on are at most this far from each other, head heights. */
const OFF = 0.08;

/**
 * How often a closed mesh winds around a point: 1 inside, 0 outside.
 * Source: A. Jacobson et al., "Robust inside-outside segmentation using generalized winding numbers", SIGGRAPH 2013.
 */
function winding(p: Float32Array, triangles: Int32Array, x: number, y: number, z: number): number {
  let sum = 0;
  for (let t = 0; t < triangles.length; t += 3) {
    const [a, b, c] = [triangles[t] * 3, triangles[t + 1] * 3, triangles[t + 2] * 3];
    const [ax, ay, az] = [p[a] - x, p[a + 1] - y, p[a + 2] - z];
    const [bx, by, bz] = [p[b] - x, p[b + 1] - y, p[b + 2] - z];
    const [cx, cy, cz] = [p[c] - x, p[c + 1] - y, p[c + 2] - z];
    // Math.hypot takes ten times as long.
    const la = Math.sqrt(ax * ax + ay * ay + az * az);
    const lb = Math.sqrt(bx * bx + by * by + bz * bz);
    const lc = Math.sqrt(cx * cx + cy * cy + cz * cz);
    const det = ax * (by * cz - bz * cy) + ay * (bz * cx - bx * cz) + az * (bx * cy - by * cx);
    const dots =
      (ax * bx + ay * by + az * bz) * lc + (bx * cx + by * cy + bz * cz) * la + (cx * ax + cy * ay + cz * az) * lb;
    const whole = la * lb * lc + dots;
    // Far triangles are small: their angle is as large as its tangent.
    sum += whole > 0 && Math.abs(det) < 0.01 * whole ? det / whole : Math.atan2(det, whole);
  }
  return sum / (2 * Math.PI);
}

/** Share of a hand or forearm that is inside flesh other than its own arm's; a forearm may have the other hand on it. */
function inside(p: Float32Array, kind: 'hand' | 'farm', side: Side): number {
  const own = (['hand', 'farm', 'uarm'] as const).map((part) => partNumber(`${part}.${side}`));
  if (kind === 'farm') own.push(partNumber(`hand.${side === 'L' ? 'R' : 'L'}`));
  const asked = KIT.members[partNumber(`${kind}.${side}`)].filter((_, i) => i % EVERY[kind] === 0);
  const lo = [0, 1, 2].map((k) => Math.min(...Array.from(asked, (v) => p[v * 3 + k])) - NEAR);
  const hi = [0, 1, 2].map((k) => Math.max(...Array.from(asked, (v) => p[v * 3 + k])) + NEAR);
  const others: number[] = [];
  let near = false;
  for (let t = 0; t < TRIANGLES.length; t += 3) {
    const v = TRIANGLES[t];
    if (own.includes(KIT.parts[v]) || v >= KIT.mesh.firstEye) continue;
    others.push(v, TRIANGLES[t + 1], TRIANGLES[t + 2]);
    near ||= [0, 1, 2].every((k) => p[v * 3 + k] > lo[k] && p[v * 3 + k] < hi[k]);
  }
  if (!near) return 0;
  const flesh = Int32Array.from(others);
  return asked.filter((v) => winding(p, flesh, p[v * 3], p[v * 3 + 1], p[v * 3 + 2]) > 0.5).length / asked.length;
}

describe('arms of everybody who plays', () => {
  const played = [...new Map(WHOLE_FIGURES.map((f) => [`${f.poseId} as ${f.build}`, f])).entries()];
  let bodies: { name: string; pose: Pose; positions: Float32Array }[];
  beforeAll(() => {
    bodies = played.map(([name, { poseId, build }]) => {
      const { pose } = poseOf(poseId);
      return { name, pose, positions: poseBody(KIT, pose, BUILDS[build]).positions };
    });
  }, 240_000);
  it.each(['hand', 'farm'] as const)(
    'have no %s more than 15 percent inside flesh',
    (kind) => {
      const sunk = bodies.flatMap(({ name, positions }) =>
        SIDES.filter((side) => inside(positions, kind, side) > 0.15).map((side) => `${name}, ${side}`),
      );
      expect(sunk).toEqual([]);
    },
    240_000,
  );
  it('touch where their pose says that they touch', () => {
    const floating = bodies.flatMap(({ name, pose, positions }) => {
      const normals = quadNormals(KIT.mesh.quads, positions);
      return SIDES.filter((side) => touches(pose, side))
        .filter((side) => handContact(KIT, positions, normals, side)([0, 0, 0]).gap > OFF)
        .map((side) => `${name}, ${side}`);
    });
    expect(bodies.some(({ pose }) => touches(pose, 'L'))).toBe(true);
    expect(floating).toEqual([]);
  });
});
