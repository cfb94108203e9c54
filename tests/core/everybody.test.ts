import { describe, expect, it } from 'vitest';
import { poseOf, SET_FIGURES, WHOLE_FIGURES } from '@/core/figure/catalogue/reference';
import type { FigureReference } from '@/core/figure/catalogue/referenceId';
import { handContact } from '@/core/figure/mesh/handContact';
import { quadNormals } from '@/core/figure/mesh/graph';
import { poseBody, touches } from '@/core/figure/posedBody';
import { BUILDS } from '@/core/figure/skeleton/builds';
import { handPoint } from '@/core/figure/skeleton/handPoint';
import { buildFactor, type Rig, soleContacts } from '@/core/figure/skeleton/kinematics';
import { brokenLimits } from '@/core/figure/skeleton/limits';
import { partNumber } from '@/core/figure/skeleton/parts';
import type { Pose } from '@/core/figure/skeleton/pose';
import { onBone, type Side, SIDES } from '@/core/figure/skeleton/skeleton';
import { imbalance } from '@/core/figure/skeleton/support';
import { add, cross, dot, length, rotate, scale, sub, type Vec3 } from '@/core/figure/skeleton/vector';
import { KIT } from './kit';

const QUADS = Array.from({ length: KIT.mesh.quads.length / 4 }, (_, q) =>
  Array.from(KIT.mesh.quads.subarray(q * 4, q * 4 + 4)),
);
/** One in so many vertices is asked. */
const EVERY = { hand: 40, farm: 4 };
/** A hand with nothing but air within this is in nothing, head heights. */
const NEAR = 0.02;
/** Vertices of a hand and of what it lies on are at most this far from each other, head heights. */
const OFF = 0.08;

/**
 * The angle under which a triangle is seen from a point, halved.
 * Source: A. van Oosterom, J. Strackee, "The solid angle of a plane triangle", IEEE Trans. Biomed. Eng. 1983.
 */
function halfAngle(p: Float32Array, at: Vec3, corners: readonly number[]): number {
  const [a, b, c] = corners.map((v): Vec3 => [p[v * 3] - at[0], p[v * 3 + 1] - at[1], p[v * 3 + 2] - at[2]]);
  const [la, lb, lc] = [length(a), length(b), length(c)];
  return Math.atan2(dot(a, cross(b, c)), la * lb * lc + dot(a, b) * lc + dot(b, c) * la + dot(c, a) * lb);
}

/** Four-cornered faces as seen from afar: where they are, how large and which way they look, how far off is far. */
function facesOf(p: Float32Array, quads: readonly number[][]) {
  return quads.map((corners) => {
    const [a, b, c, d] = corners.map((v): Vec3 => [p[v * 3], p[v * 3 + 1], p[v * 3 + 2]]);
    const [one, other] = [sub(c, a), sub(d, b)];
    const middle = scale(add(add(a, b), add(c, d)), 1 / 4);
    return {
      corners,
      middle,
      area: scale(cross(one, other), 1 / 2),
      far: 64 * Math.max(dot(one, one), dot(other, other)),
    };
  });
}

/**
 * How often a mesh winds around a point: 1 inside, 0 outside. A face eight times its size away is taken as a point that looks its way.
 * Source: A. Jacobson et al., "Robust inside-outside segmentation using generalized winding numbers", SIGGRAPH 2013;
 * G. Barill et al., "Fast winding numbers for soups and clouds", SIGGRAPH 2018.
 */
function winding(p: Float32Array, faces: ReturnType<typeof facesOf>, at: Vec3): number {
  let sum = 0;
  for (const { corners, middle, area, far } of faces) {
    const [x, y, z] = [middle[0] - at[0], middle[1] - at[1], middle[2] - at[2]];
    const square = x * x + y * y + z * z;
    if (square > far) sum += (area[0] * x + area[1] * y + area[2] * z) / (2 * square * Math.sqrt(square));
    else {
      const [a, b, c, d] = corners;
      sum += halfAngle(p, at, [a, b, c]) + halfAngle(p, at, [a, c, d]);
    }
  }
  return sum / (2 * Math.PI);
}

/** Millimeters of a figure's scale in head heights. */
const MM = 1 / 225;

/** How far a hand is from where its pose wants it, head heights. */
function miss(pose: Pose, rig: Rig, side: 'L' | 'R'): number {
  const target = pose.ik?.[`arm${side}`];
  if (!target) return 0;
  const goal = target.rel
    ? add(rig.pos[target.rel], rotate(rig.rot[target.rel], onBone(rig.build, target.rel, target.pos)))
    : scale(target.pos, buildFactor(rig));
  const hand = `hand.${side}`;
  const at = target.by
    ? rotate(rig.rot[hand], onBone(rig.build, hand, handPoint(target.by, side)))
    : ([0, 0, 0] as Vec3);
  return length(sub(goal, add(rig.pos[hand], at)));
}

/** Share of a hand or forearm that is inside flesh other than its own arm's; a forearm may have the other hand on it. */
function inside(p: Float32Array, kind: 'hand' | 'farm', side: Side): number {
  const own = (['hand', 'farm', 'uarm'] as const).map((part) => partNumber(`${part}.${side}`));
  if (kind === 'farm') own.push(partNumber(`hand.${side === 'L' ? 'R' : 'L'}`));
  const asked = KIT.members[partNumber(`${kind}.${side}`)].filter((_, i) => i % EVERY[kind] === 0);
  const lo = [0, 1, 2].map((k) => Math.min(...Array.from(asked, (v) => p[v * 3 + k])) - NEAR);
  const hi = [0, 1, 2].map((k) => Math.max(...Array.from(asked, (v) => p[v * 3 + k])) + NEAR);
  const others = QUADS.filter(([v]) => !own.includes(KIT.parts[v]) && v < KIT.mesh.firstEye);
  if (!others.some(([v]) => [0, 1, 2].every((k) => p[v * 3 + k] > lo[k] && p[v * 3 + k] < hi[k]))) return 0;
  const flesh = facesOf(p, others);
  return asked.filter((v) => winding(p, flesh, [p[v * 3], p[v * 3 + 1], p[v * 3 + 2]]) > 0.5).length / asked.length;
}

const byName = (figures: readonly FigureReference[]) => [
  ...new Map(figures.map((f) => [`${f.poseId} as ${f.build}`, f])),
];
const WHOLE = new Set(byName(WHOLE_FIGURES).map(([name]) => name));
/** Whole bodies, as they were posed below: their arms are looked at after. */
const bodies: { name: string; pose: Pose; positions: Float32Array }[] = [];

describe('everybody who plays', () => {
  it.each(byName(SET_FIGURES))(
    '%s keeps within joint limits, touches what it touches, and stands',
    (name, { poseId, build }) => {
      const { pose } = poseOf(poseId);
      const { rig, positions } = poseBody(KIT, pose, BUILDS[build]);
      if (WHOLE.has(name)) bodies.push({ name, pose, positions });
      // Arms wrapped far around something turn the shoulder up to ten degrees further than the table's comfort.
      const broken = brokenLimits(rig).filter((b) => !/shoulder twist at -?(9\d|10[0-5]) /.test(b));
      expect(broken).toEqual([]);
      for (const side of SIDES) {
        expect(miss(pose, rig, side), `hand ${side}`).toBeLessThan(0.13);
        const leg = pose.ik?.[`leg${side}`];
        if (leg?.floor === undefined) continue;
        const gap = Math.min(...soleContacts(rig, side).map(([, y]) => y)) - leg.floor * buildFactor(rig);
        // Pressed in by 4 mm, which the surface flattens away; never above the floor.
        expect(gap, `foot ${side}`).toBeLessThan(0);
        expect(gap, `foot ${side}`).toBeGreaterThan(-6 * MM);
      }
      if (!pose.moving && pose.support === undefined) expect(imbalance(pose, rig)).toBeLessThan(0.02);
    },
  );
});

describe('arms of everybody who plays', () => {
  it('are all looked at, and flesh is told from air', () => {
    expect(bodies.length).toBe(WHOLE.size);
    const [{ positions }] = bodies;
    const trunk = KIT.members[partNumber('torso')];
    const middle = [0, 1, 2].map((k) => trunk.reduce((sum, v) => sum + positions[v * 3 + k], 0) / trunk.length) as Vec3;
    const faces = facesOf(
      positions,
      QUADS.filter(([v]) => v < KIT.mesh.firstEye),
    );
    expect(winding(positions, faces, middle)).toBeCloseTo(1, 1);
    expect(winding(positions, faces, add(middle, [3, 0, 3]))).toBeCloseTo(0, 1);
  });
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
