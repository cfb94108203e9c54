import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { EDGE_INSET, edgePoint, edgeSection } from '@/ui/edge';

const size = fc.tuple(fc.integer({ min: 200, max: 3000 }), fc.integer({ min: 200, max: 2000 }));

/** Points of a CSS polygon. */
const points = (polygon: string): [number, number][] =>
  polygon.split(', ').map((p) => p.split(' ').map((v) => parseFloat(v)) as [number, number]);

function contains(polygon: [number, number][], x: number, y: number): boolean {
  let inside = false;
  for (let i = 0, j = polygon.length - 1; i < polygon.length; j = i++) {
    const [[xi, yi], [xj, yj]] = [polygon[i], polygon[j]];
    if (yi > y !== yj > y && x < ((xj - xi) * (y - yi)) / (yj - yi) + xi) inside = !inside;
  }
  return inside;
}

describe('edgePoint', () => {
  it('begins at top center and is at bottom center half way', () => {
    fc.assert(
      fc.property(size, ([w, h]) => {
        expect(edgePoint(0, w, h, EDGE_INSET)).toEqual({ x: w / 2, y: EDGE_INSET, horizontal: true });
        const half = edgePoint(0.5, w, h, EDGE_INSET);
        expect(half.x).toBeCloseTo(w / 2, 6);
        expect(half.y).toBe(h - EDGE_INSET);
      }),
    );
  });
  it('goes clockwise at an even pace', () => {
    fc.assert(
      fc.property(size, fc.double({ min: 0, max: 0.98, noNaN: true }), ([w, h], share) => {
        const total = 2 * (w + h - 4 * EDGE_INSET);
        const [a, b] = [edgePoint(share, w, h, EDGE_INSET), edgePoint(share + 0.01, w, h, EDGE_INSET)];
        // Round a corner the way is longer than the straight line between.
        expect(Math.hypot(a.x - b.x, a.y - b.y)).toBeLessThanOrEqual(total * 0.01 + 1e-6);
        expect(Math.abs(a.x - b.x) + Math.abs(a.y - b.y)).toBeCloseTo(total * 0.01, 4);
      }),
    );
    expect(edgePoint(0.1, 1000, 600, EDGE_INSET).x).toBeGreaterThan(500);
  });
});

describe('edgeSection', () => {
  it('holds what is still to burn and nothing that is burnt', () => {
    fc.assert(
      fc.property(
        size,
        fc.double({ min: 0.01, max: 0.99, noNaN: true }),
        fc.double({ min: 0.01, max: 0.99, noNaN: true }),
        ([w, h], spent, share) => {
          fc.pre(Math.abs(spent - share) > 0.02 && share > 0.02 && share < 0.98);
          const { x, y } = edgePoint(share, w, h, EDGE_INSET);
          expect(contains(points(edgeSection(spent, w, h)), x, y)).toBe(share > spent);
        },
      ),
    );
  });
});
