import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { CATALOGUE } from '@/core/figure/catalogue/catalogue';
import { frameSheet } from '@/core/practice/paper/frameSheet';
import { freshBlock } from '@/core/practice/edit/newBlock';
import { printSheet } from '@/core/practice/paper/printSheet';
import { layOutRecipe } from '@/core/practice/plan/layOut';
import { SHEET_SIZES, type Sheet, type SheetSize, USUAL_SHEET } from '@/core/practice/paper/sheet';
import { sheetsOf } from '@/core/practice/paper/sheets';
import { level, recipeWith, sumsOf } from './recipes';

const sizes = Object.keys(SHEET_SIZES) as SheetSize[];
const A4: Sheet = { ...USUAL_SHEET, size: 'A4', marginMm: 10 };

describe('small plans in frames', () => {
  it('are six of one size on A4, three rows of two on the upright sheet, each with the proportions of the large sheet', () => {
    const { turned, frames } = frameSheet(6, A4, 'A2', false);
    expect(turned).toBe('portrait');
    expect(new Set(frames.map((f) => f.yMm.toFixed(3))).size).toBe(3);
    expect(new Set(frames.map((f) => f.xMm.toFixed(3))).size).toBe(2);
    for (const f of frames) expect(f.widthMm / f.heightMm).toBeCloseTo(594 / 420, 9);
    // (210 − 2 · 10 − 8) / 2; lying, three in a row would be 87.
    expect(frames[0].widthMm).toBeCloseTo(91, 9);
  });
  it('lie inside the margins and apart from each other, all alike, whatever the sheet', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 12 }),
        fc.constantFrom(...sizes),
        fc.constantFrom(...sizes),
        fc.integer({ min: 0, max: 25 }),
        fc.boolean(),
        (count, size, planFor, marginMm, upright) => {
          const map = frameSheet(count, { ...USUAL_SHEET, size, marginMm }, planFor, upright);
          expect(map.frames).toHaveLength(count);
          map.frames.forEach((f, i) => {
            expect(f.widthMm).toBeCloseTo(map.frames[0].widthMm, 9);
            expect(f.widthMm > f.heightMm).toBe(!upright);
            expect(f.xMm).toBeGreaterThanOrEqual(marginMm - 1e-6);
            expect(f.yMm).toBeGreaterThanOrEqual(marginMm - 1e-6);
            expect(f.xMm + f.widthMm).toBeLessThanOrEqual(map.widthMm - marginMm + 1e-6);
            expect(f.yMm + f.heightMm).toBeLessThanOrEqual(map.heightMm - marginMm + 1e-6);
            for (const g of map.frames.slice(i + 1))
              expect(f.xMm + f.widthMm <= g.xMm + 1e-6 || f.yMm + f.heightMm <= g.yMm + 1e-6).toBe(true);
          });
        },
      ),
      { numRuns: 200 },
    );
  });
  it('are never smaller than with any other number of columns', () => {
    for (const count of [3, 4, 5, 6]) {
      const best = frameSheet(count, A4, 'A3', true).frames[0];
      // By hand: every grid of one sheet, either way round.
      for (const [w, h] of [
        [297, 210],
        [210, 297],
      ])
        for (let columns = 1; columns <= count; columns++) {
          const rows = Math.ceil(count / columns);
          const width = Math.min(
            (w - 20 - 8 * (columns - 1)) / columns,
            ((h - 20 - 8 * (rows - 1)) / rows) * (297 / 420),
          );
          expect(best.widthMm).toBeGreaterThanOrEqual(width - 1e-9);
        }
    }
  });
  it('come with their exercise: all on one sheet unless it is said otherwise, planned for the sheet in use, told on paper and printed to be drawn on', () => {
    const block = freshBlock('b', 'small-plans', { size: 'A2' });
    expect(block).toMatchObject({
      count: 4,
      source: { kind: 'same picture' },
      settings: { framesFor: 'A2' },
    });
    const six = recipeWith([{ ...block, count: 6 }], { sheet: A4 });
    expect(sheetsOf(six, {}).map((s) => s.referenceIds.length)).toEqual([6]);
    const recipe = recipeWith(
      [{ ...block, count: 6, settings: { ...block.settings, perSheet: 4 } }, level('l', 2, 60_000)],
      { sheet: A4 },
    );
    expect(sheetsOf(recipe, {}).map((s) => [s.referenceIds.length, s.framesFor])).toEqual([
      [4, 'A2'],
      [2, 'A2'],
      [1, undefined],
      [1, undefined],
    ]);
    const { plan } = layOutRecipe(recipe, {});
    const { frameSheets } = printSheet({ plan, startsAtMinute: null, sheet: A4, shapes: {} });
    expect(frameSheets.map((s) => s.frames.length)).toEqual([4, 2]);
  });
});

describe('the way a small plan stands', () => {
  const printed = (reference: string, shapes: Record<string, { width: number; height: number }> = {}): boolean => {
    const recipe = recipeWith([freshBlock('b', 'small-plans', { size: 'A2' })], { sheet: A4 });
    const { plan } = layOutRecipe(recipe, { b: Array.from({ length: 4 }, () => reference) });
    const [{ frames }] = printSheet({ plan, startsAtMinute: null, sheet: A4, shapes }).frameSheets;
    return frames[0].heightMm > frames[0].widthMm;
  };
  it('is that of the figure: one of the sets, one in a picture, and upright where it is not known', () => {
    const lying = CATALOGUE.find(({ small: [width, height] }) => width > height);
    const standing = CATALOGUE.find(({ small: [width, height] }) => height > width);
    expect([printed(lying?.id ?? ''), printed(standing?.id ?? '')]).toEqual([false, true]);
    expect(printed('picture/a', { 'picture/a': { width: 300, height: 200 } })).toBe(false);
    expect(printed('picture/a')).toBe(true);
  });
});

describe('line, then tone', () => {
  it('is one pose in two drawings, 0:30 and 1:50, each with its name', () => {
    const recipe = recipeWith([{ ...freshBlock('b', 'line-then-tone', { size: 'A3' }), leadInMs: 0, changeMs: 0 }]);
    expect(sumsOf(recipe).totalMs).toBe(140_000);
    const [first] = layOutRecipe(recipe, { b: ['figure/x', 'figure/x'] }).plan.blocks;
    expect(first.kind === 'poses' && first.poses.map((p) => [p.label, p.drawMs, p.referenceId])).toEqual([
      ['line', 30_000, 'figure/x'],
      ['tone', 110_000, 'figure/x'],
    ]);
  });
});
