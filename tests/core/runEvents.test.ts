import { describe, expect, it } from 'vitest';
import { accountRun } from '@/core/clock/account';
import { ALL_CUES, type CueChoices, markBeats, upcomingCues } from '@/core/clock/cues';
import type { RunEvent } from '@/core/clock/log';
import { GLANCE_MS } from '@/core/clock/replay';
import { runStateAt, stateOnTimeline } from '@/core/clock/run';
import { sessionLeftMs } from '@/core/clock/sessionLeft';
import { poseStages, stageAt } from '@/core/practice/rules/poseStages';
import type { Plan } from '@/core/practice/plan/schema';
import { expandPlan } from '@/core/practice/time/timeline';
import { planOf, poses, rest } from './plans';

const start: RunEvent = { type: 'start', atMs: 0 };
const two = planOf(poses(2)); // lead-in 3, draw 30, change 4, lead-in 3, draw 30 s
const leftOf = (plan: Plan, log: RunEvent[], now: number): number =>
  sessionLeftMs(expandPlan(plan), runStateAt(plan, log, now));

describe('another length', () => {
  it('of a coming drawing moves the end at once', () => {
    expect(leftOf(two, [start], 1000)).toBe(69_000);
    const log: RunEvent[] = [start, { type: 'length', atMs: 1000, segmentIndex: 1, lengthMs: 90_000 }];
    expect(leftOf(two, log, 1000)).toBe(129_000);
    expect(runStateAt(two, log, 4000)).toMatchObject({ segmentIndex: 1, lengthMs: 90_000, leftMs: 89_000 });
  });
  it('of the running one keeps what has passed', () => {
    const log: RunEvent[] = [start, { type: 'length', atMs: 13_000, segmentIndex: 1, lengthMs: 60_000 }];
    expect(runStateAt(two, log, 13_000)).toMatchObject({ elapsedMs: 10_000, leftMs: 50_000 });
  });
  it('is never less than what was drawn, and nothing but a drawing takes it', () => {
    const short: RunEvent[] = [start, { type: 'length', atMs: 23_000, segmentIndex: 1, lengthMs: 10_000 }];
    expect(runStateAt(two, short, 23_000)).toMatchObject({ segmentIndex: 2, phase: 'running' });
    expect(accountRun(two, short, 23_000).drawingMs).toBe(20_000);
    const leadIn: RunEvent[] = [start, { type: 'length', atMs: 0, segmentIndex: 0, lengthMs: 60_000 }];
    expect(leftOf(two, leadIn, 0)).toBe(70_000);
  });
});

describe('one more', () => {
  it('in a pose comes when it ends, with its lead-in, and counts as a drawing of its own', () => {
    const log: RunEvent[] = [start, { type: 'oneMore', atMs: 10_000 }];
    expect(runStateAt(two, log, 10_000).oneMore).toBe(true);
    expect(leftOf(two, log, 10_000)).toBe(60_000 + 33_000);
    expect(runStateAt(two, log, 34_000)).toMatchObject({ segmentIndex: 0, oneMore: false });
    expect(runStateAt(two, log, 40_000).visits.at(-1)).toMatchObject({ segmentIndex: 1, extra: 'one more' });
    const end = accountRun(two, log, 200_000);
    expect(end).toMatchObject({ drawings: 3, drawingMs: 90_000, extraMs: 33_000, wallMs: 103_000 });
  });
  it('asked for twice is taken back', () => {
    const log: RunEvent[] = [start, { type: 'oneMore', atMs: 9000 }, { type: 'oneMore', atMs: 9500 }];
    expect(accountRun(two, log, 200_000).wallMs).toBe(70_000);
  });
  it('between two poses is the one before, at once, and then the session goes on', () => {
    const log: RunEvent[] = [start, { type: 'oneMore', atMs: 35_000 }];
    expect(runStateAt(two, log, 39_000).visits.at(-1)).toMatchObject({ segmentIndex: 1, extra: 'one more' });
    expect(runStateAt(two, log, 69_000)).toMatchObject({ segmentIndex: 2 });
    expect(accountRun(two, log, 300_000).drawings).toBe(3);
  });
  it('of looking and drawing is all of it', () => {
    const plan = planOf(poses(1, 30_000, { lookMs: 10_000, lookAgainMs: 5000, exercise: 'look-then-draw' }));
    const log: RunEvent[] = [start, { type: 'oneMore', atMs: 20_000 }];
    const { visits } = runStateAt(plan, log, 300_000);
    expect(visits.map((v) => v.segmentIndex)).toEqual([0, 1, 2, 3, 0, 1, 2, 3]);
    expect(visits.map((v) => v.extra).slice(4)).toEqual(['one more', 'one more', 'one more', 'one more']);
  });
});

describe('holds', () => {
  it('are listed with their reasons: 0:20 and 0:27 in a pose of 5:00', () => {
    const plan = planOf(poses(1, 300_000));
    const log: RunEvent[] = [
      start,
      { type: 'hold', atMs: 100_000, reason: 'paused' },
      { type: 'why', atMs: 101_000, why: 'a tool broke' },
      { type: 'resume', atMs: 120_000, counted: false },
      { type: 'hold', atMs: 200_000, reason: 'paused' },
      { type: 'why', atMs: 203_000, why: 'somebody came' },
      { type: 'resume', atMs: 227_000, counted: false },
    ];
    const { holds } = runStateAt(plan, log, 400_000);
    expect(holds.map((h) => [h.toMs - h.fromMs, h.why])).toEqual([
      [20_000, 'a tool broke'],
      [27_000, 'somebody came'],
    ]);
    expect(accountRun(plan, log, 400_000)).toMatchObject({ drawingMs: 300_000, heldMs: 47_000 });
  });
  it('that were drawn through are marked so; a reason given while running means nothing', () => {
    const log: RunEvent[] = [
      start,
      { type: 'hold', atMs: 8000, reason: 'asleep' },
      { type: 'resume', atMs: 12_000, counted: true },
      { type: 'why', atMs: 13_000, why: 'fetching paper' },
    ];
    expect(runStateAt(two, log, 14_000).holds).toEqual([
      { fromMs: 8000, toMs: 12_000, reason: 'asleep', counted: true },
    ]);
  });
});

describe('what is told of a drawing', () => {
  it('is kept with it: peeks with their length, lifts, where it was begun, whether it was whole', () => {
    const log: RunEvent[] = [
      start,
      { type: 'startPoint', atMs: 4000, x: 0.2, y: 0.7 },
      { type: 'peek', atMs: 5000 },
      { type: 'peek', atMs: 9000, forMs: 1500 },
      { type: 'lift', atMs: 9500 },
      { type: 'lift', atMs: 9900 },
      { type: 'whole', atMs: 35_000, down: false },
    ];
    const { visits } = runStateAt(two, log, 36_000);
    expect(visits[1]).toMatchObject({
      peeks: [GLANCE_MS, 1500],
      lifts: 2,
      startPoint: [0.2, 0.7],
      whole: false,
      ended: 'time',
    });
    expect(accountRun(two, log, 36_000)).toMatchObject({ peeks: 2, peekMs: GLANCE_MS + 1500, lifts: 2 });
  });
});

describe('eyes closed', () => {
  const plan = planOf(poses(2, 30_000, { exercise: 'eyes-closed' }), rest());
  it('waits at the end until it is answered, and the wait is no drawing', () => {
    expect(runStateAt(plan, [start], 100_000)).toMatchObject({ segmentIndex: 1, phase: 'running', leftMs: 0 });
    const log: RunEvent[] = [start, { type: 'next', atMs: 45_000 }];
    const account = accountRun(plan, log, 46_000);
    expect(account).toMatchObject({ drawingMs: 30_000, changingMs: 3000 + 12_000 + 1000, wallMs: 46_000 });
  });
  it('rings its end again and again until then', () => {
    const timeline = expandPlan(plan);
    const ends = (now: number): number[] =>
      upcomingCues(plan, timeline, stateOnTimeline(timeline, [start], now), now, 10_000, 0, ALL_CUES)
        .filter((c) => c.kind === 'end')
        .map((c) => c.atMs);
    expect(ends(30_000)).toEqual([33_000, 36_000, 39_000]);
    expect(ends(600_000)).toEqual([600_000, 603_000, 606_000, 609_000]);
  });
});

describe('cues that accompany', () => {
  const all = (plan: Plan, choices: Partial<CueChoices> = {}): [kind: string, at: number][] => {
    const timeline = expandPlan(plan);
    const state = stateOnTimeline(timeline, [start], 0);
    return upcomingCues(plan, timeline, state, 0, 3600_000, 0, { ...ALL_CUES, ...choices }).map((c) => [
      c.kind,
      c.atMs,
    ]);
  };
  const of = (kind: string, cues: [string, number][]): number[] => cues.flatMap(([k, at]) => (k === kind ? [at] : []));

  it('beat as often as marks are allowed, the last on the end', () => {
    const plan = planOf(poses(1, 120_000, { exercise: 'mark-allowance' }));
    const beats = of('beat', all(plan));
    expect(beats).toHaveLength(20);
    expect(beats.at(-1)).toBe(123_000);
    expect(beats[1] - beats[0]).toBe(6000);
    expect(of('beat', all(plan, { beats: false }))).toEqual([]);
    expect(markBeats(60_000, 30).map((b) => b / 1000)).toEqual(Array.from({ length: 30 }, (_, i) => 2 * (i + 1)));
    expect(markBeats(100_000, 7).at(-1)).toBe(100_000);
  });
  it('tell each stage once, apart from the other cues: light pen, dark pen at 40 % of four minutes', () => {
    const stages = [
      { name: 'light', share: 0.4 },
      { name: 'dark', share: 0.6 },
    ];
    const plan = planOf(poses(1, 240_000, { settings: { stages } }));
    expect(of('stage', all(plan))).toEqual([3000 + 96_000]);
    expect(of('stage', all(plan, { stages: false }))).toEqual([]);
  });
  it('remind slow work of its pace each minute, other work as often as wanted, blind work never', () => {
    const slow = planOf(poses(1, 300_000, { exercise: 'contour' }));
    // Not near the warning at four minutes.
    expect(of('reminder', all(slow))).toEqual([63_000, 123_000, 183_000]);
    const quick = planOf(poses(1, 60_000));
    expect(of('reminder', all(quick))).toEqual([]);
    expect(of('reminder', all(quick, { lookBackMs: 20_000 }))).toEqual([23_000, 43_000]);
    expect(of('reminder', all(planOf(poses(1, 45_000, { exercise: 'eyes-closed' })), { lookBackMs: 20_000 }))).toEqual(
      [],
    );
  });
  it('say at the end whether the sheet is turned or the arm rests', () => {
    const ends = all(planOf(poses(2, 30_000), rest(60_000), poses(1, 30_000)), { stages: false });
    expect(ends.filter(([k]) => ['change', 'rest', 'end'].includes(k)).map(([k]) => k)).toEqual([
      'change',
      'rest',
      'end',
      'end',
    ]);
  });
  it('leave the end out for who has put the clock away and wants it so', () => {
    expect(of('end', all(planOf(poses(1, 30_000)), { silentEnd: true }))).toEqual([]);
  });
});

describe('stages', () => {
  it('are found by time', () => {
    const plan = planOf(poses(1, 120_000));
    const stages = poseStages(plan, { kind: 'draw', blockIndex: 0, poseIndex: 0 }, 120_000);
    expect(stageAt(stages, 0).now).toBe('action line');
    expect(stageAt(stages, 24_000).now).toBe('masses');
    expect(stageAt(stages, 119_999).now).toBe('landmarks');
    expect(stageAt(stages, 0).startsMs).toEqual([24_000, 54_000, 72_000, 102_000]);
    expect(poseStages(plan, { kind: 'leadIn', blockIndex: 0, poseIndex: 0 }, 3000)).toEqual([]);
    expect(stageAt([], 5).now).toBeUndefined();
  });
});
