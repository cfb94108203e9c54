import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { RunEvent } from '@/core/clock/log';
import { stateOnTimeline } from '@/core/clock/run';
import type { Plan } from '@/core/practice/plan/schema';
import { hiddenReference } from '@/core/practice/rules/showsReference';
import { expandPlan } from '@/core/practice/time/timeline';
import { type Scene, sceneOf } from '@/features/run/stage/scene';
import { anyPlan, planOf, poses, rest } from '../core/plans';

/** What is to be seen of a plan at a moment, after some events. */
function sceneAt(plan: Plan, atMs: number, log: readonly RunEvent[] = [], leadInShows = false): Scene {
  const timeline = expandPlan(plan);
  return sceneOf(
    plan,
    timeline.segments,
    stateOnTimeline(timeline, [{ type: 'start', atMs: 0 }, ...log], atMs),
    leadInShows,
  );
}
const startOf = (plan: Plan, kind: string, nth = 0): number =>
  expandPlan(plan).segments.filter((s) => s.kind === kind)[nth].startMs;

describe('what is to be seen at a moment of a run', () => {
  const two = planOf(poses(2, 60_000));
  it('is the reference while it is drawn, and nothing in the lead-in or between', () => {
    expect(sceneAt(two, startOf(two, 'leadIn') + 1)).toMatchObject({ shownId: null, previewId: null, urgent: false });
    expect(sceneAt(two, startOf(two, 'draw') + 1)).toMatchObject({ shownId: 'figure-0', drawnId: null, urgent: true });
    expect(sceneAt(two, startOf(two, 'change') + 1)).toMatchObject({
      shownId: null,
      drawnId: 'figure-0',
      between: true,
    });
  });
  it('is the coming pose aside in a lead-in where that is wanted, and in a rest', () => {
    expect(sceneAt(two, 1, [], true)).toMatchObject({ previewId: 'figure-0', shownId: 'figure-0' });
    const plan = planOf(poses(1), rest(), poses(2));
    const inRest = sceneAt(plan, startOf(plan, 'rest') + 1);
    expect(inRest).toMatchObject({ resting: true, between: true, previewId: 'figure-0', drawnId: 'figure-0' });
  });
  it('makes ready what is drawn now and next, and keeps the one just drawn for its answer key', () => {
    const plan = planOf(poses(3), rest());
    expect(sceneAt(plan, startOf(plan, 'draw', 1) + 1).coming).toEqual(['figure-1', 'figure-2']);
    expect(sceneAt(plan, startOf(plan, 'rest') + 1).coming[0]).toBe('figure-2');
  });
  it('is never what is drawn from memory', () => {
    const plan = planOf(poses(1, 60_000, { lookMs: 10_000, exercise: 'look-then-draw' }));
    expect(sceneAt(plan, startOf(plan, 'look') + 1).shownId).toBe('figure-0');
    expect(sceneAt(plan, startOf(plan, 'draw') + 1).shownId).toBeNull();
  });
  it('turns russet at the end of quick poses, not of calm ones', () => {
    const blind = planOf(poses(1, 60_000, { exercise: 'blind-contour' }));
    expect(sceneAt(blind, startOf(blind, 'draw') + 1).urgent).toBe(false);
  });
  it('is held while on hold, and over when it is over', () => {
    expect(sceneAt(two, 10_000, [{ type: 'hold', atMs: 5000, reason: 'paused' }])).toMatchObject({
      held: true,
      done: false,
      shownId: 'figure-0',
    });
    expect(sceneAt(two, 10_000, [{ type: 'stop', atMs: 6000 }])).toMatchObject({
      done: true,
      shownId: null,
      previewId: null,
    });
  });
  it('never shows what must not be seen, in any plan at any moment', () => {
    fc.assert(
      fc.property(anyPlan, fc.double({ min: 0, max: 1, noNaN: true }), fc.boolean(), (plan, share, leadInShows) => {
        const timeline = expandPlan(plan);
        const atMs = Math.floor(share * timeline.totalMs);
        const scene = sceneAt(plan, atMs, [], leadInShows);
        const hidden = hiddenReference(scene.plan, scene.segment);
        if (hidden !== null) expect(scene.shownId).not.toBe(hidden);
        expect(scene.coming.every((id) => id.startsWith('figure-'))).toBe(true);
      }),
    );
  });
});
