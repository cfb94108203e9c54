import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { upcomingCues, warningBeforeEndMs, warningIn } from '@/core/clock/cues';
import type { RunEvent } from '@/core/clock/log';
import { accountRun } from '@/core/clock/account';
import { withChoices } from '@/core/clock/choices';
import { runStateAt } from '@/core/clock/run';
import { layOutRecipe } from '@/core/practice/plan/layOut';
import type { PosesRecipe } from '@/core/practice/plan/recipe';
import { expandPlan } from '@/core/practice/time/timeline';
import { level, recipeWith } from './recipes';

const planOf = (...blocks: PosesRecipe[]) => layOutRecipe(recipeWith(blocks), {}).plan;
const start: RunEvent = { type: 'start', atMs: 0 };
const next = (atMs: number): RunEvent => ({ type: 'next', atMs });

describe('a clock that is not strict', () => {
  it('soft: goes on past zero until the learner does, or its cap', () => {
    const free = planOf(level('a', 2, 60_000, { settings: { atZero: 'soft' } }));
    expect(runStateAt(free, [start], 90_000)).toMatchObject({ segmentIndex: 0, elapsedMs: 90_000, leftMs: 0 });
    expect(runStateAt(free, [start], 90_000).deadlineMs).toBeUndefined();
    expect(runStateAt(free, [start, next(110_000)], 120_000)).toMatchObject({ segmentIndex: 1, elapsedMs: 10_000 });
    const capped = planOf(level('a', 2, 180_000, { settings: { atZero: 'soft', softCapMs: 90_000 } }));
    expect(runStateAt(capped, [start], 269_999)).toMatchObject({ segmentIndex: 0, deadlineMs: 270_000 });
    expect(runStateAt(capped, [start], 270_000).segmentIndex).toBe(1);
  });
  it('open: waits without limit', () => {
    const plan = planOf(level('a', 2, 60_000, { settings: { atZero: 'open' } }));
    expect(runStateAt(plan, [start], 3_600_000)).toMatchObject({ segmentIndex: 0, elapsedMs: 3_600_000 });
  });
  it('by hand: the lead-in waits, and is not drawing', () => {
    const plan = planOf(level('a', 1, 60_000, { leadInMs: 5000, settings: { startsBy: 'hand' } }));
    expect(runStateAt(plan, [start], 50_000)).toMatchObject({ segmentIndex: 0 });
    expect(accountRun(plan, [start, next(50_000)], 110_000)).toMatchObject({ changingMs: 50_000, drawingMs: 60_000 });
  });
  it('pot: each drawing has what is left, and an empty pot ends the block', () => {
    const plan = planOf(level('a', 3, 60_000, { settings: { atZero: 'pot', potMs: 180_000 } }), level('b', 1, 30_000));
    expect(runStateAt(plan, [start], 0).lengthMs).toBe(180_000);
    expect(runStateAt(plan, [start, next(100_000)], 100_000)).toMatchObject({ segmentIndex: 1, lengthMs: 80_000 });
    expect(runStateAt(plan, [start, next(100_000)], 180_000).segmentIndex).toBe(3);
    expect(runStateAt(plan, [start], 180_000).segmentIndex).toBe(3);
  });
  it('pot that ends softly: the drawing at hand may be finished, and the next key leaves the block', () => {
    const soft = { atZero: 'pot', potMs: 180_000, potEndsSoftly: true } as const;
    const plan = planOf(level('a', 3, 60_000, { settings: soft }), level('b', 1, 30_000));
    expect(runStateAt(plan, [start, next(100_000)], 210_000)).toMatchObject({
      segmentIndex: 1,
      elapsedMs: 110_000,
      leftMs: 0,
    });
    expect(runStateAt(plan, [start, next(100_000), next(215_000)], 216_000).segmentIndex).toBe(3);
    // The time over is drawing.
    expect(accountRun(plan, [start, next(100_000), next(215_000)], 245_000).drawingMs).toBe(245_000);
    const capped = planOf(level('a', 3, 60_000, { settings: { ...soft, softCapMs: 30_000 } }), level('b', 1, 30_000));
    expect(runStateAt(capped, [start], 209_999).segmentIndex).toBe(0);
    expect(runStateAt(capped, [start], 210_000).segmentIndex).toBe(3);
  });
  it('pot: never draws longer than it holds, however it is spent', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 90_000 }), { maxLength: 6 }), (gaps) => {
        const plan = planOf(level('a', 4, 30_000, { settings: { atZero: 'pot', potMs: 120_000 } }));
        let at = 0;
        const log = [start, ...gaps.map((gap) => next((at += gap)))];
        expect(accountRun(plan, log, 1_000_000).drawingMs).toBeLessThanOrEqual(120_000);
        expect(runStateAt(plan, log, 1_000_000).phase).toBe('done');
      }),
    );
  });
});

describe('a choice between two exercises', () => {
  const plan = planOf(
    level('a', 2, 60_000, { leadInMs: 3000, changeMs: 4000, settings: { orExercise: 'gesture-by-mass' } }),
  );
  const chosen = (...log: RunEvent[]) => {
    const { changes } = runStateAt(plan, [start, ...log], 200_000);
    const block = withChoices(plan, changes).blocks[0];
    return block.kind === 'poses' ? block.poses.map((p) => p.exercise ?? block.exercise) : [];
  };
  const choose = (atMs: number): RunEvent => ({ type: 'choose', atMs });
  it('has ten seconds before each pose, and is the first when nothing is said', () => {
    expect(
      expandPlan(plan)
        .segments.filter((s) => s.kind === 'leadIn')
        .map((s) => s.endMs - s.startMs),
    ).toEqual([10_000, 10_000]);
    expect(chosen()).toEqual(['flowing-gesture', 'flowing-gesture']);
  });
  it('is the other once said, for that pose only, and can be taken back', () => {
    expect(chosen(choose(2000))).toEqual(['gesture-by-mass', 'flowing-gesture']);
    expect(chosen(choose(2000), choose(3000))).toEqual(['flowing-gesture', 'flowing-gesture']);
  });
  it('made in the change is for the pose that comes', () => {
    expect(chosen(choose(71_000))).toEqual(['flowing-gesture', 'gesture-by-mass']);
  });
});

describe('warnings', () => {
  it('come as set, but never when longer than half of the pose', () => {
    expect([warningBeforeEndMs(120_000), warningBeforeEndMs(180_000), warningBeforeEndMs(30_000)]).toEqual([
      60_000,
      30_000,
      undefined,
    ]);
    expect([
      warningBeforeEndMs(60_000, 30_000),
      warningBeforeEndMs(60_000, 31_000),
      warningBeforeEndMs(60_000, 0),
    ]).toEqual([30_000, undefined, undefined]);
  });
  it('show at the moment they ring', () => {
    const plan = planOf(
      level('a', 1, 120_000, { leadInMs: 5000, settings: { warnMs: 10_000 } }),
      level('b', 1, 120_000),
    );
    const draws = expandPlan(plan).segments.filter((s) => s.kind === 'draw');
    expect(draws.map((s) => warningIn(plan, s, 120_000))).toEqual([10_000, 60_000]);
    expect(warningIn(plan, expandPlan(plan).segments[0], 5000)).toBeUndefined();
  });
  it('ring where the block says, and nothing is rung past a soft end', () => {
    const plan = planOf(
      level('a', 1, 120_000, { settings: { atZero: 'soft', warnMs: 10_000 } }),
      level('b', 1, 60_000),
    );
    const cues = upcomingCues(plan, expandPlan(plan), runStateAt(plan, [start], 0), 0, 600_000, 0, {
      beats: false,
      stages: false,
      lookBackMs: 0,
    });
    expect(cues.map(({ kind, atMs }) => [kind, atMs])).toEqual([
      ['start', 0],
      ['warning', 110_000],
      ['end', 120_000],
    ]);
  });
});
