import { describe, expect, it } from 'vitest';
import type { RunEvent } from '@/core/clock/log';
import { hiddenAt } from '@/storage/references/hiddenNow';
import { planOf, poses } from '../core/plans';

const STARTED = 1_764_000_000_000;
const plan = planOf(poses(1, 60_000, { lookMs: 10_000, lookAgainMs: 5000, exercise: 'look-then-draw' }));
const at = (seconds: number, ...more: RunEvent[]): string | null =>
  hiddenAt({
    id: 's',
    plan,
    log: [{ type: 'start', atMs: 0 }, ...more],
    startedAtMs: STARTED,
    lastSeenMs: 0,
    status: 'running',
    note: '',
  })(STARTED + seconds * 1000);

describe('what another tab must not show', () => {
  it('is the picture while it is drawn from memory, and not before or after', () => {
    expect([1, 5, 12].map((s) => at(s))).toEqual([null, null, null]);
    expect([13, 40, 72].map((s) => at(s))).toEqual(['figure-0', 'figure-0', 'figure-0']);
    expect([73, 79, 500].map((s) => at(s))).toEqual([null, null, null]);
  });
  it('stays put away on hold, however long', () => {
    expect(at(9000, { type: 'hold', atMs: 20_000, reason: 'paused' })).toBe('figure-0');
  });
  it('comes back when the learner goes on early', () => {
    expect(at(21, { type: 'next', atMs: 20_000 })).toBeNull();
  });
});
