import { describe, expect, it } from 'vitest';
import { type CueChoices, upcomingCues, warningBeforeEndMs } from '@/core/clock/cues';
import { classifyGap } from '@/core/clock/gaps';
import type { RunEvent } from '@/core/clock/log';
import { stateOnTimeline } from '@/core/clock/run';
import { expandPlan } from '@/core/practice/time/timeline';
import { lines, planOf, poses } from './plans';

const start: RunEvent = { type: 'start', atMs: 0 };
/** Without what only accompanies. */
const FEW: CueChoices = { beats: false, stages: false, lookBackMs: 0 };
const cuesAt = (plan: ReturnType<typeof planOf>, nowMs: number, horizonMs: number, log: RunEvent[] = [start]) => {
  const timeline = expandPlan(plan);
  return upcomingCues(plan, timeline, stateOnTimeline(timeline, log, nowMs), nowMs, horizonMs, 0, FEW).map(
    (c) => `${c.kind} ${c.atMs}${c.calm ? ' calm' : ''}`,
  );
};

describe('cues', () => {
  it('rings start, warning and end of each pose at its time', () => {
    expect(cuesAt(planOf(poses(2, 60_000)), 0, 200_000)).toEqual([
      'start 3000',
      'warning 48000',
      'change 63000',
      'start 70000',
      'warning 115000',
      'end 130000',
    ]);
  });
  it('tells look, draw and seeing it again apart', () => {
    expect(
      cuesAt(planOf(poses(1, 30_000, { lookMs: 10_000, lookAgainMs: 5000, exercise: 'look-then-draw' })), 0, 99_000),
    ).toEqual(['look 3000', 'start 13000', 'end 43000', 'look 43000']);
  });
  it('is calm for blind contour', () => {
    expect(cuesAt(planOf(poses(1, 300_000, { exercise: 'blind-contour' })), 100_000, 300_000)).toEqual([
      'reminder 123000 calm',
      'reminder 183000 calm',
      'warning 243000 calm',
      'end 303000 calm',
    ]);
  });
  it('looks no further than an open page and is silent on hold', () => {
    expect(cuesAt(planOf(lines(1), poses(1)), 1000, 500_000)).toEqual([]);
    expect(cuesAt(planOf(poses(1)), 20_000, 99_000, [start, { type: 'hold', atMs: 9000, reason: 'paused' }])).toEqual(
      [],
    );
  });
  it('moves the end after a hold and does not ring the start twice', () => {
    const log: RunEvent[] = [
      start,
      { type: 'hold', atMs: 3500, reason: 'paused' },
      { type: 'resume', atMs: 13_500, counted: false },
    ];
    const timeline = expandPlan(planOf(poses(1)));
    const cues = upcomingCues(
      planOf(poses(1)),
      timeline,
      stateOnTimeline(timeline, log, 13_600),
      13_600,
      60_000,
      20_000,
      FEW,
    );
    expect(cues.map((c) => [c.kind, c.atMs])).toEqual([['end', 43_000]]);
  });
  it('warns a minute before the end of two, four and five minutes, half a minute on three, never on half a minute', () => {
    expect([30, 45, 120, 180, 240, 300].map((s) => warningBeforeEndMs(s * 1000))).toEqual([
      undefined,
      undefined,
      60_000,
      30_000,
      60_000,
      60_000,
    ]);
  });
});

describe('classifyGap', () => {
  const last = { monoMs: 1000, wallMs: 1e12 };
  it.each([
    ['an ordinary tick', 100, 100, 'passed'],
    ['a stall of three seconds', 3000, 3000, 'passed'],
    ['sleep while the monotonic clock counts', 8 * 3600e3, 8 * 3600e3, 'asleep'],
    ['sleep while it stands still', 250, 8 * 3600e3, 'asleep'],
    ['the wall clock set back', 250, -3600e3, 'passed'],
  ] as const)('%s', (_name, mono, wall, expected) => {
    expect(classifyGap(last, { monoMs: last.monoMs + mono, wallMs: last.wallMs + wall })).toBe(expected);
  });
});
