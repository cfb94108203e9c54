import { describe, expect, it } from 'vitest';
import { proposePlan } from '@/core/practice/start/propose';
import { planSchema } from '@/core/practice/plan/schema';
import { countPoses, sumPlan } from '@/core/practice/time/sums';
import { facingHabit, type ReferenceFacts } from '@/core/references/coverage';

const references: ReferenceFacts[] = Array.from({ length: 20 }, (_, i) => ({
  id: `r${i}`,
  facing: i % 2 ? 'left' : 'right',
  viewName: ['front', 'profile', 'back'][i % 3],
  difficulty: 1 + (i % 5),
}));
const history = { facings: { left: 0, right: 0 }, timesDrawn: new Map<string, number>() };
const propose = (minutes: number, more: Partial<Parameters<typeof proposePlan>[0]> = {}) =>
  proposePlan({ availableMs: minutes * 60_000, references, history, seed: 3, ...more });

describe('proposePlan', () => {
  it('fits every length from a minute to three hours, never over and nearly full', () => {
    for (let minutes = 1; minutes <= 180; minutes++)
      for (const seed of [1, 2]) {
        const plan = planSchema.parse(propose(minutes, { seed }));
        const { totalMs } = sumPlan(plan);
        expect(totalMs).toBeLessThanOrEqual(minutes * 60_000);
        expect(minutes * 60_000 - totalMs, `${minutes} minutes`).toBeLessThan(30_000);
        expect(countPoses(plan)).toBeGreaterThan(0);
      }
  });
  it('is the same for the same seed', () => {
    expect(propose(25)).toEqual(propose(25));
    expect(propose(25, { seed: 4 })).not.toEqual(propose(25));
  });
  it('holds one or two exercises under ten minutes and more of them from ten on', () => {
    const exercises = (m: number) =>
      new Set(propose(m).blocks.flatMap((b) => (b.kind === 'poses' ? [b.exercise] : []))).size;
    expect(exercises(5)).toBeLessThanOrEqual(2);
    expect(exercises(20)).toBeGreaterThanOrEqual(3);
  });
  it('warms up from ten minutes and rests about every twenty to twenty-five', () => {
    expect(propose(8).blocks.some((b) => b.kind === 'body')).toBe(false);
    expect(propose(20).blocks[0].kind).toBe('body');
    for (const minutes of [45, 60, 90, 180]) {
      let sinceRest = 0;
      for (const block of propose(minutes).blocks) {
        if (block.kind === 'rest') sinceRest = 0;
        else sinceRest += sumPlan({ ...propose(1), blocks: [block] }).totalMs;
        expect(sinceRest).toBeLessThan(30 * 60_000);
      }
    }
  });
  it('eases in after a break and says so', () => {
    const plan = propose(8, { history: { ...history, daysSinceLast: 9 } });
    expect(plan.blocks[0].kind).toBe('lines');
    expect(plan.why).toContain('9 days');
    const first = propose(20, { history: { ...history, daysSinceLast: 2 } }).blocks.find((b) => b.kind === 'poses');
    const id = first?.kind === 'poses' ? first.poses[0].referenceId : null;
    expect(references.find((r) => r.id === id)?.difficulty).toBeLessThanOrEqual(2);
  });
  it('turns a facing habit round and says why', () => {
    const plan = propose(20, { history: { ...history, facings: { left: 9, right: 31 } } });
    expect(plan.why).toContain('mostly left-facing figures, because 31 of your last 40 faced right');
    const ids = plan.blocks.flatMap((b) => (b.kind === 'poses' ? b.poses.map((p) => p.referenceId) : []));
    const left = ids.filter((id) => references.find((r) => r.id === id)?.facing === 'left').length;
    expect(left / ids.length).toBeGreaterThan(0.6);
  });
  it('works with nothing to draw from', () => {
    expect(
      propose(10, { references: [] })
        .blocks.flatMap((b) => (b.kind === 'poses' ? b.poses : []))
        .every((p) => p.referenceId === null),
    ).toBe(true);
  });
});

describe('a plan for references picked already', () => {
  it('takes them in order, round and round, and marks the odd one out', () => {
    const picked = ['x', 'y'].map((id, i) => ({ id, odd: i === 1 }));
    const poses = propose(10, { picked }).blocks.flatMap((b) => (b.kind === 'poses' ? b.poses : []));
    expect(poses.slice(0, 3).map((p) => [p.referenceId, p.odd])).toEqual([
      ['x', undefined],
      ['y', true],
      ['x', undefined],
    ]);
  });
});

describe('facingHabit', () => {
  it('is an exact two-sided binomial test at 5 %', () => {
    // P(X >= 9 of 10) = 11/1024, doubled 0.0215; P(X >= 8 of 10) = 56/1024, doubled 0.109.
    expect(facingHabit({ left: 1, right: 9 })).toBe('right');
    expect(facingHabit({ left: 8, right: 2 })).toBeUndefined();
    expect(facingHabit({ left: 0, right: 0 })).toBeUndefined();
    expect(facingHabit({ left: 31, right: 9 })).toBe('left');
  });
  it('keeps the first drawings from memory to what is easy, until it was done in three sessions', () => {
    const hardest = (memorySessions: number): number => {
      const plan = propose(60, { history: { ...history, memorySessions } });
      const ids = plan.blocks.flatMap((b) =>
        b.kind === 'poses' && b.exercise === 'look-then-draw' ? b.poses.map((p) => p.referenceId) : [],
      );
      expect(ids.length).toBeGreaterThan(0);
      return Math.max(...ids.map((id) => references.find((r) => r.id === id)?.difficulty ?? NaN));
    };
    expect(hardest(0)).toBeLessThanOrEqual(2);
    expect(hardest(2)).toBeLessThanOrEqual(2);
    expect(hardest(3)).toBeGreaterThan(2);
    const why = (pool: ReferenceFacts[]): string =>
      propose(60, { references: pool, history: { ...history, memorySessions: 0 } }).why;
    expect(why(references)).toContain('something easy to draw from memory');
    expect(why(references.filter((r) => (r.difficulty ?? 0) > 2))).not.toContain('something easy to draw from memory');
  });
});
