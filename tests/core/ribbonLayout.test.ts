import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { plannedRibbon } from '@/core/practice/time/ribbon';
import { sumPlan } from '@/core/practice/time/sums';
import { brushBand, brushStroke } from '@/ui/brush';
import { layOutLine, layOutWrapped, positionAt } from '@/ui/ribbon/layout';
import { anyPlan, planOf, poses, rest } from './plans';

const measure = { widthPx: 1000, floorPx: 20, gapPx: 8 };
const flat = (layout: ReturnType<typeof layOutLine>) => layout.lines.flatMap((l) => l.blocks.flatMap((b) => b.cells));

describe('layOutLine', () => {
  it('fills the width exactly, with no cell narrower than the floor while there is room', () => {
    fc.assert(
      fc.property(anyPlan, (plan) => {
        const blocks = plannedRibbon(plan);
        const layout = layOutLine(blocks, measure);
        const cells = flat(layout);
        const last = cells[cells.length - 1];
        expect(last.x + last.width).toBeCloseTo(measure.widthPx, 3);
        const room = measure.widthPx - measure.gapPx * (blocks.length - 1);
        if (cells.length * measure.floorPx < room * 0.9)
          for (const c of cells) expect(c.width).toBeGreaterThanOrEqual(measure.floorPx - 1e-6);
        for (const c of cells) expect(c.width).toBeGreaterThanOrEqual(c.trueWidth - 1e-6);
      }),
    );
  });
  it('is proportional to time where nothing is floored', () => {
    const [a, b] = flat(layOutLine(plannedRibbon(planOf(poses(1, 57_000), rest(120_000))), measure));
    expect(b.width / a.width).toBeCloseTo(2, 6);
  });
  it('keeps to a scale it is given', () => {
    const layout = layOutLine(plannedRibbon(planOf(poses(2))), measure, 0.005);
    expect(layout.pxPerMs).toBe(0.005);
    expect(flat(layout)[0].width).toBe(37_000 * 0.005);
  });
});

describe('layOutWrapped', () => {
  it('breaks between cells, keeps every line within the width and every cell in order', () => {
    fc.assert(
      fc.property(anyPlan, (plan) => {
        const narrow = { widthPx: 320, floorPx: 20, gapPx: 6 };
        const blocks = plannedRibbon(plan);
        const layout = layOutWrapped(blocks, narrow);
        for (const { blocks: line } of layout.lines)
          for (const { cells } of line) for (const c of cells) expect(c.x + c.width).toBeLessThanOrEqual(320.5);
        expect(flat(layout).map((c) => c.cell)).toEqual(blocks.flatMap((b) => b.cells));
      }),
    );
  });
});

describe('positionAt', () => {
  it('never goes back and ends at the end', () => {
    fc.assert(
      fc.property(anyPlan, (plan) => {
        const layout = layOutLine(plannedRibbon(plan), measure);
        const { totalMs } = sumPlan(plan);
        let x = -1;
        for (let i = 0; i <= 20; i++) {
          const at = positionAt(layout, (totalMs * i) / 20).x;
          expect(at).toBeGreaterThanOrEqual(x - 1e-9);
          x = at;
        }
        expect(x).toBeCloseTo(measure.widthPx, 3);
      }),
    );
  });
});

describe('the brush', () => {
  it('draws the same band for the same seed, a closed path within its wander', () => {
    const shape = { x: 10, y: 20, width: 300, height: 40, seed: 3 };
    expect(brushBand(shape)).toBe(brushBand(shape));
    expect(brushBand({ ...shape, seed: 4 })).not.toBe(brushBand(shape));
    const points = brushBand(shape)
      .slice(1, -1)
      .split('L')
      .map((p) => p.split(',').map(Number));
    for (const [x, y] of points) {
      expect(x).toBeGreaterThan(0);
      expect(x).toBeLessThan(320);
      expect(y).toBeGreaterThan(15);
      expect(y).toBeLessThan(65);
    }
  });
  it('draws a stroke of no length without breaking', () => {
    expect(brushStroke([5, 5], [5, 5], 8, 1)).not.toContain('NaN');
  });
});
