import { describe, expect, it } from 'vitest';
import { withHandsInTurn, withOrder } from '@/core/practice/edit/edit';
import { posesBlock } from '@/core/practice/edit/newBlock';
import { refit } from '@/core/practice/fit/refit';
import { followAnswers } from '@/core/growing/followAnswers';
import { layOutRecipe } from '@/core/practice/plan/layOut';
import { type PosesRecipe, poseLengths } from '@/core/practice/plan/recipe';
import { recipeOf } from '@/core/practice/plan/recipeOf';
import type { PosesBlock } from '@/core/practice/plan/schema';
import { poseExercise } from '@/core/practice/rules/poseExercise';
import { chooseReferences } from '@/core/practice/start/chooseReferences';
import { TEMPLATES } from '@/core/practice/start/templates';
import { plannedRibbon } from '@/core/practice/time/ribbon';
import { expandPlan } from '@/core/practice/time/timeline';
import { level, recipeWith, sumsOf } from './recipes';

const MINUTE = 60_000;
const turning = (count: number, more: Partial<PosesRecipe> = {}): PosesRecipe => {
  const block = posesBlock('a', 'contour', count, 5 * MINUTE);
  return {
    ...block,
    alternate: 'flowing-gesture',
    lengths: { order: 'in turn', fromMs: 5 * MINUTE, toMs: 30_000, listMs: [] },
    source: { ...block.source, pairs: true },
    ...more,
  };
};
const planOfBlock = (block: PosesRecipe) => layOutRecipe(recipeWith([block]), {}).plan;

describe('exercises in turn', () => {
  it('change with their lengths, and are told as pairs', () => {
    const plan = planOfBlock(turning(6));
    expect(poseLengths(turning(4))).toEqual([300_000, 30_000, 300_000, 30_000]);
    const families = (plan.blocks[0] as PosesBlock).poses.map(
      (_, poseIndex) => poseExercise(plan, { blockIndex: 0, poseIndex })?.id,
    );
    expect(families).toEqual([
      'contour',
      'flowing-gesture',
      'contour',
      'flowing-gesture',
      'contour',
      'flowing-gesture',
    ]);
    const [band] = plannedRibbon(plan);
    expect([band.label, band.measure]).toEqual(['Contour and flowing gesture in turn', '3 pairs: 5 min, 30 s']);
  });
  it('begin with the longer one where an order is changed to it', () => {
    const { fromMs, toMs } = withOrder(level('a', 4, 60_000), 'in turn').lengths;
    expect(fromMs).toBeGreaterThan(toMs);
  });
  it('draw one picture with both, and no picture comes in two pairs while there are others', () => {
    const pool = Array.from({ length: 8 }, (_, i) => ({ id: `p${String(i)}` }));
    const recipe = recipeWith([turning(6)], { setId: 's' });
    const ids = chooseReferences(recipe, { bySet: new Map([['s', pool]]), timesDrawn: new Map() })['a'];
    expect(ids.map((id, i) => id === ids[i - (i % 2)])).toEqual(Array.from({ length: 6 }, () => true));
    expect(new Set(ids).size).toBe(3);
  });
  it('keep their pairs whole when they are fitted', () => {
    for (const minutes of [10, 17, 31, 50]) {
      const fitted = refit(recipeWith([turning(6)]), minutes * MINUTE)?.recipe.blocks[0] as PosesRecipe;
      expect(fitted.count % 2).toBe(0);
    }
  });
  it('come back as one block from a session', () => {
    const [block] = recipeOf(planOfBlock(turning(6)), 's', false).blocks as PosesRecipe[];
    expect(block).toMatchObject({ exercise: 'contour', alternate: 'flowing-gesture', count: 6 });
    const odd = planOfBlock({ ...turning(3) });
    expect(recipeOf(odd, 's', false).blocks).toHaveLength(3);
  });
});

describe('hands in turn', () => {
  const hands = withHandsInTurn({ ...level('a', 4, MINUTE), changeMs: 5000 }, true);
  it('begin with the other one, and take longer to change', () => {
    const plan = planOfBlock(hands);
    expect((plan.blocks[0] as PosesBlock).poses.map((p) => p.hand ?? 'usual')).toEqual([
      'other',
      'usual',
      'other',
      'usual',
    ]);
    const changes = expandPlan(plan).segments.filter((s) => s.kind === 'change');
    expect(changes.map((s) => s.endMs - s.startMs)).toEqual([15_000, 15_000, 15_000]);
    expect(plannedRibbon(plan)[0].label).toBe('Flowing gesture, hands in turn');
  });
  it('take longer once where a whole row is drawn again with the other hand', () => {
    const row = { ...level('a', 2, MINUTE, { changeMs: 5000, bothHands: true }), settings: { handChangeMs: 20_000 } };
    const changes = expandPlan(planOfBlock(row)).segments.filter((s) => s.kind === 'change');
    expect(changes.map((s) => s.endMs - s.startMs)).toEqual([5000, 25_000, 5000]);
  });
  it('are counted by the fit as they are laid out', () => {
    for (const minutes of [6, 9, 14]) {
      const fitted = refit(recipeWith([hands]), minutes * MINUTE);
      expect(fitted?.usedMs).toBe(fitted && sumsOf(fitted.recipe).totalMs);
      expect(fitted?.usedMs).toBeLessThanOrEqual(minutes * MINUTE);
    }
  });
  it('come back from a session as they were, and are given up again', () => {
    const [block] = recipeOf(planOfBlock(hands), 's', false).blocks as PosesRecipe[];
    expect(block).toMatchObject({ handsInTurn: true, alternate: null, count: 4 });
    expect(withHandsInTurn(hands, false)).not.toHaveProperty('handsInTurn');
  });
});

describe('a length that follows the answers', () => {
  const block = { ...level('a', 4, 180_000), settings: { followsAnswers: true } };
  const after = (...said: [lengthMs: number, down: boolean, spentMs?: number][]): number => {
    const answers = said.map(([lengthMs, down, spentMs = lengthMs], atMs) => ({ atMs, lengthMs, spentMs, down }));
    const next = followAnswers(recipeWith([block]), new Map([['flowing-gesture', { answers }]]));
    return (next.blocks[0] as PosesRecipe).lengths.fromMs;
  };
  it('goes down from three minutes to half a minute, a step after two that were whole, and no further', () => {
    const lengths = [180_000];
    for (let i = 0; i < 8; i++) lengths.push(after([lengths[i], true], [lengths[i], true]));
    expect(lengths).toEqual([180_000, 120_000, 90_000, 60_000, 45_000, 30_000, 30_000, 30_000, 30_000]);
  });
  it('never goes down after one that ran over or was not whole', () => {
    expect(after([60_000, true], [60_000, true, 71_000])).toBe(90_000);
    expect(after([60_000, true], [60_000, false])).toBe(90_000);
    expect(after([60_000, false], [60_000, true])).toBe(60_000);
  });
  it('is left as it is where nothing was said, or where it does not follow', () => {
    expect(after()).toBe(180_000);
    const plain = recipeWith([level('a', 4, 180_000)]);
    expect(followAnswers(plain, new Map())).toEqual(plain);
  });
});

describe('shapes of an evening', () => {
  const built = (id: string, minutes: number) =>
    TEMPLATES.find((t) => t.id === id)?.build({ availableMs: minutes * MINUTE, setId: 's', seed: 3 }) ?? recipeWith([]);
  const row = (id: string, minutes: number): number[] =>
    built(id, minutes).blocks.flatMap((b) => (b.kind === 'poses' ? poseLengths(b).map((ms) => ms / MINUTE) : []));
  it('give the short ones about a ninth, and the rest to one drawing in sittings', () => {
    const recipe = built('many-then-one', 180);
    const [short, long] = recipe.blocks as PosesRecipe[];
    const { totalMs } = sumsOf(recipe);
    expect(short.count * 120_000).toBeCloseTo(totalMs / 9, -5.5);
    expect(long.settings.oneDrawing).toBe(long.id);
    expect(Math.max(...poseLengths(long))).toBeLessThanOrEqual(25 * MINUTE);
    expect(totalMs).toBeGreaterThan(170 * MINUTE);
  });
  it('rise and fall as they say, whatever the time', () => {
    expect(row('rising-ladder', 20)).toEqual([2, 2, 3, 4, 5]);
    for (const minutes of [12, 40])
      expect(row('rising-ladder', minutes)).toEqual(row('rising-ladder', minutes).toSorted((a, b) => a - b));
    expect(row('two-halves', 40).slice(-3)).toEqual([5, 5, 10]);
    expect(row('less-each-time', 40).slice(-4)).toEqual([10, 5, 2, 1]);
  });
  it('alternate slow and fast, line and mass, the hands', () => {
    const slow = row('slow-and-fast', 25);
    expect(slow.every((ms, i) => i === 0 || ms > 2 !== slow[i - 1] > 2)).toBe(true);
    for (const id of ['slow-and-fast', 'line-then-mass', 'hand-then-hand']) expect(row(id, 20).length % 2).toBe(0);
  });
});
