import { describe, expect, it } from 'vitest';
import { actualRibbon } from '@/core/clock/ribbon';
import { accountRun } from '@/core/clock/account';
import type { RunEvent } from '@/core/clock/log';
import { demoSessions } from '@/core/demo';
import { demoWorkingMs } from '@/core/demoShort';
import { piecesOf } from '@/core/growing/pieces';
import { wholeAnswers, workingTime } from '@/core/growing/workingTime';
import { DEMO_LEARNER } from '@/core/demoLearner';
import { CATALOGUE } from '@/core/figure/catalogue/catalogue';
import { compareToPlan } from '@/core/journal/compare';
import { counted, listWords } from '@/core/words';
import { drawingHistory, drawnReferences } from '@/core/journal/history';
import { type Session, sessionSchema } from '@/core/journal/session';
import { accountSession } from '@/core/journal/sessionAccount';
import { clockDigits, durationWords, spokenDuration, wholeSeconds } from '@/core/practice/time/duration';
import { nextDurationStepMs } from '@/core/practice/time/durationSteps';
import { plannedRibbon } from '@/core/practice/time/ribbon';
import type { Plan } from '@/core/practice/plan/schema';
import { sumPlan } from '@/core/practice/time/sums';
import { facingHabit, countFacings } from '@/core/references/coverage';
import { body, lines, planOf, poses, rest } from './plans';

const session = (
  plan: Plan,
  events: RunEvent[],
  lastSeenMs = 9_999_999,
  startedAtMs = Date.UTC(2026, 10, 23, 18),
): Session => ({
  id: 's',
  plan,
  log: [{ type: 'start', atMs: 0 }, ...events],
  startedAtMs,
  lastSeenMs,
  status: 'kept',
  note: '',
});
const two = planOf(poses(2)); // 70 s

describe('compareToPlan', () => {
  it('says when all went as planned', () => {
    expect(compareToPlan(session(two, []))).toBe('As planned, to the second.');
  });
  it('adds up what made it longer', () => {
    const s = session(two, [
      { type: 'hold', atMs: 10_000, reason: 'paused' },
      { type: 'resume', atMs: 34_000, counted: false },
      { type: 'back', atMs: 60_000 },
    ]);
    expect(compareToPlan(s)).toBe(
      'You took 0:57 more than planned, with 0:24 on hold and 0:30 more on poses you went back to.',
    );
  });
  it('is neutral about stopping early', () => {
    expect(compareToPlan(session(two, [{ type: 'stop', atMs: 20_000 }]))).toBe(
      'You stopped after 0:20 of 1:10; 1 of 2 poses is left for another day.',
    );
    expect(compareToPlan(session(two, [{ type: 'stop', atMs: 65_000 }]))).toContain('every pose was reached');
  });
  it('lists like a person', () => {
    expect([0, 1, 2].map((n) => counted(n, 'page'))).toEqual(['0 pages', '1 page', '2 pages']);
    expect([[], ['a'], ['a', 'b'], ['a', 'b', 'c']].map(listWords)).toEqual(['', 'a', 'a and b', 'a, b and c']);
  });
});

describe('durations', () => {
  it('read as on a clock, as written, and aloud', () => {
    expect([0, 999, 74_000, 3_725_000].map(clockDigits)).toEqual(['0:00', '0:01', '1:14', '1:02:05']);
    expect([10_000, 60_000, 90_000, 150_000, 1_200_000, 3_600_000, 5_400_000].map(durationWords)).toEqual([
      '10 s',
      '1 min',
      '1½ min',
      '2:30',
      '20 min',
      '1 h',
      '1½ h',
    ]);
    expect([0, 61_000, 7_200_000].map(spokenDuration)).toEqual(['0 seconds', '1 minute 1 second', '2 hours']);
  });
  it('step up along the lengths people use', () => {
    expect([10_000, 30_000, 31_000, 60_000, 1_800_000].map(nextDurationStepMs)).toEqual([
      15_000, 45_000, 45_000, 90_000, 2_700_000,
    ]);
  });
  it('in whole seconds still add up', () => {
    expect(wholeSeconds([1600, 1600, 1600, 1200])).toEqual([2, 2, 1, 1]);
    for (let n = 0; n < 200; n++) {
      const parts = [1, 2, 3, 4, 5, 6].map((k) => (n * 7919 * k) % 100_003);
      const total = Math.round(parts.reduce((a, b) => a + b, 0) / 1000);
      expect(wholeSeconds(parts).reduce((a, b) => a + b, 0)).toBe(total);
    }
  });
});

describe('ribbons', () => {
  it('give a plan one cell a drawing and a page, one for body and rest', () => {
    const plan = planOf(body(), lines(2), poses(3, 30_000, { lookMs: 10_000, exercise: 'look-then-draw' }), rest());
    const blocks = plannedRibbon(plan);
    expect(blocks.map((b) => [b.label, b.measure, b.family, b.cells.length])).toEqual([
      ['Body', '20 s', 'body', 1],
      ['Lines', '2 pages', 'lines', 2],
      ['Look, then draw', '3 × 10 s + 30 s', 'memory', 3],
      ['Rest', '1 min', 'rest', 1],
    ]);
    const total = blocks.flatMap((b) => b.cells).reduce((sum, c) => sum + c.lengthMs, 0);
    expect(total).toBe(sumPlan(plan).totalMs);
    expect(blocks[2].cells[0]).toMatchObject({ lookMs: 10_000, referenceId: 'figure-0' });
  });
  it('show a session as it went: held, gone back to, passed over', () => {
    const events: RunEvent[] = [
      { type: 'hold', atMs: 10_000, reason: 'paused' },
      { type: 'resume', atMs: 16_000, counted: false },
      { type: 'back', atMs: 41_000 },
      { type: 'next', atMs: 43_000 },
    ];
    const plan = planOf(poses(2));
    const [block] = actualRibbon(plan, [{ type: 'start', atMs: 0 }, ...events], 999_999);
    expect(block.cells.map((c) => [c.extra, c.skipped, c.heldMs])).toEqual([
      [false, false, 6000],
      [true, true, 0],
      [false, false, 0],
    ]);
    const wall = accountRun(plan, [{ type: 'start', atMs: 0 }, ...events], 999_999).wallMs;
    expect(block.cells.reduce((sum, c) => sum + c.lengthMs, 0)).toBe(wall);
  });
});

describe('history', () => {
  it('counts what was drawn, not what was passed over', () => {
    const s = session(two, [{ type: 'next', atMs: 4000 }]);
    expect(drawnReferences(s)).toEqual(['figure-1']);
    const history = drawingHistory([s], s.startedAtMs + 3 * 86_400_000);
    expect(history).toMatchObject({ daysSinceLast: 3, drawn: ['figure-1'] });
    expect(history.timesDrawn.get('figure-1')).toBe(1);
  });
  it('knows nothing before the first session', () => {
    expect(drawingHistory([], 0)).toEqual({ drawn: [], recent: 0, timesDrawn: new Map(), memorySessions: 0 });
  });
});

describe('the demo learner', () => {
  const facts = CATALOGUE;
  const now = Date.UTC(2026, 10, 25, 12);
  const sessions = demoSessions(facts, now);
  it('has forty whole sessions over twelve weeks with two weeks away', () => {
    expect(DEMO_LEARNER).toBe('Wren Halloran');
    expect(sessions.length).toBe(40);
    expect(new Set(sessions.map(({ id }) => id)).size).toBe(40);
    const days = sessions.map((s) => (now - sessionSchema.parse(s).startedAtMs) / 86_400_000).sort((a, b) => b - a);
    expect(Math.max(...days)).toBeGreaterThan(80);
    expect(Math.max(...days.slice(1).map((d, i) => days[i] - d))).toBeGreaterThan(14);
    for (const s of sessions) {
      const a = accountSession(s);
      expect(a.wallMs).toBe(s.lastSeenMs);
      expect(a.wallMs).toBeLessThan(2 * s.plan.availableMs);
      expect(a.drawings).toBeGreaterThan(0);
    }
  });
  it('has a habit of drawing figures that face right', () => {
    const drawn = sessions.flatMap(drawnReferences).slice(-40);
    const facings = countFacings(drawn.map((id) => facts.find((f) => f.id === id) ?? { id }));
    expect(facingHabit(facings)).toBe('right');
  });
  it('has a working time that falls from two minutes to 45 seconds, and what is told of it holds that', () => {
    const said = wholeAnswers(sessions.flatMap(piecesOf)).get('flowing-gesture')?.answers ?? [];
    expect(said).toHaveLength(140);
    const daysAgo = (atMs: number): number => (now - atMs) / 86_400_000;
    for (const some of [said.slice(0, 40), said.slice(-40)]) {
      const [first, last] = [some[0], some[some.length - 1]].map(({ atMs }) => demoWorkingMs(daysAgo(atMs)));
      const found = workingTime(some);
      expect(found?.lowMs).toBeLessThan(first);
      expect(found?.highMs).toBeGreaterThan(last);
    }
    expect(workingTime(said)?.ms).toBeLessThan(75_000);
    expect(workingTime(said.slice(0, 40))?.ms).toBeGreaterThan(80_000);
  });
  it('is the same every time', () => {
    expect(demoSessions(facts, now)).toEqual(sessions);
  });
});
