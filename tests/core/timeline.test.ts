import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { planSchema } from '@/core/practice/plan/schema';
import { countPoses, sumPlan } from '@/core/practice/time/sums';
import { expandPlan, segmentMs } from '@/core/practice/time/timeline';
import { anyPlan, body, lines, planOf, poses, rest } from './plans';

const kinds = (...blocks: Parameters<typeof planOf>) => expandPlan(planOf(...blocks)).segments.map((s) => s.kind);

describe('expandPlan', () => {
  it('is gap-free, in whole milliseconds, and adds up to its total', () => {
    fc.assert(
      fc.property(anyPlan, (plan) => {
        const { segments, totalMs } = expandPlan(planSchema.parse(plan));
        let at = 0;
        for (const s of segments) {
          expect(s.startMs).toBe(at);
          expect(s.endMs).toBeGreaterThan(s.startMs);
          expect(Number.isInteger(s.endMs)).toBe(true);
          at = s.endMs;
        }
        expect(totalMs).toBe(at);
        const { totalMs: sum, atLeastMs, ...parts } = sumPlan(plan);
        expect(Object.values(parts).reduce((a, b) => a + b, 0)).toBe(sum);
        expect(sum - atLeastMs).toBe(segments.filter((s) => s.open).reduce((t, s) => t + segmentMs(s), 0));
      }),
    );
  });

  it('gives every pose its lead-in', () => {
    fc.assert(
      fc.property(anyPlan, (plan) => {
        const { segments } = expandPlan(plan);
        const draws = segments.flatMap((s, i) => (s.kind === 'draw' ? [i] : []));
        expect(draws.length).toBe(countPoses(plan));
        for (const i of draws) {
          const before = segments[i - 1].kind === 'look' ? segments[i - 2] : segments[i - 1];
          expect(before.kind).toBe('leadIn');
        }
      }),
    );
  });

  it('puts a change between poses, across blocks too, none after the last', () => {
    expect(kinds(poses(2), poses(1))).toEqual([
      'leadIn',
      'draw',
      'change',
      'leadIn',
      'draw',
      'change',
      'leadIn',
      'draw',
    ]);
  });

  it('puts none where a rest or a warm-up stands between', () => {
    for (const between of [rest(), body(), lines()])
      expect(kinds(poses(1), between, poses(1)).filter((k) => k === 'change')).toEqual([]);
  });

  it('leaves pages of lines open', () => {
    const open = expandPlan(planOf(lines(2), poses(1))).segments.filter((s) => s.open);
    expect(open.map((s) => [s.kind, s.poseIndex])).toEqual([
      ['page', 0],
      ['page', 1],
    ]);
  });
});

describe('sumPlan', () => {
  it('keeps looking, lead-ins, changes, rests and the body out of drawing', () => {
    const plan = planOf(
      body(),
      poses(2, 60_000, { lookMs: 15_000, lookAgainMs: 5000, exercise: 'look-then-draw' }),
      rest(30_000),
      lines(1),
    );
    expect(sumPlan(plan)).toEqual({
      drawingMs: 160_000,
      lookingMs: 40_000,
      leadInMs: 6000,
      changingMs: 4000,
      restingMs: 30_000,
      preparingMs: 20_000,
      totalMs: 260_000,
      atLeastMs: 220_000,
    });
  });

  it('looks 0:15 and draws 1:00 within a wall time of 1:15', () => {
    const { segments } = expandPlan(planOf(poses(1, 60_000, { lookMs: 15_000 })));
    expect(segments.filter((s) => s.kind !== 'leadIn').reduce((sum, s) => sum + segmentMs(s), 0)).toBe(75_000);
  });
});
