import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { RunEvent } from '@/core/clock/log';
import { restOfSession } from '@/core/journal/restOfSession';
import { type PosesBlock, planSchema } from '@/core/practice/plan/schema';
import { countPoses, sumPlan } from '@/core/practice/time/sums';
import { expandPlan } from '@/core/practice/time/timeline';
import { anyPlan, body, lines, planOf, poses, rest } from './plans';
import { sessionOf } from './sessions';

const stop = (atMs: number): RunEvent => ({ type: 'stop', atMs });
// Lead-in 3 s, draw 30 s, change 4 s.
const plan = planOf(poses(3), rest(), poses(2, 60_000));
const restAt = (of: typeof plan, atMs: number, ...before: RunEvent[]) =>
  restOfSession(sessionOf(of, [...before, stop(atMs)]));
const drawn = (of: ReturnType<typeof restAt>) =>
  of?.blocks.map((b) => (b.kind === 'poses' ? b.poses.map((p) => [p.referenceId, p.drawMs]) : b.kind));

describe('the rest of a stopped session', () => {
  it('begins with the drawing that was stopped, with the time it had left', () => {
    expect(drawn(restAt(plan, 50_000))).toEqual([
      [
        ['figure-1', 20_000],
        ['figure-2', 30_000],
      ],
      'rest',
      [
        ['figure-0', 60_000],
        ['figure-1', 60_000],
      ],
    ]);
  });
  it('leaves out a drawing that was as good as done, and never begins with a rest', () => {
    const inThird = 2 * 37_000 + 3000 + 26_000;
    expect(drawn(restAt(plan, inThird))).toEqual([
      [
        ['figure-0', 60_000],
        ['figure-1', 60_000],
      ],
    ]);
  });
  it('is as the learner changed the session on the way', () => {
    const changes: RunEvent[] = [
      { type: 'picture', atMs: 1000, blockIndex: 0, poseIndex: 2, referenceId: 'other' },
      { type: 'length', atMs: 2000, segmentIndex: 7, lengthMs: 45_000 },
    ];
    expect(expandPlan(plan).segments[7]).toMatchObject({ kind: 'draw', poseIndex: 2 });
    expect(drawn(restAt(plan, 34_000, ...changes))?.[0]).toEqual([
      ['figure-1', 30_000],
      ['other', 45_000],
    ]);
  });
  it('has what was left of a pot', () => {
    const [made] = planOf(poses(3)).blocks;
    const pot = planOf({ ...(made as PosesBlock), settings: { atZero: 'pot', potMs: 300_000 } });
    const left = restAt(pot, 103_000)?.blocks[0];
    expect(left?.kind === 'poses' && left.settings?.potMs).toBe(200_000);
    expect(countPoses(restAt(pot, 103_000)!)).toBe(3);
  });
  it('goes on with the move of the body or the page of lines that was stopped', () => {
    const warm = planOf(body(), lines(2), poses(1));
    expect(restAt(warm, 12_000)?.blocks).toMatchObject([{ moves: [{ name: 'Stretch' }] }, { kind: 'lines' }, {}]);
    const inLines = restAt(warm, 25_000, { type: 'next', atMs: 24_000 })?.blocks[0];
    expect(inLines?.kind === 'lines' && inLines.pages).toHaveLength(1);
  });
  it('is nothing where the session went to its end, or only a rest is left', () => {
    expect(restOfSession(sessionOf(plan, []))).toBeUndefined();
    expect(restAt(planOf(poses(1), rest()), 40_000)).toBeUndefined();
  });
  it('of any plan, stopped anywhere, is a plan that can be run, and no longer than what was left', () => {
    fc.assert(
      fc.property(anyPlan, fc.double({ min: 0, max: 1, noNaN: true }), (any, share) => {
        const { totalMs } = sumPlan(any);
        const left = restAt(any, Math.round(share * totalMs));
        if (!left) return;
        expect(planSchema.safeParse(left).success).toBe(true);
        expect(countPoses(left)).toBeLessThanOrEqual(countPoses(any));
        expect(sumPlan(left).totalMs).toBeLessThanOrEqual(totalMs);
      }),
      { numRuns: 150 },
    );
  });
});
