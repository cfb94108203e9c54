import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { accountRun } from '@/core/clock/account';
import { HOLD_WHYS, type RunEvent } from '@/core/clock/log';
import { runStateAt } from '@/core/clock/run';
import { sessionLeftMs } from '@/core/clock/sessionLeft';
import { expandPlan } from '@/core/practice/time/timeline';
import { anyPlan, closedPlan, lines, planOf, poses, rest } from './plans';

const start: RunEvent = { type: 'start', atMs: 0 };
const hold = (atMs: number, reason: 'paused' | 'closed' | 'asleep' = 'paused'): RunEvent => ({
  type: 'hold',
  atMs,
  reason,
});
const resume = (atMs: number, counted = false): RunEvent => ({ type: 'resume', atMs, counted });
const at = (type: 'next' | 'back' | 'restart' | 'peek' | 'stop', atMs: number): RunEvent => ({ type, atMs });
const two = planOf(poses(2)); // lead-in 3, draw 30, change 4, lead-in 3, draw 30 s

const anyEvent = fc.oneof(
  fc.constantFrom('next', 'back', 'restart', 'peek').map((type) => ({ type })),
  fc.constant({ type: 'hold', reason: 'paused' }),
  fc.boolean().map((counted) => ({ type: 'resume', counted })),
  fc.integer({ min: 0, max: 60_000 }).map((byMs) => ({ type: 'extend', byMs })),
  fc.constantFrom('oneMore', 'lift', 'choose', 'shareOut').map((type) => ({ type })),
  fc.constantFrom('loose', 'tight').map((line) => ({ type: 'line', line })),
  fc
    .record({ segmentIndex: fc.integer({ min: 0, max: 40 }), lengthMs: fc.integer({ min: 1000, max: 400_000 }) })
    .map((fields) => ({ type: 'length', ...fields })),
  fc.integer({ min: 0, max: 9000 }).map((forMs) => ({ type: 'peek', forMs })),
  fc.constantFrom(...HOLD_WHYS).map((why) => ({ type: 'why', why })),
  fc.boolean().map((down) => ({ type: 'whole', down })),
  fc.constant({ type: 'startPoint', x: 0.5, y: 0.25 }),
);
const anyLog = fc.array(fc.tuple(anyEvent, fc.integer({ min: 0, max: 90_000 })), { maxLength: 40 }).map((steps) => {
  let atMs = 0;
  return [start, ...steps.map(([event, wait]) => ({ ...event, atMs: (atMs += wait) }) as RunEvent)];
});

describe('runStateAt', () => {
  it('follows the timeline exactly when nothing happens', () => {
    fc.assert(
      fc.property(closedPlan, fc.double({ min: 0, max: 1, noNaN: true }), (plan, share) => {
        const { segments, totalMs } = expandPlan(plan);
        const now = Math.floor(share * (totalMs - 1));
        const state = runStateAt(plan, [start], now);
        const segment = segments[state.segmentIndex];
        expect(segment.startMs).toBeLessThanOrEqual(now);
        expect(segment.endMs).toBeGreaterThan(now);
        expect(state.leftMs).toBe(segment.endMs - now);
        expect(state.deadlineMs).toBe(segment.endMs);
        expect(runStateAt(plan, [start], totalMs)).toMatchObject({ phase: 'done', completed: true });
      }),
    );
  });

  it('does not depend on when it is asked in between', () => {
    fc.assert(
      fc.property(anyPlan, anyLog, fc.integer({ min: 0, max: 500_000 }), (plan, log, later) => {
        const end = log[log.length - 1].atMs + later;
        const asked = log.map((e) => runStateAt(plan, log, e.atMs)); // asking changes nothing
        expect(asked.length).toBe(log.length);
        expect(runStateAt(plan, log, end)).toEqual(
          runStateAt(plan, JSON.parse(JSON.stringify(log)) as RunEvent[], end),
        );
      }),
    );
  });

  it('leaves no time unaccounted, whatever is pressed', () => {
    fc.assert(
      fc.property(anyPlan, anyLog, fc.integer({ min: 0, max: 500_000 }), (plan, log, later) => {
        const now = log[log.length - 1].atMs + later;
        const a = accountRun(plan, log, now);
        const { visits, phase } = runStateAt(plan, log, now);
        const sum = a.preparingMs + a.lookingMs + a.drawingMs + a.changingMs + a.restingMs + a.heldMs;
        expect(sum).toBe(a.wallMs);
        if (phase !== 'done') expect(a.wallMs).toBe(now);
        visits.forEach((v, i) => {
          expect(v.endMs - v.startMs - v.heldMs).toBeGreaterThanOrEqual(0);
          if (i > 0) expect(v.startMs).toBe(visits[i - 1].endMs);
        });
      }),
    );
  });

  it('never goes backwards in time, and never further than now', () => {
    fc.assert(
      fc.property(
        anyPlan,
        anyLog,
        fc.array(fc.integer({ min: 0, max: 90_000 }), { maxLength: 8 }),
        (plan, log, waits) => {
          let now = log[log.length - 1].atMs;
          let before = runStateAt(plan, log, now);
          for (const wait of waits) {
            now += wait;
            const state = runStateAt(plan, log, now);
            expect(state.visits.length).toBeGreaterThanOrEqual(before.visits.length);
            expect(state.visits.slice(0, before.visits.length - 1)).toEqual(before.visits.slice(0, -1));
            for (const v of state.visits) expect(v.endMs).toBeLessThanOrEqual(now);
            if (state.deadlineMs !== undefined) expect(state.deadlineMs).toBeGreaterThan(now);
            before = state;
          }
        },
      ),
    );
  });

  it('has a way out of every state: going on and on, it ends', () => {
    fc.assert(
      fc.property(anyPlan, anyLog, (plan, log) => {
        const all = [...log];
        let atMs = log[log.length - 1].atMs;
        for (let i = 0; i <= 4 * expandPlan(plan).segments.length + 8; i++) {
          if (runStateAt(plan, all, atMs).phase === 'done') return;
          all.push(resume((atMs += 10)), at('next', (atMs += 10)));
        }
        expect(runStateAt(plan, all, atMs).phase).toBe('done');
      }),
    );
  });

  it('says what is left so that the end comes then, unless something waits', () => {
    fc.assert(
      fc.property(closedPlan, anyLog, (plan, log) => {
        const all = [...log, resume(log[log.length - 1].atMs)];
        const now = log[log.length - 1].atMs;
        const state = runStateAt(plan, all, now);
        const leftMs = sessionLeftMs(expandPlan(plan), state);
        const end = runStateAt(plan, all, now + leftMs);
        if (state.phase !== 'done') expect(end.visits[end.visits.length - 1].endMs).toBe(now + leftMs);
        expect(end.phase).toBe('done');
      }),
    );
  });

  it('stops for a hold and loses nothing: 5:00 held 0:47 is 5:00 of drawing in 5:47', () => {
    const plan = planOf(poses(1, 300_000));
    const log = [start, hold(100_000), resume(120_000), hold(200_000), resume(227_000)];
    expect(runStateAt(plan, log, 110_000)).toMatchObject({ phase: 'held', holdReason: 'paused', heldSinceMs: 100_000 });
    const a = accountRun(plan, log, 400_000);
    expect(a).toMatchObject({ drawingMs: 300_000, heldMs: 47_000, wallMs: 350_000 });
  });

  it('comes back on hold at the last sign of life, and goes on with what was left', () => {
    const log = [start, hold(13_000, 'closed')];
    expect(runStateAt(two, log, 8 * 3600_000)).toMatchObject({ phase: 'held', holdReason: 'closed', leftMs: 20_000 });
    const later = runStateAt(two, [...log, resume(8 * 3600_000)], 8 * 3600_000 + 5000);
    expect(later).toMatchObject({ phase: 'running', leftMs: 15_000 });
  });

  it('counts time asleep as drawn when asked to', () => {
    const log = [start, hold(13_000, 'asleep'), resume(23_000, true)];
    expect(runStateAt(two, log, 23_000)).toMatchObject({ phase: 'running', segmentIndex: 1, leftMs: 10_000 });
    expect(runStateAt(two, [start, hold(13_000, 'asleep'), resume(38_000, true)], 38_000).segmentIndex).toBe(3);
    expect(accountRun(two, log, 70_000).heldMs).toBe(0);
  });

  it('keeps a page of lines open until it is full', () => {
    const plan = planOf(lines(1), poses(1));
    expect(runStateAt(plan, [start], 3600_000)).toMatchObject({
      phase: 'running',
      segmentIndex: 0,
      elapsedMs: 3600_000,
      leftMs: 0,
    });
    const full = [start, at('next', 95_000)];
    expect(runStateAt(plan, full, 96_000).segmentIndex).toBe(1);
    expect(accountRun(plan, full, 200_000)).toMatchObject({ linesMs: 95_000, linePages: 1, drawings: 1 });
  });

  it('goes back as extra time: the first record stays, then the session goes on', () => {
    const log = [start, at('back', 35_000)];
    const state = runStateAt(two, log, 36_000);
    expect(state).toMatchObject({ segmentIndex: 1, leftMs: 29_000 });
    expect(state.visits[1]).toMatchObject({ startMs: 3000, endMs: 33_000, ended: 'time' });
    expect(state.visits.map((v) => v.extra)).toEqual([undefined, undefined, undefined, 'more time']);
    const end = accountRun(two, log, 200_000);
    expect(end).toMatchObject({ drawings: 2, drawingMs: 90_000, extraMs: 30_000 });
  });

  it('starts a pose over, keeping both attempts', () => {
    const { visits, leftMs } = runStateAt(two, [start, at('restart', 13_000)], 14_000);
    expect(leftMs).toBe(29_000);
    expect(visits.filter((v) => v.segmentIndex === 1).map((v) => v.ended)).toEqual(['restart', undefined]);
  });

  it('adds time, counts peeks, and ends early with a complete record', () => {
    const log: RunEvent[] = [
      start,
      { type: 'extend', atMs: 5000, byMs: 15_000 },
      at('peek', 8000),
      at('peek', 9000),
      at('stop', 20_000),
    ];
    const state = runStateAt(two, log, 99_000);
    expect(state).toMatchObject({ phase: 'done', completed: false });
    expect(state.visits[1]).toMatchObject({ lengthMs: 45_000, endMs: 20_000, ended: 'stop' });
    expect(accountRun(two, log, 99_000)).toMatchObject({ peeks: 2, drawings: 1, drawingMs: 17_000, wallMs: 20_000 });
  });

  it('takes no time for a pose that was passed over', () => {
    expect(accountRun(two, [start, at('next', 3500), at('stop', 4000)], 4000).drawings).toBe(0);
  });

  it('ignores what comes before the start and after the end', () => {
    expect(runStateAt(two, [at('next', 5)], 10).phase).toBe('ready');
    const done = [start, at('stop', 1000)];
    expect(runStateAt(two, [...done, at('next', 2000)], 3000)).toEqual(runStateAt(two, done, 3000));
  });

  it('rests are rests', () => {
    expect(accountRun(planOf(poses(1), rest(50_000), poses(1)), [start], 999_999)).toMatchObject({
      restingMs: 50_000,
      changingMs: 6000,
    });
  });
});
