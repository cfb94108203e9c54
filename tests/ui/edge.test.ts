import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cssPolygon, EDGE_INSET, edgePoint, edgeSection, edgeStrips } from '@/ui/edge';

const size = fc.tuple(fc.integer({ min: 200, max: 3000 }), fc.integer({ min: 200, max: 2000 }));

function contains(polygon: readonly (readonly [number, number])[], x: number, y: number): boolean {
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
          expect(contains(edgeSection(spent, w, h), x, y)).toBe(share > spent);
        },
      ),
    );
  });
});

describe('edgeStrips', () => {
  const holding = (strips: ReturnType<typeof edgeStrips>, x: number, y: number): number[] =>
    strips.flatMap((s, i) => (x >= s.x && x < s.x + s.width && y >= s.y && y < s.y + s.height ? [i] : []));
  it('are the whole border, and none lies over another', () => {
    fc.assert(
      fc.property(
        size,
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.integer({ min: 1, max: 33 }),
        ([w, h], share, depth) => {
          const { x, y } = edgePoint(share, w, h, depth);
          expect(holding(edgeStrips(w, h), x, y)).toHaveLength(1);
        },
      ),
    );
  });
  it('only the one that burns is cut: those before are burnt whole, those after not at all', () => {
    fc.assert(
      fc.property(
        size,
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        ([w, h], spent, share) => {
          const strips = edgeStrips(w, h);
          const { x, y } = edgePoint(share, w, h, EDGE_INSET);
          const [at] = holding(strips, x, y);
          fc.pre(Math.abs(spent - share) > 1e-3);
          if (strips[at].fromShare >= spent) expect(share).toBeGreaterThan(spent);
          if (strips[at].toShare <= spent) expect(share).toBeLessThan(spent);
        },
      ),
    );
    expect(edgeStrips(1000, 600).map((s) => s.fromShare)).toEqual(
      [...edgeStrips(1000, 600).map((s) => s.fromShare)].sort((a, b) => a - b),
    );
  });
  it('are cut in their own coordinates', () => {
    expect(
      cssPolygon(
        [
          [100, 20],
          [110.26, 30],
        ],
        90,
        10,
      ),
    ).toBe('polygon(10.0px 10.0px, 20.3px 20.0px)');
  });
});
