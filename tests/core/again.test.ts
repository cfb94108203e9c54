import { describe, expect, it } from 'vitest';
import { againPlan, blindPair, pairsOf, returnsDue, USUAL_WAITS } from '@/core/growing/again';
import { answeredBlind, blindWords, readBlind, readWaits, writeWaits } from '@/core/growing/waits';
import type { Session } from '@/core/journal/session';
import { localDay } from '@/core/moment';
import { planSchema, type Block } from '@/core/practice/plan/schema';
import { sumPlan } from '@/core/practice/time/sums';
import { mirroredReference } from '@/core/references/mirrorReference';
import { pictureReferenceId } from '@/core/references/picture';
import { planOf, poses } from './plans';
import { sessionOf } from './sessions';

const noon = (day: number): number => new Date(2026, 0, 5 + day, 12).getTime();
const TODAY = localDay(noon(0));
const on = (day: number, ...blocks: Block[]): Session =>
  sessionOf(planOf(...blocks), [], { id: `s${String(day)}`, startedAtMs: noon(day) });
const seen = (): boolean => true;

describe('a picture that was drawn', () => {
  it('comes back after a week, two months and a year, each once', () => {
    const first = on(0, poses(1));
    const due = (day: number, ...more: Session[]) => returnsDue([first, ...more], TODAY + day, USUAL_WAITS, seen);
    expect(due(6)).toEqual([]);
    expect(due(7)).toMatchObject([{ waited: 7, dueDay: TODAY + 7 }]);
    expect(due(8, on(7, poses(1)))).toEqual([]);
    expect(due(60, on(7, poses(1)))).toMatchObject([{ waited: 60 }]);
    expect(due(365, on(7, poses(1)), on(61, poses(1)))).toMatchObject([{ waited: 365 }]);
    expect(due(2000, on(7, poses(1)), on(61, poses(1)), on(370, poses(1)))).toEqual([]);
  });
  it('is asked for only where its first drawing can still be seen, the longest waiting first', () => {
    const sessions = [on(0, poses(1)), on(3, poses(2))];
    expect(returnsDue(sessions, TODAY + 30, [7], () => false)).toEqual([]);
    const due = returnsDue(sessions, TODAY + 30, [7], seen);
    expect(due.map(({ dueDay }) => dueDay - TODAY)).toEqual([10]);
    expect(returnsDue([on(0, poses(1))], TODAY + 30, [7], seen).map(({ first }) => first.session.id)).toEqual(['s0']);
  });
  it('comes back under the same rule, for the same time', () => {
    const session = on(0, poses(2, 45_000, { exercise: 'continuous-line', settings: { medium: 'ballpoint' } }));
    const [{ first }] = returnsDue([session], TODAY + 7, [7], seen);
    const plan = planSchema.parse(againPlan(first, 3));
    const [block] = plan.blocks;
    expect(block).toMatchObject({ kind: 'poses', exercise: 'continuous-line', settings: { medium: 'ballpoint' } });
    expect(block.kind === 'poses' && block.poses).toMatchObject([{ referenceId: 'figure-0', drawMs: 45_000 }]);
    expect(plan.availableMs).toBe(sumPlan(plan).totalMs);
    expect(plan.cause?.again).toBe(`s0/${first.drawing.drawing}`);
  });
  it('is one picture whichever way round it was shown, and another under another exercise', () => {
    const id = pictureReferenceId('a');
    const of = (referenceId: string, exercise = 'flowing-gesture'): Block => {
      const block = poses(1, 30_000, { exercise });
      if (block.kind === 'poses') block.poses[0].referenceId = referenceId;
      return block;
    };
    expect(pairsOf([on(0, of(id)), on(9, of(mirroredReference(id)))])).toHaveLength(1);
    expect(pairsOf([on(0, of(id)), on(9, of(id, 'continuous-line'))])).toEqual([]);
    // Twice on one day is no then and now.
    expect(pairsOf([on(0, of(id)), { ...on(0, of(id)), id: 'later' }])).toEqual([]);
  });
});

describe('a blind pair', () => {
  const [pair] = pairsOf([on(0, poses(1)), on(9, poses(1))]);
  it('lies in an order that tells nothing, and knows the newer one', () => {
    const orders = Array.from({ length: 400 }, (_, seed) => blindPair(pair.older, pair.newer, seed));
    const newerLeft = orders.filter(({ newer }) => newer === 'left').length;
    // A fair coin, 400 times: within five standard deviations.
    expect(Math.abs(newerLeft - 200)).toBeLessThan(50);
    for (const { left, right, newer } of orders.slice(0, 20)) expect(newer === 'left' ? left : right).toBe(pair.newer);
  });
  it('is counted, and what cannot be read counts as nothing', () => {
    const once = answeredBlind(undefined, true);
    expect(readBlind(answeredBlind(once, false))).toEqual({ asked: 2, right: 1 });
    expect(readBlind('{"asked":-1}')).toEqual({ asked: 0, right: 0 });
    expect(blindWords({ asked: 10, right: 7 })).toBe('You knew the newer one 7 of 10 times.');
    expect(blindWords({ asked: 0, right: 0 })).toBe('Not asked yet.');
  });
});

describe('waits', () => {
  it('are kept as they were set, rising, and come as usual where they cannot be read', () => {
    expect(readWaits(writeWaits([90, 7]))).toEqual([7, 90]);
    expect(readWaits(undefined)).toEqual(USUAL_WAITS);
    expect(readWaits('[0]')).toEqual(USUAL_WAITS);
    expect(readWaits('nonsense')).toEqual(USUAL_WAITS);
    expect(() => writeWaits([])).toThrow();
  });
});
