import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  inFigure,
  inWindow,
  pairWindows,
  type Pictured,
  turnedOnce,
  turnedOver,
  unturned,
  UPRIGHT,
} from '@/core/desk/pair';

const pictured = fc
  .record({
    width: fc.integer({ min: 100, max: 4000 }),
    height: fc.integer({ min: 100, max: 4000 }),
    left: fc.double({ min: 0, max: 0.4, noNaN: true }),
    top: fc.double({ min: 0, max: 0.4, noNaN: true }),
    right: fc.double({ min: 0.5, max: 1, noNaN: true }),
    bottom: fc.double({ min: 0.5, max: 1, noNaN: true }),
  })
  .map((p): Pictured => ({
    ...p,
    left: p.left * p.width,
    right: p.right * p.width,
    top: p.top * p.height,
    bottom: p.bottom * p.height,
  }));

describe('a pair', () => {
  it('shows both figures as tall, on one line, in windows of one shape', () => {
    fc.assert(
      fc.property(pictured, pictured, (one, other) => {
        const { a, b, aspect } = pairWindows(one, other);
        expect(a.width / a.height).toBeCloseTo(aspect, 9);
        expect(b.width / b.height).toBeCloseTo(aspect, 9);
        const tall = (p: Pictured, w: typeof a): number => (p.bottom - p.top) / w.height;
        expect(tall(one, a)).toBeCloseTo(tall(other, b), 9);
        const foot = (p: Pictured, w: typeof a): number => (p.bottom - w.top) / w.height;
        expect(foot(one, a)).toBeCloseTo(foot(other, b), 9);
        for (const [p, w] of [
          [one, a],
          [other, b],
        ] as const) {
          expect(w.left).toBeLessThanOrEqual(p.left + 1e-9);
          expect(w.left + w.width).toBeGreaterThanOrEqual(p.right - 1e-9);
        }
      }),
    );
  });
  it('a line through one figure lies at the same share of the other', () => {
    fc.assert(
      fc.property(pictured, pictured, fc.double({ min: 0, max: 1, noNaN: true }), (one, other, share) => {
        const { a, b } = pairWindows(one, other);
        const at = inWindow(other, b, inFigure(one, a, inWindow(one, a, [share, share])));
        const x = b.left + at[0] * b.width;
        expect((x - other.left) / (other.right - other.left)).toBeCloseTo(share, 6);
      }),
    );
  });
  it('turned four times, or over twice, is as it was', () => {
    let turned = UPRIGHT;
    for (let i = 0; i < 4; i++) turned = turnedOnce(turned);
    expect(turned).toEqual(UPRIGHT);
    expect(turnedOver(turnedOver(UPRIGHT))).toEqual(UPRIGHT);
  });
  it('a press on a turned plate is found in what it shows', () => {
    expect(unturned(UPRIGHT, [0.2, 0.3])).toEqual([0.2, 0.3]);
    expect(unturned(turnedOver(UPRIGHT), [0.2, 0.3])).toEqual([0.8, 0.3]);
    // Turned to the right, the upper left corner of what is shown is at the upper right.
    const [u, v] = unturned(turnedOnce(UPRIGHT), [1, 0]);
    expect([u, v]).toEqual([0, 0]);
    expect(unturned(turnedOnce(turnedOnce(UPRIGHT)), [0.2, 0.3])).toEqual([0.8, 0.7]);
  });
});
