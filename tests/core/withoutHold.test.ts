import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { accountRun } from '@/core/clock/account';
import type { RunEvent } from '@/core/clock/log';
import { runStateAt } from '@/core/clock/run';
import { doubtfulHolds, withoutHold } from '@/core/clock/withoutHold';
import { planOf, poses } from './plans';

const plan = planOf(poses(3));
const DAY_MS = 86_400_000;

describe('leaving a hold out of a session', () => {
  it('removes the day a wrong clock put in, and nothing that was drawn', () => {
    const log: RunEvent[] = [
      { type: 'start', atMs: 0 },
      { type: 'hold', atMs: 20_000, reason: 'closed' },
      { type: 'why', atMs: DAY_MS, why: 'something else' },
      { type: 'resume', atMs: DAY_MS + 26_000, counted: false },
      { type: 'stop', atMs: DAY_MS + 40_000 },
    ];
    const lastSeenMs = DAY_MS + 40_000;
    const [hold] = doubtfulHolds(runStateAt(plan, log, lastSeenMs).holds);
    const before = accountRun(plan, log, lastSeenMs);
    const after = withoutHold({ log, lastSeenMs }, hold);
    const account = accountRun(plan, after.log, after.lastSeenMs);
    expect([before.heldMs, account.heldMs]).toEqual([DAY_MS + 6000, 0]);
    expect([account.drawingMs, account.wallMs]).toEqual([before.drawingMs, before.wallMs - before.heldMs]);
  });
  it('asks only about holds of an hour or more that were not drawn through', () => {
    const hold = (minutes: number, counted = false) =>
      ({ fromMs: 0, toMs: minutes * 60_000, reason: 'paused', counted }) as const;
    expect(doubtfulHolds([hold(59), hold(61), hold(90), hold(90, true)]).map((h) => h.toMs / 60_000)).toEqual([90, 61]);
  });
  it('keeps events in order whatever is left out', () => {
    fc.assert(
      fc.property(fc.array(fc.nat(1000), { minLength: 1 }), fc.nat(1000), fc.nat(1000), (times, a, b) => {
        const log = times.toSorted((x, y) => x - y).map((atMs): RunEvent => ({ type: 'next', atMs }));
        const hold = { fromMs: Math.min(a, b), toMs: Math.max(a, b) };
        const after = withoutHold({ log, lastSeenMs: 2000 }, hold);
        const ms = after.log.map((e) => e.atMs);
        expect(ms).toEqual(ms.toSorted((x, y) => x - y));
        expect(after.lastSeenMs).toBe(2000 - (hold.toMs - hold.fromMs));
      }),
    );
  });
});
