import { describe, expect, it } from 'vitest';
import { accountRun, inWholeSeconds } from '@/core/clock/account';
import { upcomingCues } from '@/core/clock/cues';
import type { RunEvent } from '@/core/clock/log';
import { runStateAt, stateOnTimeline } from '@/core/clock/run';
import { sessionLeftMs } from '@/core/clock/sessionLeft';
import { stagedMs, stagesAt } from '@/core/clock/stagesAt';
import { lifetimeWords } from '@/core/growing/lifetime';
import { piecesOf } from '@/core/growing/pieces';
import { compareToPlan } from '@/core/journal/compare';
import { posesDrawn } from '@/core/journal/drawings';
import { lastAsked } from '@/core/journal/lastAsked';
import { nextLength } from '@/core/journal/nextLength';
import { questionsOf } from '@/core/journal/reflect';
import { toolsWords } from '@/core/journal/toolsWords';
import { usualTimes } from '@/core/journal/usualTimes';
import type { PosesBlock } from '@/core/practice/plan/schema';
import { leftDigits, wholeMinutesOf } from '@/core/practice/time/duration';
import { expandPlan } from '@/core/practice/time/timeline';
import { planOf, poses } from './plans';
import { sessionOf } from './sessions';

const block = (count: number, drawMs: number, more: Partial<PosesBlock> = {}): PosesBlock => {
  const made = poses(count, drawMs);
  if (made.kind !== 'poses') throw new Error('no poses');
  return { ...made, ...more };
};
/** Goes from one drawing to the next, each for some time; segments in between pass by themselves. */
const nexts = (...atMs: number[]): RunEvent[] => atMs.map((ms) => ({ type: 'next', atMs: ms }));

describe('an exercise chosen at will', () => {
  it('is booked as what was drawn, with its lifts', () => {
    const plan = planOf(block(2, 60_000, { settings: { orExercise: 'continuous-line' } }));
    const { segments } = expandPlan(plan);
    const [first] = segments.filter((s) => s.kind === 'draw');
    const session = sessionOf(plan, [
      { type: 'choose', atMs: first.startMs + 1000 },
      { type: 'lift', atMs: first.startMs + 20_000 },
    ]);
    const [chosen, planned] = posesDrawn(session).map((d) => d.exercise.id);
    expect([chosen, planned]).toEqual(['continuous-line', 'flowing-gesture']);
    expect(piecesOf(session).map((p) => p.exerciseId)).toEqual(['continuous-line', 'flowing-gesture']);
    expect(questionsOf(session).find((q) => q.exercise.id === 'continuous-line')?.lifts).toBe(1);
  });
});

describe('a pair', () => {
  const made = block(1, 60_000);
  const pair = planOf({ ...made, poses: made.poses.map((p) => ({ ...p, againMs: 60_000 })) });
  it('is two drawings everywhere, each with a name of its own', () => {
    const session = sessionOf(pair);
    expect(posesDrawn(session).map((d) => d.drawing)).toEqual(['0:0', '0:0~again']);
    expect(accountRun(pair, session.log, session.lastSeenMs).drawings).toBe(2);
    expect(piecesOf(session).filter((p) => p.drawing)).toHaveLength(2);
  });
});

describe('the last drawing', () => {
  const plan = planOf(poses(2, 60_000));
  const session = sessionOf(plan);
  it('is asked about after the session, since no gap follows it', () => {
    expect(lastAsked(session)?.asks).toBe('whole');
  });
  it('takes the answer into the log, and nothing else changes', () => {
    const before = accountRun(plan, session.log, session.lastSeenMs);
    const answered = sessionOf(plan, [{ type: 'whole', atMs: session.lastSeenMs, down: true }]);
    expect(lastAsked(answered)?.drawn.whole).toBe(true);
    expect(accountRun(plan, answered.log, answered.lastSeenMs)).toEqual(before);
  });
  it('is not asked about twice where a rest came after it', () => {
    const rested = planOf(poses(1, 60_000), { kind: 'rest', durationMs: 60_000 });
    expect(lastAsked(sessionOf(rested))).toBeUndefined();
  });
});

describe('an open drawing', () => {
  const made = block(2, 60_000);
  const plan = planOf({ ...made, settings: { atZero: 'open' } });
  const timeline = expandPlan(plan);
  const draws = timeline.segments.flatMap((s, i) => (s.kind === 'draw' ? [i] : []));
  it('is not told against a planned time that it does not have', () => {
    const { startMs } = timeline.segments[draws[0]];
    const log = nexts(startMs + 300_000);
    const later = timeline.segments[draws[1]].startMs + 240_000 + 200_000;
    const session = sessionOf(plan, [...log, { type: 'next', atMs: later }], { lastSeenMs: later });
    expect(compareToPlan(session)).toBe('As planned, to the second.');
  });
  it('has no end of its own: what is left is what comes after it', () => {
    const { startMs, endMs } = timeline.segments[draws[0]];
    const state = stateOnTimeline(timeline, [{ type: 'start', atMs: 0 }], startMs + 400_000);
    expect(sessionLeftMs(timeline, state, 'after this')).toBe(timeline.totalMs - endMs);
    expect(stagesAt(plan, timeline, state)).toEqual([]);
  });
});

describe('after going back', () => {
  const plan = planOf(poses(3, 60_000));
  const timeline = expandPlan(plan);
  const [first, second] = timeline.segments.filter((s) => s.kind === 'draw');
  const back = second.startMs + 5000;
  const log: RunEvent[] = [
    { type: 'back', atMs: back },
    { type: 'next', atMs: back + 22_000 },
  ];
  it('unused extra time is not a pose that ended early', () => {
    const words = compareToPlan(sessionOf(plan, log));
    expect(words).toContain('0:22 more on poses you went back to');
    expect(words).not.toContain('ended early');
  });
  it('stages do not begin again', () => {
    const state = runStateAt(plan, [{ type: 'start', atMs: 0 }, ...log], back + 5000);
    expect(stagesAt(plan, timeline, state)).toEqual([]);
    const fresh = runStateAt(plan, [{ type: 'start', atMs: 0 }], first.startMs + 5000);
    expect(stagesAt(plan, timeline, fresh).length).toBeGreaterThan(1);
    const cues = upcomingCues(plan, timeline, state, back + 5000, 60_000);
    expect(cues.filter(({ kind, atMs }) => kind === 'stage' && atMs < back + 60_000)).toEqual([]);
  });
});

describe('a pot', () => {
  const plan = planOf({ ...block(3, 60_000), settings: { atZero: 'pot', potMs: 1_200_000 } });
  const timeline = expandPlan(plan);
  it('lays stages over each drawing’s share, not over the whole pot', () => {
    const draw = timeline.segments.find((s) => s.kind === 'draw')!;
    const at = (ms: number) => stateOnTimeline(timeline, [{ type: 'start', atMs: 0 }], draw.startMs + ms);
    expect(stagedMs(timeline, at(0))).toBe(400_000);
    expect(stagedMs(timeline, at(300_000))).toBe(400_000);
    const total = stagesAt(plan, timeline, at(1000)).reduce((sum, s) => sum + s.lengthMs, 0);
    expect(total).toBe(400_000);
  });
});

describe('a session against its plan', () => {
  const plan = planOf(poses(1, 60_000));
  const total = expandPlan(plan).totalMs;
  it('says what was run over also where it was stopped there', () => {
    const soft = planOf({ ...block(1, 60_000), settings: { atZero: 'soft', softCapMs: 120_000 } });
    const words = compareToPlan(sessionOf(soft, [{ type: 'stop', atMs: total + 30_000 }]));
    expect(words).toContain('1 pose run over, by 0:30');
  });
  it('is as planned only where both totals read the same', () => {
    const soft = planOf({ ...block(1, 60_000), settings: { atZero: 'soft', softCapMs: 120_000 } });
    const taking = (ms: number): string => compareToPlan(sessionOf(soft, nexts(total + ms)));
    expect(taking(400)).toBe('As planned, to the second.');
    expect(taking(600)).toContain('You took 0:01 more than planned');
  });
});

describe('a drawing that was started over', () => {
  const plan = planOf(poses(4, 60_000));
  const first = expandPlan(plan).segments.find((s) => s.kind === 'draw')!;
  const session = sessionOf(plan, [{ type: 'restart', atMs: first.startMs + 20_000 }]);
  it('is one drawing on every panel', () => {
    const { drawings } = accountRun(plan, session.log, session.lastSeenMs);
    expect([drawings, questionsOf(session)[0].drawings]).toEqual([4, 4]);
  });
  it('does not count its abandoned attempt among the usual times', () => {
    expect(usualTimes([session]).get('flowing-gesture')).toBe(60_000);
  });
});

describe('advice on length', () => {
  const climbing = (lengths: readonly number[]): PosesBlock => {
    const made = block(lengths.length, 60_000);
    return { ...made, poses: made.poses.map((p, i) => ({ ...p, drawMs: lengths[i] })) };
  };
  const answered = (lengths: readonly number[], whole: readonly (boolean | number)[]) => {
    const plan = planOf(climbing(lengths));
    const draws = expandPlan(plan).segments.filter((s) => s.kind === 'draw');
    const log = draws.flatMap((s, i): RunEvent[] => {
      const said = whole[i];
      return typeof said === 'number'
        ? [{ type: 'wholeIn', atMs: s.startMs + said }]
        : [{ type: 'whole', atMs: s.endMs, down: said }];
    });
    return nextLength(sessionOf(plan, log), 'flowing-gesture');
  };
  it('never goes above what was whole in less', () => {
    expect(answered([180_000, 240_000, 300_000], [true, true, true])?.nextMs).toBe(180_000);
    expect(answered([60_000, 60_000, 60_000], [true, true, true])?.nextMs).toBe(45_000);
  });
  it('follows the time until whole where it was noted', () => {
    expect(answered([180_000, 240_000, 300_000], [41_000, 50_000, 44_000])?.nextMs).toBe(45_000);
    // Noted once of three says too little.
    expect(answered([180_000, 240_000, 300_000], [41_000, true, true])?.nextMs).toBe(180_000);
  });
});

describe('totals and digits', () => {
  it('tell drawings and other lines apart in one sentence', () => {
    const session = sessionOf(planOf(poses(2, 60_000)));
    const other = { ...piecesOf(session)[0], drawing: false, spentMs: 120_000 };
    expect(lifetimeWords([...piecesOf(session), other], [session])).toMatch(
      /^2 drawings in 2 minutes, plus 2 minutes of other lines, over 1 session/,
    );
  });
  it('add up: the days of a week to its minutes, line pages to whole seconds', () => {
    const days = [59_999, 100_000, 130_000, 0, 0, 0, 59_000];
    expect(wholeMinutesOf(days).reduce((a, b) => a + b, 0)).toBe(Math.floor(348_999 / 60_000));
    const account = accountRun(planOf(poses(1)), [{ type: 'start', atMs: 0 }], 60_000);
    expect(inWholeSeconds({ ...account, linesMs: 319_600, drawingMs: 400_000 }).linesMs).toBe(320_000);
  });
  it('show what is left in seconds begun, everywhere the same', () => {
    expect([leftDigits(59_001), leftDigits(60_000), leftDigits(1), leftDigits(0)]).toEqual([
      '1:00',
      '1:00',
      '0:01',
      '0:00',
    ]);
  });
  it('say what a session was drawn with', () => {
    const plan = planOf(block(2, 60_000, { settings: { medium: 'pencil' } }));
    expect(toolsWords(sessionOf(plan, [], { usualHand: 'left' }))).toBe('Pencil, with the left hand.');
    expect(toolsWords(sessionOf(planOf(poses(1)), [], { lastSeenMs: 0 }))).toBe('');
  });
});
