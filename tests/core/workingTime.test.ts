import { describe, expect, it } from 'vitest';
import type { RunEvent } from '@/core/clock/log';
import { lengthsThatWork } from '@/core/growing/lengthsThatWork';
import { piecesOf } from '@/core/growing/pieces';
import { toldWorkingTime, wholeAnswers, workingTime, workingTimeWords } from '@/core/growing/workingTime';
import { nextStepMs } from '@/core/practice/time/staircase';
import { seededRandom } from '@/core/random';
import { planOf, poses } from './plans';
import { sessionOf } from './sessions';

const said = (s: number, down: boolean) => ({ lengthMs: s * 1000, spentMs: s * 1000, down });

/** Answers of somebody whose whole figure is down in seven of ten drawings at `trueS`, who takes what is offered. */
function answersOf(trueS: number, count: number, random: () => number, steepness = 3): ReturnType<typeof said>[] {
  const answers = [said(120, true)];
  while (answers.length < count) {
    const s = (nextStepMs(answers) ?? 60_000) / 1000;
    const chance =
      1 / (1 + Math.exp(-(steepness * Math.log2(s / trueS) + Math.log(Math.SQRT1_2 / (1 - Math.SQRT1_2)))));
    answers.push(said(s, random() < chance));
  }
  return answers;
}

describe('working time', () => {
  it('is found: it lies in what is told nine times in ten, and the middle is right to a third on the whole', () => {
    const random = seededRandom(5);
    let inside = 0;
    const off: number[] = [];
    for (let i = 0; i < 200; i++) {
      const trueS = 15 * 2 ** (4 * random());
      const found = workingTime(answersOf(trueS, 30, random));
      if (!found) throw new Error('never down');
      if (found.lowMs <= trueS * 1000 && trueS * 1000 <= found.highMs) inside++;
      off.push(Math.abs(Math.log2(found.ms / 1000 / trueS)));
      expect(found.lowMs).toBeLessThanOrEqual(found.ms);
      expect(found.highMs).toBeGreaterThanOrEqual(found.ms);
    }
    expect(inside).toBeGreaterThan(170);
    expect(off.sort((a, b) => a - b)[100]).toBeLessThan(Math.log2(4 / 3));
  });
  it('is told the more narrowly the more was said', () => {
    const width = (count: number): number => {
      const found = workingTime(answersOf(60, count, seededRandom(3)));
      return found ? found.highMs / found.lowMs : NaN;
    };
    expect(width(40)).toBeLessThan(width(12));
    expect(width(12)).toBeLessThan(width(4));
  });
  it('follows the learner: only the last answers count', () => {
    const random = seededRandom(1);
    const slow = answersOf(240, 60, random);
    const fast = answersOf(30, 40, random);
    expect(workingTime([...slow, ...fast])).toEqual(workingTime(fast));
  });
  it('is not made up from few answers, or where the figure was never down', () => {
    expect(workingTime([said(30, false), said(60, true), said(90, true)])).toBeUndefined();
    expect(workingTime([30, 60, 90, 99].map((s) => said(s, false)))).toBeUndefined();
  });
  it('settles where seven in ten are whole', () => {
    const random = seededRandom(9);
    const answers = answersOf(50, 2000, random).slice(100);
    const share = answers.filter(({ down }) => down).length / answers.length;
    expect(Math.abs(share - Math.SQRT1_2)).toBeLessThan(0.04);
  });
  it.each([
    [[], undefined],
    [[said(60, true)], 60],
    [[said(60, true), said(60, true)], 45],
    [[said(90, true), said(60, true)], 60],
    [[said(60, true), said(60, true), said(60, false)], 90],
    [[said(60, false), said(60, true)], 60],
    [[said(60, true), said(60, true), said(45, true)], 45],
    // Whole in less time is whole in more.
    [[said(180, true), said(240, true), said(300, true)], 180],
  ])('offers a shorter step after two yeses, a longer one after a no', (answers, seconds) => {
    expect(nextStepMs(answers)).toBe(seconds && seconds * 1000);
  });
  it('is asked of nobody who explained to others', () => {
    const log: RunEvent[] = [{ type: 'whole', atMs: 64_000, down: true }];
    const plan = planOf(poses(2, 60_000));
    expect([...wholeAnswers(piecesOf(sessionOf(plan, log)))].map(([id, { answers }]) => [id, answers.length])).toEqual([
      ['flowing-gesture', 1],
    ]);
    expect(wholeAnswers(piecesOf(sessionOf({ ...plan, audience: true }, log))).size).toBe(0);
  });
  it('is told in words, with what to try next, or how much is missing', () => {
    const of = (...some: ReturnType<typeof said>[]): string => {
      const answers = some.map((a) => ({ ...a, atMs: 0 }));
      return workingTimeWords(answers, toldWorkingTime(answers));
    };
    expect(of(said(60, true), said(60, true))).toBe(
      'too few answers to tell: 8 more answers would do. To try next: 45 s',
    );
    expect(of(...Array.from({ length: 10 }, () => said(60, false)))).toBe(
      'longer than what was tried: the whole figure was never down. To try next: 1½ min',
    );
    expect(of(...answersOf(60, 40, seededRandom(4)))).toMatch(/^about .+, very likely between .+ and /);
  });
  it('comes before the usual length where it is known', () => {
    const plan = planOf(poses(4, 60_000));
    const answers = [36, 36 + 67, 36 + 2 * 67].map((s, i): RunEvent => ({
      type: 'whole',
      atMs: (s + 28) * 1000,
      down: i > 0,
    }));
    const session = sessionOf(plan, answers);
    expect(lengthsThatWork([session]).get('flowing-gesture')).toBe(60_000);
    const cut = sessionOf(
      planOf(poses(4, 30_000)),
      [34, 71, 108, 144].map((s): RunEvent => ({ type: 'whole', atMs: s * 1000, down: true })).slice(0, 3),
      { startedAtMs: 2 },
    );
    expect(lengthsThatWork([session, cut]).get('flowing-gesture')).toBe(30_000);
  });
});
