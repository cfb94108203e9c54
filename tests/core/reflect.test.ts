import { describe, expect, it } from 'vitest';
import type { RunEvent } from '@/core/clock/log';
import {
  answersFor,
  judgingShut,
  marksOver,
  mostMissing,
  nextTimeNote,
  otherHandDue,
  questionsOf,
  tightTwice,
  withAnswers,
} from '@/core/journal/reflect';
import type { Reflection } from '@/core/journal/reflection';
import type { Session } from '@/core/journal/session';
import type { Plan } from '@/core/practice/plan/schema';
import { lines, planOf, poses } from './plans';
import { sessionOf } from './sessions';

const saying = (startedAtMs: number, reflection: Reflection): Session =>
  sessionOf(planOf(poses(1)), [], { startedAtMs, reflection });

describe('questions after a session', () => {
  it('belong to the exercises drawn, in order, with what their rules count', () => {
    const plan = planOf(
      lines(1),
      poses(2, 60_000),
      poses(1, 60_000, { exercise: 'mark-allowance' }),
      poses(1, 60_000, { exercise: 'c-s-straight' }),
      poses(1, 300_000, { exercise: 'blind-contour' }),
      poses(1, 120_000, { exercise: 'continuous-line' }),
    );
    const questions = questionsOf(sessionOf(plan, [{ type: 'next', atMs: 10_000 }]));
    expect(questions.map((q) => [q.exercise.id, q.drawings])).toEqual([
      ['flowing-gesture', 2],
      ['mark-allowance', 1],
      ['c-s-straight', 1],
      ['blind-contour', 1],
      ['continuous-line', 1],
    ]);
    expect(questions.map((q) => q.marks)).toEqual([undefined, 20, undefined, undefined, undefined]);
    expect(questions.map((q) => q.asksFuzz)).toEqual([true, false, false, false, false]);
    expect(questions.map((q) => q.asksOtherMark)).toEqual([false, false, true, false, false]);
    expect(questions[3].peeks).toMatchObject({ count: 0, within: true, allowedMs: 6000 });
    expect(questions[4].lifts).toBe(0);
    for (const q of questions) expect(q.exercise.closingQuestion.toLowerCase()).not.toContain('likeness');
  });
  it('leave out what was only passed over', () => {
    const log: RunEvent[] = [{ type: 'next', atMs: 4000 }];
    expect(questionsOf(sessionOf(planOf(poses(1)), log))).toEqual([]);
  });
  it('reads peeks against two percent: 4.5 s of 5:00 is within, 2 s of 1:00 is over', () => {
    const peek = (atMs: number, forMs: number): RunEvent => ({ type: 'peek', atMs, forMs });
    const blind = (ms: number): Plan => planOf(poses(1, ms, { exercise: 'blind-contour' }));
    const [five] = questionsOf(sessionOf(blind(300_000), [peek(10_000, 1500), peek(20_000, 1500), peek(30_000, 1500)]));
    expect(five.peeks).toMatchObject({ spentMs: 4500, share: 0.015, within: true });
    const [one] = questionsOf(sessionOf(blind(60_000), [peek(10_000, 2000)]));
    expect(one.peeks?.within).toBe(false);
    expect(one.peeks?.share).toBeCloseTo(1 / 30);
  });
});

describe('what was said', () => {
  it('is kept by exercise, and one answer never overwrites another', () => {
    const once = withAnswers({}, 'a', (before) => ({ ...before, noticed: 'x' }));
    const twice = withAnswers(once, 'a', (before) => ({ ...before, fuzz: true }));
    expect(twice.answers).toEqual([{ exerciseId: 'a', noticed: 'x', fuzz: true }]);
    expect(answersFor(twice, 'b')).toEqual({ exerciseId: 'b' });
  });
  it('names the element missing most often', () => {
    const said = (missing: string[]): Session =>
      saying(1, { answers: [{ exerciseId: 'x', looked: ['head', 'spine', 'hips'], missing }] });
    const all = [said(['hips']), said(['spine', 'hips']), said([]), saying(2, {})];
    expect(mostMissing(all, 'x')).toEqual({ element: 'hips', missing: 2, looked: 3 });
    expect(mostMissing(all, 'y')).toBeUndefined();
    expect(mostMissing([said([])], 'x')).toBeUndefined();
  });
  it('says marks over and under', () => {
    expect(marksOver(24, 18)).toBe('6 more than allowed, 33 % over');
    expect(marksOver(18, 18)).toBe('exactly as many as allowed');
    expect(marksOver(9, 18)).toBe('9 to spare, 50 % under');
  });
  it('offers to loosen after two tight ones running, not before', () => {
    expect(tightTwice([saying(2, { line: 'tight' }), saying(1, { line: 'tight' })])).toBe(true);
    expect(tightTwice([saying(1, { line: 'tight' }), saying(2, { line: 'loose' }), saying(3, { line: 'tight' })])).toBe(
      false,
    );
    expect(tightTwice([saying(1, { line: 'tight' })])).toBe(false);
    // A session in which nothing was said does not break the row.
    expect(tightTwice([saying(3, { line: 'tight' }), saying(2, {}), saying(1, { line: 'tight' })])).toBe(true);
  });
  it('shows the note for next time only from the session before', () => {
    expect(nextTimeNote([saying(1, { nextTime: 'red chalk' }), saying(2, { nextTime: 'slower' })])).toBe('slower');
    expect(nextTimeNote([saying(1, { nextTime: 'red chalk' }), saying(2, {})])).toBeUndefined();
  });
  it('proposes the other hand after a longer session with one alone', () => {
    const many = (more: Partial<Plan> = {}): Session => sessionOf({ ...planOf(poses(9, 10_000)), ...more });
    expect(otherHandDue(many())).toBe(true);
    expect(otherHandDue(sessionOf(planOf(poses(7, 10_000))))).toBe(false);
    expect(otherHandDue(sessionOf(planOf(poses(8, 10_000), poses(1, 60_000, { exercise: 'other-hand' }))))).toBe(false);
  });
  it('shuts judging until its date', () => {
    const session = saying(1, { noJudgingUntilMs: 5000 });
    expect([judgingShut(session, 4999), judgingShut(session, 5000)]).toEqual([true, false]);
  });
});
