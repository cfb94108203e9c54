import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { burntPx, EDGE_INSET, edgePoint, type EdgeStrip, edgeStrips } from '@/ui/edge';

const size = fc.tuple(fc.integer({ min: 200, max: 3000 }), fc.integer({ min: 200, max: 2000 }));

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

describe('burntPx', () => {
  /** How far along its strip a point lies, from where the strip begins to burn. */
  const along = ({ x, y, width, height, along: [dx, dy] }: EdgeStrip, px: number, py: number): number =>
    dx > 0 ? px - x : dx < 0 ? x + width - px : dy > 0 ? py - y : y + height - py;
  it('leaves what is still to burn and nothing that is burnt', () => {
    fc.assert(
      fc.property(
        size,
        fc.double({ min: 0.01, max: 0.99, noNaN: true }),
        fc.double({ min: 0.01, max: 0.99, noNaN: true }),
        ([w, h], spent, share) => {
          fc.pre(Math.abs(spent - share) > 0.02 && share > 0.02 && share < 0.98);
          const { x, y } = edgePoint(share, w, h, EDGE_INSET);
          const strip = edgeStrips(w, h).find(
            (s) => x >= s.x && x < s.x + s.width && y >= s.y && y < s.y + s.height,
          ) as EdgeStrip;
          expect(along(strip, x, y) >= burntPx(strip, spent)).toBe(share > spent);
        },
      ),
    );
  });
  it('goes from nothing to the whole strip in whole pixels', () => {
    for (const strip of edgeStrips(900, 500)) {
      expect(burntPx(strip, strip.fromShare - 0.1)).toBe(0);
      expect(burntPx(strip, strip.toShare + 0.1)).toBe(strip.along[0] === 0 ? strip.height : strip.width);
      expect(burntPx(strip, 0.37) % 1).toBe(0);
    }
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
        // All around is where it begins again.
        fc.double({ min: 0, max: 1, maxExcluded: true, noNaN: true }),
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
});
