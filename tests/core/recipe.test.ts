import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { layOutRecipe } from '@/core/practice/plan/layOut';
import { lookBackBlock, posesBlock, restBlock } from '@/core/practice/edit/newBlock';
import { poseExercise } from '@/core/practice/rules/poseExercise';
import { lengthsOf, poseLengths, rowLengths } from '@/core/practice/plan/recipe';
import { needsPictures } from '@/core/practice/plan/needsPictures';
import { recipeOf } from '@/core/practice/plan/recipeOf';
import { planSchema } from '@/core/practice/plan/schema';
import { expandPlan, segmentMs } from '@/core/practice/time/timeline';
import { level, list, recipeWith, sumsOf } from './recipes';

const MIN = 60_000;
const minutes = (block: Parameters<typeof poseLengths>[0]) => poseLengths(block).map((ms) => ms / MIN);
const ordered = (order: 'climb' | 'descend' | 'arch', count: number, from: number, to: number) => ({
  ...level('a', count, MIN),
  lengths: { order, fromMs: from * MIN, toMs: to * MIN, listMs: [] },
});

describe('lengths of a block', () => {
  it('climb, descend and arch along the duration steps', () => {
    expect(minutes(ordered('descend', 4, 1, 10))).toEqual([10, 5, 2, 1]);
    expect(minutes(ordered('climb', 4, 1, 10))).toEqual([1, 2, 5, 10]);
    expect(minutes(ordered('arch', 5, 1, 5))).toEqual([1, 2, 5, 2, 1]);
    expect(minutes(ordered('arch', 4, 1, 5))).toEqual([1, 5, 5, 1]);
    expect(minutes(ordered('climb', 1, 2, 5))).toEqual([2]);
  });
  it('double when the other hand has its turn, and say which hand', () => {
    const block = list('a', [0.5, 1, 5], { bothHands: true });
    expect(minutes(block)).toEqual([0.5, 1, 5, 0.5, 1, 5]);
    const { plan } = layOutRecipe(recipeWith([block]), {});
    const hands = [0, 3].map((poseIndex) => poseExercise(plan, { blockIndex: 0, poseIndex })?.rule.hand);
    expect(hands).toEqual(['usual', 'other']);
  });
});

describe('sums of what practitioners build', () => {
  const total = (...blocks: Parameters<typeof recipeWith>[0]) => sumsOf(recipeWith(blocks)).totalMs;
  it('ten of two minutes are twenty minutes of an evening', () => {
    expect(total(level('a', 10, 2 * MIN))).toBe(20 * MIN);
  });
  it('fives and a ten with two gaps of twenty seconds are 20:40', () => {
    expect(total(list('a', [5, 5, 10], { changeMs: 20_000 }))).toBe(20 * MIN + 40_000);
  });
  it('a rising ladder is sixteen minutes, with four gaps of forty-five seconds nineteen', () => {
    expect(total(list('a', [2, 2, 3, 4, 5]))).toBe(16 * MIN);
    expect(total(list('a', [2, 2, 3, 4, 5], { changeMs: 45_000 }))).toBe(19 * MIN);
  });
  it('a falling ladder shows one picture all the way', () => {
    const block = ordered('descend', 4, 1, 10);
    expect(total(block)).toBe(18 * MIN);
    const { plan } = layOutRecipe(recipeWith([block]), { a: ['p', 'p', 'p', 'p'] });
    expect(plan.blocks[0].kind === 'poses' && plan.blocks[0].poses.map((p) => p.referenceId)).toEqual([
      'p',
      'p',
      'p',
      'p',
    ]);
  });
  it('a pot shares its time to the millisecond', () => {
    const pot = (count: number) =>
      recipeWith([level('a', count, MIN, { settings: { atZero: 'pot', potMs: 20 * MIN } })]);
    const shares = expandPlan(layOutRecipe(pot(3), {}).plan).segments.map(segmentMs);
    expect(shares).toEqual([400_000, 400_000, 400_000]);
    expect(sumsOf(pot(7)).totalMs).toBe(20 * MIN);
  });
  it('fourteen poses have thirteen gaps', () => {
    expect(sumsOf(recipeWith([level('a', 14, MIN, { changeMs: 8000 })])).changingMs).toBe(104_000);
  });
  it('sharpening after every fourth of ten adds a minute', () => {
    const settings = { sharpenEvery: 4, sharpenMs: 30_000 };
    expect(total(level('a', 10, MIN, { settings })) - total(level('a', 10, MIN))).toBe(MIN);
  });
  it('an open part makes the total a least one', () => {
    const sums = sumsOf(recipeWith([level('a', 1, 3 * MIN), level('b', 1, 5 * MIN, { settings: { atZero: 'open' } })]));
    expect([sums.atLeastMs, sums.totalMs]).toEqual([3 * MIN, 8 * MIN]);
  });
  it('a look of fifteen seconds before a minute is not drawing', () => {
    const sums = sumsOf(recipeWith([level('a', 1, MIN, { lookMs: 15_000 })]));
    expect([sums.lookingMs, sums.drawingMs, sums.totalMs]).toEqual([15_000, MIN, 75_000]);
  });
  it('looking back is looking, not resting', () => {
    const sums = sumsOf(recipeWith([level('a', 1, MIN), lookBackBlock('b', 30_000)]));
    expect([sums.lookingMs, sums.restingMs]).toEqual([30_000, 0]);
  });
});

describe('the rest rule', () => {
  const ruled = (blocks: Parameters<typeof recipeWith>[0]) =>
    layOutRecipe(recipeWith(blocks, { restRule: { everyMs: 20 * MIN, restMs: 2 * MIN } }), {});
  const rests = (blocks: Parameters<typeof recipeWith>[0]) =>
    ruled(blocks).plan.blocks.filter((b) => b.kind === 'rest').length;
  it('puts one rest into forty minutes, none at the end', () => {
    expect(rests([level('a', 8, 5 * MIN)])).toBe(1);
  });
  it('puts none where one stands already', () => {
    expect(rests([level('a', 4, 5 * MIN), restBlock('r', MIN), level('b', 4, 5 * MIN)])).toBe(1);
  });
  it('knows where each piece comes from', () => {
    expect(ruled([level('a', 8, 5 * MIN)]).origins).toEqual([
      { blockId: 'a', firstPose: 0 },
      { blockId: null, firstPose: 0 },
      { blockId: 'a', firstPose: 4 },
    ]);
  });
});

describe('alternating rules and labels', () => {
  it('are three and three, never two of a kind in a row', () => {
    const { plan } = layOutRecipe(recipeWith([{ ...level('a', 6, MIN), alternate: 'gesture-by-mass' }]), {});
    const kinds = Array.from({ length: 6 }, (_, poseIndex) => poseExercise(plan, { blockIndex: 0, poseIndex })?.id);
    expect(kinds).toEqual(Array.from({ length: 3 }, () => ['flowing-gesture', 'gesture-by-mass']).flat());
  });
});

describe('lengths of a row', () => {
  it('give it again, level where all are alike', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1000, max: 600_000 }), { minLength: 1, maxLength: 12 }), (row) => {
        const lengths = lengthsOf(row);
        expect(rowLengths({ count: row.length, lengths })).toEqual(row);
        expect(lengths.order === 'level').toBe(new Set(row).size === 1);
      }),
    );
  });
});

describe('a plan to a recipe and back', () => {
  it('has no pictures where there were none', () => {
    const kinds = (['none', 'own hand', 'imagination', 'live model'] as const).map((kind) => {
      const block = level('a', 2, MIN, { settings: { prompt: 'What is before you.' } });
      const { plan } = layOutRecipe(recipeWith([{ ...block, source: { ...block.source, kind } }]), {});
      const [again] = recipeOf(planSchema.parse(plan), 's', true).blocks;
      return again.kind === 'poses' && [again.source.kind, needsPictures(again), again.settings.prompt];
    });
    const words = 'What is before you.';
    expect(kinds).toEqual([
      ['none', false, words],
      ['none', false, words],
      ['none', false, words],
      ['live model', false, words],
    ]);
  });
  it('gives the same timeline and pictures, even with five rules', () => {
    const recipe = recipeWith([
      level('a', 3, MIN, { leadInMs: 3000, changeMs: 4000 }),
      list('b', [2, 3], { lookMs: 15_000 }),
      { ...posesBlock('c', 'draw-then-memory', 1), labels: ['x'] },
      restBlock('r', MIN),
      { ...posesBlock('d', 'blind-contour', 2), bothHands: true },
      level('e', 2, MIN, { settings: { atZero: 'soft', softCapMs: 30_000, warnMs: 10_000 } }),
    ]);
    const chosen = { a: ['1', '2', '3'], b: ['4', '5'], c: ['6'], d: ['7', '8', '7', '8'], e: ['9', '9'] };
    const { plan } = layOutRecipe(recipe, chosen);
    const again = recipeOf(planSchema.parse(plan), 's', true);
    const pins = Object.fromEntries(
      again.blocks.flatMap((b) =>
        b.kind === 'poses'
          ? [
              [
                b.id,
                b.source.kind === 'same picture'
                  ? Array.from({ length: b.count }, () => b.source.pins[0])
                  : b.source.pins,
              ],
            ]
          : [],
      ),
    );
    const back = layOutRecipe(again, pins).plan;
    expect(expandPlan(back).segments.map(({ kind, startMs, endMs, overMs }) => [kind, startMs, endMs, overMs])).toEqual(
      expandPlan(plan).segments.map(({ kind, startMs, endMs, overMs }) => [kind, startMs, endMs, overMs]),
    );
    const ids = (p: typeof plan) =>
      p.blocks.flatMap((b) => (b.kind === 'poses' ? b.poses.map((x) => x.referenceId) : []));
    expect(ids(back)).toEqual(ids(plan));
  });
});
