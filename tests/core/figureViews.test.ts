import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { once } from '@/core/figure/mesh/once';
import { picked } from '@/core/figure/mesh/picked';
import { anotherView, LENS, moved, sameView, viewFrom } from '@/features/figure/views';

const view = { azimuthDeg: 170, elevationDeg: 6, lensDeg: 26 };
const reference = { poseId: 'head-level', build: 'fem', view } as const;

describe('a camera', () => {
  it('goes around and around, and stays within its heights and lenses', () => {
    const any = fc.double({ min: -700, max: 700, noNaN: true });
    fc.assert(
      fc.property(any, any, any, (turnDeg, raiseDeg, lensDeg) => {
        const seen = viewFrom(view, { turnDeg, raiseDeg, lensDeg });
        expect(Math.abs(seen.azimuthDeg)).toBeLessThanOrEqual(180);
        expect(seen.elevationDeg).toBeGreaterThanOrEqual(-15);
        expect(seen.elevationDeg).toBeLessThanOrEqual(75);
        expect(seen.lensDeg).toBeGreaterThanOrEqual(LENS.low);
        expect(seen.lensDeg).toBeLessThanOrEqual(LENS.high);
      }),
    );
  });
  it('stands between degrees while it is turned, and on whole ones where it is left', () => {
    expect(viewFrom(view, { turnDeg: 20.4 }).azimuthDeg).toBeCloseTo(-169.6, 9);
    expect(moved(reference, { turnDeg: 20.4, raiseDeg: 1.6 }).view).toEqual({
      azimuthDeg: -170,
      elevationDeg: 8,
      lensDeg: 26,
    });
  });
  it('sees the same to the degree, across the back too', () => {
    expect(sameView({ ...view, azimuthDeg: 179.7 }, { ...view, azimuthDeg: -180 })).toBe(true);
    expect(sameView(view, { ...view, elevationDeg: 8 })).toBe(false);
    expect(sameView(view, { ...view, lensDeg: 28 })).toBe(false);
    expect(sameView(view, anotherView(reference).view)).toBe(false);
  });
});

describe('what is worked out once', () => {
  it('is made at the first asking, and each by itself', () => {
    const asked: number[] = [];
    const double = once((n: number) => (asked.push(n), { n: 2 * n }));
    expect(double(3)).toBe(double(3));
    expect(double(4).n).toBe(8);
    expect(asked).toEqual([3, 4]);
  });
  it('gives the values of the vertices that are asked for, in that order', () => {
    expect([...picked(Float32Array.from([0, 1, 10, 11, 20, 21]), Uint32Array.from([2, 0]), 2)]).toEqual([20, 21, 0, 1]);
  });
});
