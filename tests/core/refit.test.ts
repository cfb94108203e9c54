import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { lookBackBlock, restBlock } from '@/core/practice/edit/newBlock';
import { poseLengths, type PosesRecipe, recipeSchema } from '@/core/practice/plan/recipe';
import { refit, reshapePoses, shiftLength } from '@/core/practice/fit/refit';
import { level, list, recipeWith, sumsOf } from './recipes';

const evening = recipeWith([
  level('quick', 8, 30_000, { leadInMs: 5000, changeMs: 5000 }),
  level('long', 4, 120_000, { leadInMs: 5000, changeMs: 5000 }),
  restBlock('rest', 120_000),
  { ...level('slow', 1, 600_000, { leadInMs: 5000 }), exercise: 'contour' },
  lookBackBlock('back', 60_000),
]);
const posesOf = (blocks: readonly { kind: string }[]): PosesRecipe[] =>
  blocks.filter((b): b is PosesRecipe => b.kind === 'poses');

describe('refit', () => {
  it('never exceeds the time and keeps blocks, their order and exercises', () => {
    fc.assert(
      fc.property(fc.integer({ min: 300, max: 7200 }), (seconds) => {
        const fitted = refit(evening, seconds * 1000);
        if (!fitted) return;
        expect(sumsOf(recipeSchema.parse(fitted.recipe)).totalMs).toBe(fitted.usedMs);
        expect(fitted.usedMs).toBeLessThanOrEqual(seconds * 1000);
        expect(fitted.recipe.blocks.map((b) => b.id)).toEqual(evening.blocks.map((b) => b.id));
        expect(posesOf(fitted.recipe.blocks).map((b) => b.exercise)).toEqual(
          posesOf(evening.blocks).map((b) => b.exercise),
        );
      }),
      { numRuns: 25 },
    );
  });
  it('counts every block as the timeline lays it out, sharpening, pots, hands and all', () => {
    const odd = recipeWith([
      level('a', 9, 60_000, { leadInMs: 3000, changeMs: 4000, settings: { sharpenEvery: 3, sharpenMs: 30_000 } }),
      level('b', 5, 60_000, { changeMs: 7000, settings: { atZero: 'pot', potMs: 240_000, startsBy: 'hand' } }),
      list('c', [0.5, 1, 5], { bothHands: true, lookMs: 15_000, changeMs: 5000 }),
    ]);
    for (const minutes of [12, 20, 31, 45]) {
      const fitted = refit(odd, minutes * 60_000);
      expect(fitted?.usedMs).toBe(sumsOf(fitted?.recipe ?? odd).totalMs);
      expect(fitted?.leftMs).toBeGreaterThanOrEqual(0);
      expect(fitted?.leftMs).toBeLessThan(60_000);
    }
  });
  it('fills forty minutes nearly to the second', () => {
    const fitted = refit(evening, 40 * 60_000);
    expect(fitted?.leftMs).toBeLessThan(10_000);
  });
  it('leaves a pinned block as it is', () => {
    const pinned = { ...evening, blocks: evening.blocks.map((b) => (b.id === 'long' ? { ...b, pinned: true } : b)) };
    const fitted = refit(pinned, 20 * 60_000);
    expect(fitted?.recipe.blocks[1]).toEqual(pinned.blocks[1]);
  });
  it('keeps a ladder a ladder', () => {
    const ladder = recipeWith([
      { ...level('l', 4, 60_000), lengths: { order: 'descend', fromMs: 60_000, toMs: 600_000, listMs: [] } },
    ]);
    const [block] = posesOf(refit(ladder, 9 * 60_000)?.recipe.blocks ?? []);
    const lengths = poseLengths(block);
    expect(lengths).toHaveLength(4);
    expect(lengths).toEqual(lengths.toSorted((a, b) => b - a));
  });
  it('makes room for the rests of a rest rule', () => {
    const ruled = { ...recipeWith([level('a', 10, 300_000)]), restRule: { everyMs: 600_000, restMs: 120_000 } };
    const fitted = refit(ruled, 30 * 60_000);
    expect(fitted?.usedMs).toBeLessThanOrEqual(30 * 60_000);
    expect(sumsOf(fitted?.recipe ?? ruled).restingMs).toBeGreaterThan(0);
  });
  it('says so when nothing fits', () => {
    expect(refit({ ...evening, blocks: evening.blocks.map((b) => ({ ...b, pinned: true })) }, 60_000)).toBeUndefined();
  });
});

describe('reshaping', () => {
  it('moves lengths along the duration steps, and takes evenly from a list', () => {
    expect([-1, 0, 1, 2].map((s) => shiftLength(60_000, s))).toEqual([45_000, 60_000, 90_000, 120_000]);
    expect(shiftLength(10_000, -3)).toBe(10_000);
    const block = list('a', [1, 2, 3, 5]);
    expect(poseLengths(reshapePoses(block, 0, 2))).toEqual([60_000, 180_000]);
    expect(poseLengths(reshapePoses(block, 1, 5))).toEqual([90_000, 180_000, 240_000, 420_000, 90_000]);
  });
  it('shrinks a pot with its count', () => {
    const pot = level('a', 4, 60_000, { settings: { atZero: 'pot', potMs: 240_000 } });
    expect(reshapePoses(pot, 0, 2).settings.potMs).toBe(120_000);
  });
});
