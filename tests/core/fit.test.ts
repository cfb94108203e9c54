import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { AIMS } from '@/core/practice/start/aims';
import type { Aim } from '@/core/practice/start/aimIds';
import { bestIndex, bestOptions, combine, type Option, type Slot } from '@/core/practice/fit/bestOptions';
import { exerciseById } from '@/core/practice/exercises';
import { fitPlan, SHAPES } from '@/core/practice/fit/fit';
import { fitSets, MISLENGTH, MISPLACED, type Run, type Stretch, stretchValue } from '@/core/practice/fit/fitSets';
import { layOutRecipe } from '@/core/practice/plan/layOut';
import { LEAD_IN_MS } from '@/core/practice/edit/newBlock';
import { poseLengths, type Recipe, recipeSchema } from '@/core/practice/plan/recipe';
import { planSchema } from '@/core/practice/plan/schema';
import { sumPlan } from '@/core/practice/time/sums';

const anyOption: fc.Arbitrary<Option> = fc
  .record({
    cost: fc.integer({ min: 0, max: 9 }),
    value: fc.integer({ min: -5, max: 20 }),
    kind: fc.constantFrom('poses' as const, 'break' as const, 'empty' as const),
    change: fc.option(fc.integer({ min: 0, max: 4 })),
  })
  .map(({ change, ...o }) => (change === null ? o : { ...o, change }));
const anySlot: fc.Arbitrary<Slot> = fc.record({
  options: fc.array(anyOption, { minLength: 1, maxLength: 4 }),
  change: fc.integer({ min: 0, max: 3 }),
});

/** Every choice, with its cost counted the plain way. */
function everyChoice(slots: readonly Slot[]): { cost: number; value: number }[] {
  const out: { cost: number; value: number }[] = [];
  const go = (s: number, chosen: Option[]): void => {
    if (s < slots.length) return slots[s].options.forEach((o) => go(s + 1, [...chosen, o]));
    let cost = 0;
    chosen.forEach((o, i) => {
      const next = chosen.slice(i + 1).find((later) => later.kind !== 'empty');
      cost += o.cost + (o.kind === 'poses' && next?.kind === 'poses' ? (o.change ?? slots[i].change) : 0);
    });
    out.push({ cost, value: chosen.reduce((sum, o) => sum + o.value, 0) });
  };
  go(0, []);
  return out;
}

describe('bestOptions', () => {
  it('finds for every cost what trying everything finds, and the choice that gives it', () => {
    fc.assert(
      fc.property(
        fc.array(anySlot, { minLength: 1, maxLength: 4 }),
        fc.integer({ min: 0, max: 30 }),
        (slots, capacity) => {
          const all = everyChoice(slots);
          const { values, choiceAt } = bestOptions(slots, capacity);
          for (let cost = 0; cost <= capacity; cost++) {
            const best = Math.max(-Infinity, ...all.filter((c) => c.cost === cost).map((c) => c.value));
            expect(values[cost]).toBe(best);
            if (best === -Infinity) continue;
            const chosen = choiceAt(cost).map((o, s) => slots[s].options[o]);
            expect(chosen.reduce((sum, o) => sum + o.value, 0)).toBe(best);
          }
        },
      ),
    );
  });
  it('combines two parts without losing the best whole', () => {
    const values = fc.array(fc.oneof(fc.constant(-Infinity), fc.integer({ min: -9, max: 30 })), {
      minLength: 1,
      maxLength: 12,
    });
    fc.assert(
      fc.property(values, values, fc.integer({ min: 0, max: 20 }), (a, b, capacity) => {
        const both = combine(Float64Array.from(a), Float64Array.from(b), capacity).values;
        let best = -Infinity;
        a.forEach((x, i) => b.forEach((y, k) => (best = i + k <= capacity ? Math.max(best, x + y) : best)));
        expect(both[bestIndex(both)]).toBe(best);
      }),
    );
  });
});

const stretch = (id: string, wantedMs: number, idealMs: number): Stretch => ({
  exercise: exerciseById(id),
  wantedMs,
  idealMs,
});

describe('fitSets', () => {
  const small = [
    stretch('action-line', 60_000, 15_000),
    stretch('flowing-gesture', 90_000, 45_000),
    stretch('look-then-draw', 120_000, 60_000),
  ];
  /** The best score by trying every count of every length of every stretch. */
  function bruteForce(stretches: readonly Stretch[], roomMs: number, changeMs: number): number {
    let best = -Infinity;
    const cost = (runs: Run[], s: Stretch): number =>
      runs.reduce((sum, r) => sum + r.count * (LEAD_IN_MS + r.drawMs + s.exercise.lookMs + s.exercise.lookAgainMs), 0);
    const steps = [10, 15, 20, 30, 45, 60, 90, 120, 180, 240, 300].map((x) => x * 1000);
    const go = (i: number, usedMs: number, count: number, score: number): void => {
      if (usedMs + Math.max(0, count - 1) * changeMs > roomMs) return;
      if (i === stretches.length) {
        best = Math.max(best, score);
        return;
      }
      const s = stretches[i];
      go(i + 1, usedMs, count, score + stretchValue(s, []));
      for (const drawMs of steps) {
        if (drawMs < s.exercise.shortestMs || drawMs > s.exercise.longestMs) continue;
        if (drawMs < s.idealMs / 4 || drawMs > s.idealMs * 4) continue;
        for (let n = 1; n * drawMs <= roomMs; n++)
          go(
            i + 1,
            usedMs + cost([{ count: n, drawMs }], s),
            count + n,
            score + stretchValue(s, [{ count: n, drawMs }]),
          );
      }
    };
    go(0, 0, 0, 0);
    return best;
  }
  it('is as good as trying everything', () => {
    for (const [roomMs, changeMs] of [
      [100_000, 5000],
      [187_000, 5000],
      [240_000, 8000],
      [301_000, 3000],
    ])
      expect(fitSets([small], roomMs, roomMs, changeMs).score).toBeCloseTo(bruteForce(small, roomMs, changeMs), 9);
  });
  it('never lets a set run over its limit', () => {
    const { chosen } = fitSets([small, small], 600_000, 200_000, 5000);
    for (const set of chosen) {
      const runs = set.flatMap((r, i) =>
        r.map((run) => ({ ...run, extra: small[i].exercise.lookMs + small[i].exercise.lookAgainMs })),
      );
      const poses = runs.reduce((sum, r) => sum + r.count, 0);
      const ms = runs.reduce((sum, r) => sum + r.count * (LEAD_IN_MS + r.drawMs + r.extra), 0) + (poses - 1) * 5000;
      expect(ms).toBeLessThanOrEqual(200_000);
    }
  });
  it('values a second drawn at one, a misplaced one less, a wrong length less', () => {
    const s = stretch('flowing-gesture', 60_000, 60_000);
    expect(stretchValue(s, [{ count: 1, drawMs: 60_000 }])).toBe(60);
    expect(stretchValue(s, [{ count: 2, drawMs: 60_000 }])).toBe(120 - MISPLACED * 60);
    expect(stretchValue(s, [{ count: 2, drawMs: 30_000 }])).toBe(60 - MISLENGTH * 60);
    expect(stretchValue(s, [])).toBe(-MISPLACED * 60);
  });
});

const base = { shape: 'climb' as const, setId: 's', seed: 1 };
const lengthOf = (recipe: Recipe): number => sumPlan(planSchema.parse(layOutRecipe(recipe, {}).plan)).totalMs;
const kinds = (recipe: Recipe): string[] => recipe.blocks.map((b) => b.kind);

describe('fitPlan', () => {
  it('never exceeds the time, tells what is left to the second, and is a plan that can run', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 15, max: 10_800 }),
        fc.constantFrom(...(Object.keys(AIMS) as Aim[])),
        fc.constantFrom(...SHAPES),
        fc.boolean(),
        (seconds, aim, shape, liveModel) => {
          const availableMs = seconds * 1000;
          const { recipe, usedMs, leftMs, filler } = fitPlan({ ...base, availableMs, aim, shape, liveModel });
          expect(lengthOf(recipeSchema.parse(recipe))).toBe(usedMs);
          expect(leftMs).toBe(availableMs - usedMs);
          expect(leftMs).toBeGreaterThanOrEqual(0);
          expect(filler).not.toBe('');
          expect(recipe.blocks.some((b) => b.kind === 'poses')).toBe(true);
        },
      ),
      { numRuns: 60 },
    );
  });
  it('leaves little of a lunch break', () => {
    const { recipe, leftMs } = fitPlan({ ...base, availableMs: 23 * 60_000, aim: 'everything' });
    expect(leftMs).toBeLessThan(10_000);
    expect(kinds(recipe)).toEqual(['body', 'lines', 'poses', 'poses', 'poses', 'poses', 'poses', 'rest']);
  });
  it('is one or two exercises under ten minutes', () => {
    for (const aim of Object.keys(AIMS) as Aim[])
      for (const minutes of [1, 3, 5, 9]) {
        const { recipe } = fitPlan({ ...base, availableMs: minutes * 60_000, aim });
        expect(recipe.blocks.length).toBeLessThanOrEqual(2);
      }
  });
  it('climbs, descends and arches', () => {
    const longest = (shape: (typeof SHAPES)[number]) =>
      fitPlan({ ...base, availableMs: 40 * 60_000, aim: 'everything', shape }).recipe.blocks.flatMap((b) =>
        b.kind === 'poses' ? [Math.max(...poseLengths(b))] : [],
      );
    const up = longest('climb');
    expect(up).toEqual(up.toSorted((a, b) => a - b));
    const down = longest('descend');
    expect(down[0]).toBeGreaterThan(down[down.length - 1]);
  });
  it('begins gently after two days, with a page of lines after a week, which may be declined', () => {
    const after = (daysSinceLast: number, withoutLines = false) =>
      fitPlan({ ...base, availableMs: 8 * 60_000, aim: 'everything', daysSinceLast, withoutLines }).recipe;
    const gentle = (r: Recipe) => r.blocks.some((b) => b.kind === 'poses' && b.source.gentleFirst);
    expect([1, 2, 9].map((d) => gentle(after(d)))).toEqual([false, true, true]);
    expect([1, 2, 9].map((d) => kinds(after(d)).includes('lines'))).toEqual([false, false, true]);
    expect(kinds(after(9, true))).not.toContain('lines');
  });
  it('goes by what the learner needs, and by weights of their own', () => {
    const mean = (workingMs?: Map<string, number>): number => {
      const { recipe } = fitPlan({ ...base, availableMs: 15 * 60_000, aim: 'loosen', ...(workingMs && { workingMs }) });
      const all = recipe.blocks.flatMap((b) =>
        b.kind === 'poses' && b.exercise === 'flowing-gesture' ? poseLengths(b) : [],
      );
      return all.reduce((a, b) => a + b, 0) / all.length;
    };
    expect(mean(new Map([['flowing-gesture', 120_000]]))).toBeGreaterThan(mean(new Map([['flowing-gesture', 30_000]])));
    const { recipe } = fitPlan({
      ...base,
      availableMs: 600_000,
      aim: 'light',
      wishes: [{ exercise: 'action-line', weight: 5 }],
    });
    expect(recipe.blocks.flatMap((b) => (b.kind === 'poses' ? [b.exercise] : []))).toEqual(['action-line']);
  });
  it('gives a model breaks, called poses and no long hold', () => {
    const { recipe } = fitPlan({ ...base, availableMs: 180 * 60_000, aim: 'everything', liveModel: true });
    const { plan } = layOutRecipe(recipe, {});
    let since = 0;
    for (const b of recipe.blocks) {
      since = b.kind === 'rest' ? 0 : since + (b.kind === 'poses' ? poseLengths(b).reduce((a, c) => a + c, 0) : 0);
      expect(since).toBeLessThanOrEqual(25 * 60_000);
      if (b.kind === 'poses') expect(b.source.kind).toBe('live model');
      if (b.kind === 'rest' && b.purpose === undefined) expect(b.durationMs).toBeGreaterThanOrEqual(300_000);
    }
    expect(plan.blocks.length).toBeGreaterThan(8);
  });
});
