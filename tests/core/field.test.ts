import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { BUILDS } from '@/core/figure/skeleton/builds';
import { compileField } from '@/core/figure/surface/compile';
import { type Field, fieldDistance, partDistances, primitiveDistance, SHAPE } from '@/core/figure/surface/field';
import { poseSkeleton } from '@/core/figure/skeleton/kinematics';
import { coarseGrid, bakeOcclusion, contactMap } from '@/core/figure/surface/occlusion';
import { PARTS, Sculptor } from '@/core/figure/surface/sculptor';
import { fieldBounds, meshSurface } from '@/core/figure/surface/surface';
import type { Vec3 } from '@/core/figure/skeleton/vector';

const rig = poseSkeleton({}, BUILDS.masc);
const sculpt = (work: (s: Sculptor) => void): Field => {
  const s = new Sculptor();
  work(s);
  return compileField(s.primitives, rig);
};
const all = (f: Field): Int16Array => Int16Array.from({ length: f.count }, (_, i) => i);
const distance = (f: Field, [x, y, z]: Vec3): number => fieldDistance(f, all(f), f.count, x, y, z);
const chest = rig.pos.chest;
const near = (dx: number, dy: number, dz: number): Vec3 => [chest[0] + dx, chest[1] + dy, chest[2] + dz];
/** A ball of radius 0.5 on the chest bone's own origin. */
const ball = (s: Sculptor): void => s.ellipsoid('torso', 'chest', [0, 5.08, -0.14], [0.5, 0.5, 0.5], {});

describe('an ellipsoid', () => {
  it('that is a ball has the exact distance of a ball', () => {
    const f = sculpt(ball);
    fc.assert(
      fc.property(
        fc.double({ min: 0.2, max: 2, noNaN: true }),
        fc.double({ min: -3, max: 3, noNaN: true }),
        (r, turn) => {
          expect(distance(f, near(r * Math.cos(turn), r * Math.sin(turn), 0))).toBeCloseTo(r - 0.5, 6);
        },
      ),
    );
    expect(distance(f, near(0, 0, 0))).toBeCloseTo(-0.5, 3);
  });
  it('that is long is zero on its surface along each axis', () => {
    const f = sculpt((s) => s.ellipsoid('torso', 'chest', [0, 5.08, -0.14], [0.2, 0.7, 0.4], {}));
    for (const p of [near(0.2, 0, 0), near(0, 0.7, 0), near(0, 0, -0.4)]) expect(distance(f, p)).toBeCloseTo(0, 6);
  });
  it('is cut by a plane, keeping the side that the normal points away from', () => {
    const f = sculpt((s) =>
      s.ellipsoid('torso', 'chest', [0, 5.08, -0.14], [0.5, 0.5, 0.5], {
        clip: { n: [0, -1, 0], p: [0, 5.08, -0.14] },
      }),
    );
    expect(distance(f, near(0, 0.3, 0))).toBeGreaterThan(0.2);
    expect(distance(f, near(0, -0.3, 0))).toBeLessThan(-0.1);
  });
});

describe('a tube', () => {
  const straight = sculpt((s) =>
    s.tube('torso', ['chest', [0, 5.08, -0.14]], ['chest', [0, 6.08, -0.14]], { r0: 0.1, r1: 0.2, vol: 0 }),
  );
  it('has its radii at its ends', () => {
    expect(distance(straight, near(0.1, 0, 0))).toBeCloseTo(0, 3);
    expect(distance(straight, near(0.2, 1, 0))).toBeCloseTo(0, 3);
    expect(distance(straight, near(0.15, 0.5, 0))).toBeCloseTo(0, 3);
  });
  it('swells in the middle when a radius is given there, and more when its ends come together', () => {
    const swollen = (vol: number, bend: number): number => {
      const s = new Sculptor();
      s.tube('uarm.L', ['uarm.L', [0.8, 5.5, -0.12]], ['farm.L', [0.83, 4.3, -0.14]], {
        r0: 0.05,
        r1: 0.05,
        rm: 0.2,
        vol,
        flat: [1, 1],
      });
      const f = compileField(s.primitives, poseSkeleton({ elL: [bend, 0] }, BUILDS.masc));
      return f.params[17];
    };
    expect(swollen(0, 0)).toBeGreaterThan(0.1);
    expect(swollen(0.5, 120)).toBeGreaterThan(swollen(0.5, 0));
    expect(swollen(0, 120)).toBeCloseTo(swollen(0, 0), 9);
  });
});

describe('relief', () => {
  it('raises and hollows the surface by its amplitude and no further than its reach', () => {
    const f = sculpt((s) => {
      ball(s);
      s.bump('torso', 'chest', [0.5, 5.08, -0.14], [0.1, 0.1, 0.1], 0.05);
      s.groove('torso', ['chest', [-0.5, 4.98, -0.14]], ['chest', [-0.5, 5.18, -0.14]], 0.08, -0.03, { fade: 0 });
    });
    expect(distance(f, near(0.5, 0, 0))).toBeCloseTo(-0.05, 6);
    expect(distance(f, near(-0.5, 0, 0))).toBeCloseTo(0.03, 6);
    expect(distance(f, near(0, 0.5, 0))).toBeCloseTo(0, 6);
  });
});

describe('blending', () => {
  it('fills the crease between two masses of a part, and never past either', () => {
    const two = (k: number): Field =>
      sculpt((s) => {
        for (const x of [-0.45, 0.45]) s.ellipsoid('torso', 'chest', [x, 5.08, -0.14], [0.5, 0.5, 0.5], { k });
      });
    const crease = near(0, 0.28, 0);
    expect(distance(two(0.2), crease)).toBeLessThan(distance(two(0.001), crease) - 0.01);
    fc.assert(
      fc.property(
        fc.double({ min: -1.5, max: 1.5, noNaN: true }),
        fc.double({ min: -1, max: 1, noNaN: true }),
        (x, y) => {
          const plain = distance(two(0.001), near(x, y, 0));
          const soft = distance(two(0.2), near(x, y, 0));
          expect(soft).toBeLessThanOrEqual(plain + 1e-6);
          expect(soft).toBeGreaterThan(plain - 0.2 / 6 - 0.002);
        },
      ),
    );
  });
  it('never melts parts that only touch: a hand on the chest stays a hand', () => {
    const f = sculpt((s) => {
      ball(s);
      s.ellipsoid('hand.L', 'chest', [0.55, 5.08, -0.14], [0.1, 0.1, 0.1], { k: 0.2 });
    });
    const parts = partDistances(f, all(f), f.count, ...near(0.47, 0.09, 0));
    const torso = parts[PARTS.indexOf('torso')];
    const hand = parts[PARTS.indexOf('hand.L')];
    expect(distance(f, near(0.47, 0.09, 0))).toBe(Math.min(torso, hand));
  });
});

describe('a compiled field', () => {
  const f = sculpt((s) => {
    ball(s);
    s.pair(() => {
      s.tube('thigh.L', ['thigh.L', [0.4, 4, 0]], ['calf.L', [0.37, 2, 0]], { r0: 0.2, r1: 0.1, k: 0.1 });
      s.loft(
        'calf.L',
        'calf.L',
        [
          [2.1, 0.37, 0, 0.2, 0.2, 0.2, 0.2],
          [1.2, 0.37, 0, 0.2, 0.15, 0.2, 0.15],
          [0.4, 0.37, 0, 0.1, 0.1, 0.1, 0.1],
        ],
        { cap0: 0.1, cap1: 0.1 },
      );
    });
  });
  it('is mirrored from the left to the right', () => {
    for (const [x, y, z] of [
      [0.5, 3, 0.1],
      [0.4, 1.3, -0.2],
      [0.2, 2.2, 0],
    ] as const)
      expect(distance(f, [x, y, z])).toBeCloseTo(distance(f, [-x, y, z]), 9);
  });
  it('bounds every primitive by its sphere', () => {
    for (let i = 0; i < f.count; i++) {
      const c = f.center.slice(i * 3, i * 3 + 3);
      for (let n = 0; n < 40; n++) {
        const [a, b] = [n * 2.399, Math.acos(1 - (2 * (n + 0.5)) / 40)];
        const r = f.radius[i] * 1.001;
        const at: Vec3 = [
          c[0] + r * Math.cos(a) * Math.sin(b),
          c[1] + r * Math.cos(b),
          c[2] + r * Math.sin(a) * Math.sin(b),
        ];
        expect(primitiveDistance(f, i, ...at)).toBeGreaterThan(-1e-6);
      }
    }
  });
  it('reaches at least as far as the blends that follow in its part', () => {
    for (let i = 0; i + 1 < f.count; i++)
      if (f.part[i] === f.part[i + 1] && f.shape[i + 1] < SHAPE.bump)
        expect(f.reach[i]).toBeGreaterThanOrEqual(f.reach[i + 1]);
  });
});

describe('meshing a ball', () => {
  const f = sculpt(ball);
  const surface = meshSurface(f, 0.08, []);
  it('puts every vertex on it and every normal along the radius', () => {
    const { positions: p, normals: n } = surface;
    expect(p.length).toBeGreaterThan(900);
    for (let i = 0; i < p.length; i += 3) {
      const d: Vec3 = [p[i] - chest[0], p[i + 1] - chest[1], p[i + 2] - chest[2]];
      const r = Math.hypot(...d);
      expect(r).toBeCloseTo(0.5, 3);
      expect((d[0] * n[i] + d[1] * n[i + 1] + d[2] * n[i + 2]) / r).toBeGreaterThan(0.999);
    }
  });
  it('has the Euler characteristic of a ball', () => {
    const edges = new Set<string>();
    const { indices } = surface;
    for (let t = 0; t < indices.length; t += 3)
      for (let k = 0; k < 3; k++)
        edges.add([indices[t + k], indices[t + ((k + 1) % 3)]].sort((a, b) => a - b).join(' '));
    expect(surface.positions.length / 3 - edges.size + indices.length / 3).toBe(2);
  });
  it('is finer inside a patch, with the same surface', () => {
    const fine = meshSurface(f, 0.08, [{ center: near(0, 0.5, 0), radius: 0.45, h: 0.03 }]);
    expect(fine.positions.length).toBeGreaterThan(surface.positions.length * 1.5);
    for (let i = 0; i < fine.positions.length; i += 3)
      expect(
        Math.hypot(fine.positions[i] - chest[0], fine.positions[i + 1] - chest[1], fine.positions[i + 2] - chest[2]),
      ).toBeCloseTo(0.5, 2);
  });
  it('has the bounds of the ball', () => {
    const { lo, hi } = fieldBounds(f);
    lo.forEach((v, k) => expect(v).toBeCloseTo(chest[k] - 0.5, 6));
    hi.forEach((v, k) => expect(v).toBeCloseTo(chest[k] + 0.5, 6));
  });
  it('is open to the sky above and less so near the ground', () => {
    const grid = coarseGrid(f, [], 0);
    const ground = chest[1] - 0.5;
    const open = bakeOcclusion(surface, grid, ground);
    let [top, bottom] = [0, 1];
    for (let v = 0; v < open.length; v++) {
      const y = surface.positions[v * 3 + 1] - chest[1];
      if (y > 0.48) top = Math.max(top, open[v]);
      if (y < -0.48) bottom = Math.min(bottom, open[v]);
    }
    expect(top).toBeGreaterThan(0.95);
    expect(bottom).toBeLessThan(0.4);
    const { data, resolution } = contactMap(surface.positions, grid, ground, []);
    const middle = data[(resolution / 2) * resolution + resolution / 2];
    expect(middle).toBeGreaterThan(80);
    expect(data[0]).toBe(0);
  });
});
