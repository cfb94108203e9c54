import { describe, expect, it } from 'vitest';
import { accountRun } from '@/core/clock/account';
import { upcomingCues } from '@/core/clock/cues';
import type { RunEvent } from '@/core/clock/log';
import { runStateAt } from '@/core/clock/run';
import { compareToPlan } from '@/core/journal/compare';
import { posesDrawn } from '@/core/journal/drawings';
import type { Session } from '@/core/journal/session';
import { capLengths, duplicateBlocks } from '@/core/practice/edit/edit';
import { findProblems } from '@/core/practice/edit/problems';
import { materialsOf, sheetsOf } from '@/core/practice/paper/sheets';
import { layOutRecipe } from '@/core/practice/plan/layOut';
import { poseLengths } from '@/core/practice/plan/recipe';
import type { Block, Plan } from '@/core/practice/plan/schema';
import { drawingKey, holdLimitOf, holdOf, USUAL_HOLD_LIMIT_MS } from '@/core/practice/rules/holds';
import { turnsSheet } from '@/core/practice/rules/turnsSheet';
import { expandPlan } from '@/core/practice/time/timeline';
import { planOf, poses, rest } from './plans';
import { level, list, recipeWith } from './recipes';

const MINUTE = 60_000;
const POOLS = { bySet: new Map(), timesDrawn: new Map<string, number>() };

/** Two holds of one pose, twenty minutes each, a rest between. */
const model = level('m', 2, 20 * MINUTE, { settings: { oneDrawing: 'm' } });
const held = {
  ...model,
  source: { ...model.source, kind: 'live model' as const },
};
const evening = recipeWith([held], { restRule: { everyMs: 20 * MINUTE, restMs: 5 * MINUTE } });

describe('two holds of one pose', () => {
  const { plan } = layOutRecipe(evening, {});
  const draws = expandPlan(plan).segments.filter((s) => s.kind === 'draw');
  it('are one pose asked of the model and one drawing on one sheet, the rest between them notwithstanding', () => {
    expect(plan.blocks.map((b) => b.kind)).toEqual(['poses', 'rest', 'poses']);
    expect(draws.map((s) => holdOf(plan, s))).toEqual([
      { number: 1, of: 2 },
      { number: 2, of: 2 },
    ]);
    expect(new Set(draws.map((s) => drawingKey(plan, s))).size).toBe(1);
    expect(sheetsOf(evening, {})).toHaveLength(1);
    expect(materialsOf(evening, {}, 45 * MINUTE)).toMatchObject({ sheets: 1, posesOfModel: 1 });
  });
  it('are one drawing in the journal', () => {
    const session = { plan, log: [{ type: 'start', atMs: 0 }], lastSeenMs: 46 * MINUTE } as unknown as Session;
    expect(accountRun(plan, session.log, session.lastSeenMs)).toMatchObject({ drawings: 1, drawingMs: 40 * MINUTE });
    expect(posesDrawn(session).map((d) => d.spentMs)).toEqual([40 * MINUTE]);
  });
  it('copied are holds of another pose', () => {
    const twice = duplicateBlocks(evening, ['m'], () => 'n');
    expect(materialsOf(twice, {}, 90 * MINUTE)).toMatchObject({ sheets: 2, posesOfModel: 2 });
  });
});

describe('how long a pose is held', () => {
  const limited = (holdLimitMs?: number): Plan =>
    planOf({
      ...poses(2, 30 * MINUTE, { settings: { model: true, ...(holdLimitMs && { holdLimitMs }) } }),
    });
  it('is as usual, or as was set', () => {
    const draw = { kind: 'draw', blockIndex: 0 } as const;
    expect(holdLimitOf(limited(), draw)).toBe(USUAL_HOLD_LIMIT_MS);
    expect(holdLimitOf(limited(20 * MINUTE), draw)).toBe(20 * MINUTE);
    expect(holdLimitOf(planOf(poses(1)), draw)).toBeUndefined();
  });
  it('is said once for all poses that are longer, with a way out, and by a sound in each', () => {
    const longHolds = (minutes: number[]) => {
      const block = list('m', minutes);
      const recipe = recipeWith([{ ...block, source: { ...block.source, kind: 'live model' } }]);
      return findProblems(recipe, layOutRecipe(recipe, {}).plan, POOLS, {}).filter(({ words }) =>
        /long to hold/.test(words),
      );
    };
    const starts = (...minutes: number[]) => longHolds(minutes).map(({ words }) => words.split('. ')[0]);
    expect(starts(30, 30)).toEqual(['All 2 poses: 30 min is long to hold']);
    expect(starts(10, 40)).toEqual(['Pose 2: 40 min is long to hold']);
    expect(starts(10, 40, 30)).toEqual(['2 of 3 poses: 40 min is long to hold']);
    expect(starts(10, 25)).toEqual([]);
    const [long] = longHolds([10, 40, 30]);
    const block = list('m', [10, 40, 30]);
    expect(long.ways?.map(({ label, take }) => [label, poseLengths(take(block))])).toEqual([
      ['25 min at most', [10 * MINUTE, 25 * MINUTE, 25 * MINUTE]],
    ]);
    expect(capLengths(block, 5 * MINUTE).lengths).toMatchObject({ order: 'level', fromMs: 5 * MINUTE });
    const plan = limited(20 * MINUTE);
    const nowMs = 3000 + 20 * MINUTE - 500;
    const state = runStateAt(plan, [{ type: 'start', atMs: 0 }], nowMs);
    const cues = upcomingCues(plan, expandPlan(plan), state, nowMs, 1500);
    expect(cues.map((c) => [c.kind, c.atMs])).toEqual([['rest', 3000 + 20 * MINUTE]]);
  });
});

describe('a new sheet', () => {
  const turns = (...blocks: Block[]): boolean[] => {
    const plan = planOf(...blocks);
    return expandPlan(plan).segments.flatMap((s) => (s.kind === 'draw' ? [turnsSheet(plan, s)] : []));
  };
  it('follows every drawing, or every so many, and the end of a block', () => {
    expect(turns(poses(3))).toEqual([true, true, true]);
    expect(turns(poses(5, 30_000, { settings: { perSheet: 2 } }))).toEqual([false, true, false, true, true]);
  });
  it('is counted on over a rest that parts a block', () => {
    const three = { settings: { perSheet: 3 } };
    expect(turns(poses(2, 30_000, three), rest(), poses(2, 30_000, three))).toEqual([false, true, true, true]);
  });
});

describe('what a session is told to have been', () => {
  const told = (block: Block, log: RunEvent[], lastSeenMs: number): string =>
    compareToPlan({ plan: planOf(block), log: [{ type: 'start', atMs: 0 }, ...log], lastSeenMs } as unknown as Session);
  const next = (atMs: number): RunEvent => ({ type: 'next', atMs });
  it('calls only that early which ended before its length', () => {
    expect(told(poses(1), [next(13_000)], 13_000)).toBe(
      'You took 0:20 less than planned, with 1 pose ended early, by 0:20.',
    );
    // A soft one that ran over, one that counts up, and one out of a pot have not ended early.
    const soft = told(poses(1, 30_000, { settings: { atZero: 'soft' } }), [next(3000 + 45_000)], 60_000);
    expect(soft).toBe('You took 0:15 more than planned, with 1 pose run over, by 0:15.');
    expect(told(poses(1, 30_000, { settings: { atZero: 'open' } }), [next(13_000)], 20_000)).not.toContain('early');
    const pot = poses(2, 30_000, { settings: { atZero: 'pot', potMs: 60_000 } });
    expect(told(pot, [next(13_000)], 200_000)).not.toContain('early');
  });
  it('tells over and under apart, and an odd one that was skipped by its name', () => {
    const both = told(poses(2, 30_000, { settings: { atZero: 'soft' } }), [next(13_000), next(80_000)], 90_000);
    expect(both).toContain('1 pose ended early, by 0:20; and 1 pose run over, by');
    const [odd] = [poses(2)];
    if (odd.kind === 'poses') odd.poses[1].odd = true;
    const skipped = told(odd, [next(3000 + 30_000 + 4000 + 3000 + 1000)], 60_000);
    expect(skipped).toContain('the odd one out skipped');
    expect(skipped).not.toContain('early');
  });
  it('never says a longer time of a shorter one', () => {
    const stopped = told(
      poses(1),
      [
        { type: 'hold', atMs: 5000, reason: 'paused' },
        { type: 'stop', atMs: 3_215_000 },
      ],
      4e6,
    );
    expect(stopped).toMatch(/^You stopped after 53:35, planned for 0:33, with 53:30 on hold/);
  });
});

describe('going back after one more', () => {
  it('counts every drawing once', () => {
    // Two drawings, a copy of the second, then back to the copy for more time.
    const plan = planOf(poses(2));
    const log: RunEvent[] = [
      { type: 'start', atMs: 0 },
      { type: 'oneMore', atMs: 45_000 },
      { type: 'back', atMs: 105_000 },
    ];
    expect(accountRun(plan, log, 400_000).drawings).toBe(3);
    const back: RunEvent[] = [...log, { type: 'next', atMs: 115_000 }, { type: 'back', atMs: 116_000 }];
    expect(accountRun(plan, back, 400_000).drawings).toBe(3);
  });
});
