import { describe, expect, it } from 'vitest';
import * as edit from '@/core/practice/edit/edit';
import { lookBackBlock, restBlock } from '@/core/practice/edit/newBlock';
import { poseLengths, type PosesRecipe, type Recipe, recipeSchema } from '@/core/practice/plan/recipe';
import { level, list, recipeWith, sumsOf } from './recipes';

const recipe = recipeWith([
  level('a', 4, 60_000),
  restBlock('r', 60_000),
  list('b', [1, 2, 3, 4, 5]),
  level('c', 1, 120_000),
]);
const ids = (r: Recipe): string[] => r.blocks.map((b) => b.id);
const block = (r: Recipe, id: string): PosesRecipe => r.blocks.find((b) => b.id === id) as PosesRecipe;
let made = 0;
const newId = (): string => `new${String(made++)}`;

describe('editing a recipe', () => {
  it('moves one or several blocks before another, in their order', () => {
    expect(ids(edit.moveBlocks(recipe, ['c'], 0))).toEqual(['c', 'a', 'r', 'b']);
    expect(ids(edit.moveBlocks(recipe, ['a', 'b'], 4))).toEqual(['r', 'c', 'a', 'b']);
    expect(ids(edit.moveBlocks(recipe, ['a'], 0))).toEqual(ids(recipe));
  });
  it('duplicates behind the last, under ids of their own', () => {
    const twice = edit.duplicateBlocks(recipe, ['a', 'r'], newId);
    expect(ids(twice).slice(0, 2)).toEqual(['a', 'r']);
    expect(new Set(ids(twice)).size).toBe(6);
    expect(sumsOf(twice).totalMs - sumsOf(recipe).totalMs).toBe(5 * 60_000);
  });
  it('takes blocks out, to the last one', () => {
    expect(edit.removeBlocks(recipe, ['a', 'c'])).toMatchObject({ blocks: [{ id: 'r' }, { id: 'b' }] });
    expect(edit.removeBlocks(recipe, ids(recipe)).blocks).toEqual([]);
  });
  it('splits without changing the sum, and keeps what belongs to each pose', () => {
    const split = edit.splitBlock(recipe, 'b', 2, newId) as Recipe;
    expect(split.blocks).toHaveLength(5);
    expect(poseLengths(block(split, 'b'))).toEqual([60_000, 120_000]);
    expect(sumsOf(split).totalMs).toBe(sumsOf(recipe).totalMs);
    expect(recipeSchema.parse(split)).toEqual(split);
  });
  it('has nothing to split in a rest, a single pose, or a row for both hands', () => {
    const both = edit.updatePoses(recipe, ['a'], (b) => ({ ...b, bothHands: true }));
    expect([
      edit.splitBlock(recipe, 'r', 1, newId),
      edit.splitBlock(recipe, 'c', 1, newId),
      edit.splitBlock(both, 'a', 2, newId),
    ]).toEqual([undefined, undefined, undefined]);
  });
  it('changes all of a level block, but one pose of it when asked', () => {
    expect(poseLengths(edit.setBlockLength(block(recipe, 'a'), 1, 90_000))).toEqual([90_000, 90_000, 90_000, 90_000]);
    expect(poseLengths(edit.setPoseLength(block(recipe, 'a'), 1, 90_000))).toEqual([60_000, 90_000, 60_000, 60_000]);
    expect(edit.setPoseLength(block(recipe, 'c'), 0, 60_000).lengths.order).toBe('level');
  });
  it('steps lengths up and down together, and back to where they were', () => {
    for (const b of recipe.blocks) expect(edit.stepBlock(edit.stepBlock(b, 1), -1)).toEqual(b);
    expect(edit.stepBlock(restBlock('x', 60_000), 1)).toMatchObject({ durationMs: 90_000 });
  });
  it('changes the order of lengths, a list beginning as what there was', () => {
    expect(poseLengths(edit.withOrder(block(recipe, 'b'), 'own list'))).toEqual(poseLengths(block(recipe, 'b')));
    const climb = poseLengths(edit.withOrder(block(recipe, 'c'), 'climb'));
    expect(climb).toHaveLength(4);
    expect(climb[3]).toBeGreaterThan(climb[0]);
    expect(poseLengths(edit.withOrder(block(recipe, 'b'), 'level'))).toEqual([60_000, 60_000, 60_000, 60_000, 60_000]);
  });
  it('lengthens a list with its last length', () => {
    expect(poseLengths(edit.withCount(block(recipe, 'b'), 6)).at(-1)).toBe(300_000);
    expect(poseLengths(edit.withCount(block(recipe, 'b'), 1))).toEqual([60_000]);
  });
  it('repeats everything in another medium, and only that changes', () => {
    const mixed = edit.updatePoses(recipe, ['a'], (b) => ({ ...b, settings: { medium: 'ballpoint', warnMs: 5000 } }));
    const inInk = edit.inMedium(mixed, 'ink and brush');
    expect(inInk.medium).toBe('ink and brush');
    expect(block(inInk, 'a').settings).toEqual({ warnMs: 5000 });
    expect(sumsOf(inInk)).toEqual(sumsOf(mixed));
    expect(edit.inMedium(inInk, 'pencil').title.match(/, in /g)).toHaveLength(1);
  });
});

describe('something new', () => {
  const rest = restBlock('r', 60_000);
  const lookBack = lookBackBlock('l', 60_000);
  it('goes behind what is chosen, before the look back, or to the end', () => {
    const blocks = [level('a', 1, 60_000), level('b', 1, 60_000)];
    const ending = recipeWith([...blocks, lookBack]);
    expect(edit.placeForNew(ending, ['a'])).toBe(1);
    expect(edit.placeForNew(ending, ['a', 'l'])).toBe(3);
    expect(edit.placeForNew(ending, [])).toBe(2);
    expect(edit.placeForNew(recipeWith([lookBack, ...blocks]), [])).toBe(3);
    expect(edit.placeForNew(recipeWith([...blocks, rest]), [])).toBe(3);
  });
});
