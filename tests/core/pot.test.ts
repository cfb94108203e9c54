import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { accountRun } from '@/core/clock/account';
import { ALL_CUES, upcomingCues } from '@/core/clock/cues';
import type { RunEvent } from '@/core/clock/log';
import { potAt } from '@/core/clock/pot';
import { runStateAt, stateOnTimeline } from '@/core/clock/run';
import { sessionLeftMs } from '@/core/clock/sessionLeft';
import type { Plan } from '@/core/practice/plan/schema';
import { expandPlan } from '@/core/practice/time/timeline';
import { planOf, poses, rest } from './plans';

const start: RunEvent = { type: 'start', atMs: 0 };
const next = (atMs: number): RunEvent => ({ type: 'next', atMs });
const shareOut = (atMs: number): RunEvent => ({ type: 'shareOut', atMs });
/** Three drawings out of twenty minutes, lead-ins of 3 s, changes of 4 s; then a rest and a minute's pose. */
const plan = planOf(
  poses(3, 60_000, { settings: { atZero: 'pot', potMs: 1_200_000 } }),
  rest(60_000),
  poses(1, 60_000),
);
const timeline = expandPlan(plan);
const leftAt = (log: RunEvent[], nowMs: number): number =>
  sessionLeftMs(timeline, stateOnTimeline(timeline, log, nowMs));
const drawn = (what: Plan, log: RunEvent[], nowMs: number): number[] =>
  runStateAt(what, log, nowMs).visits.flatMap((v) =>
    timeline.segments[v.segmentIndex].kind === 'draw' ? [v.endMs - v.startMs - v.heldMs] : [],
  );

describe('a pot of time', () => {
  it('says what is left of it, for how many, and how much that is for each', () => {
    expect(potAt(timeline, runStateAt(plan, [start], 0))).toEqual({ leftMs: 1_200_000, drawings: 3, eachMs: 400_000 });
    // Two minutes drawn of the first; in the change after it two are still to come.
    const log = [start, next(123_000)];
    expect(potAt(timeline, runStateAt(plan, log, 124_000))).toEqual({
      leftMs: 1_080_000,
      drawings: 2,
      eachMs: 540_000,
    });
    expect(potAt(timeline, runStateAt(plan, [start], 1_300_000))).toBeUndefined();
  });
  it('is counted once in what is left of the session', () => {
    // Pot, two changes of 4 s and three lead-ins of 3 s, the rest, the last lead-in and its minute.
    expect(leftAt([start], 0)).toBe(1_200_000 + 8000 + 9000 + 60_000 + 3000 + 60_000);
    expect(leftAt([start], 63_000)).toBe(1_140_000 + 8000 + 6000 + 123_000);
    expect(leftAt([start, next(123_000)], 123_000)).toBe(1_080_000 + 8000 + 6000 + 123_000);
  });
  it('is left as it is by a slow first drawing, unless it is shared out', () => {
    const slow = [start, next(603_000)];
    expect(runStateAt(plan, slow, 610_000)).toMatchObject({ segmentIndex: 4, lengthMs: 600_000 });
    const shared = [...slow, shareOut(604_000)];
    expect(runStateAt(plan, shared, 610_000)).toMatchObject({ segmentIndex: 4, lengthMs: 300_000 });
    expect(drawn(plan, shared, 2_000_000)).toEqual([600_000, 300_000, 300_000, 60_000]);
  });
  it('shared out while drawing counts what has been drawn already', () => {
    const log = [start, shareOut(303_000)];
    expect(runStateAt(plan, log, 303_000)).toMatchObject({ elapsedMs: 300_000, lengthMs: 600_000 });
    expect(drawn(plan, log, 2_000_000)).toEqual([600_000, 300_000, 300_000, 60_000]);
  });
  it('gives the last one all that is left, to the millisecond', () => {
    const odd = planOf(poses(3, 60_000, { settings: { atZero: 'pot', potMs: 100_001 } }));
    expect(accountRun(odd, [start, shareOut(0)], 1_000_000)).toMatchObject({ drawingMs: 100_001, drawings: 3 });
  });
  it('shared out on hold does not count the hold', () => {
    const log: RunEvent[] = [start, { type: 'hold', atMs: 63_000, reason: 'paused' }, shareOut(93_000)];
    expect(runStateAt(plan, log, 93_000)).toMatchObject({ elapsedMs: 60_000, lengthMs: 440_000 });
  });
  it('nothing to share is nothing said', () => {
    const plain = planOf(poses(2));
    expect(runStateAt(plain, [start, shareOut(10_000)], 10_000).shares.size).toBe(0);
    expect(accountRun(plain, [start, shareOut(10_000)], 500_000).wallMs).toBe(70_000);
  });
  it('is never overdrawn, and every drawing of a shared one is made', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: 6 }),
        fc.integer({ min: 10_000, max: 900_000 }),
        fc.integer({ min: 0, max: 400_000 }),
        (count, potMs, sharedAt) => {
          const pot = planOf(poses(count, 5000, { settings: { atZero: 'pot', potMs } }));
          const log = [start, shareOut(Math.min(sharedAt, potMs - 2000))];
          const { drawingMs } = accountRun(pot, log, 10_000_000);
          const { visits, phase } = runStateAt(pot, log, 10_000_000);
          expect(drawingMs).toBe(potMs);
          expect(phase).toBe('done');
          expect(visits.filter((v) => expandPlan(pot).segments[v.segmentIndex].kind === 'draw')).toHaveLength(count);
        },
      ),
    );
  });
  it('rings what comes after it, past the drawings it leaves no time for', () => {
    const quick = planOf(poses(2, 60_000, { changeMs: 0, settings: { atZero: 'pot', potMs: 90_000 } }), rest(60_000));
    const laid = expandPlan(quick);
    const ends = upcomingCues(quick, laid, stateOnTimeline(laid, [start], 92_000), 92_000, 2000, 0, ALL_CUES);
    expect(ends.map((c) => [c.kind, c.atMs])).toEqual([['rest', 93_000]]);
    const shared = [start, shareOut(0)];
    const then = upcomingCues(quick, laid, stateOnTimeline(laid, shared, 46_000), 46_000, 6000, 0, ALL_CUES);
    expect(then.filter((c) => c.kind === 'start').map((c) => c.atMs)).toEqual([51_000]);
  });
});
