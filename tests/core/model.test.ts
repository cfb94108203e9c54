import { describe, expect, it } from 'vitest';
import { ALL_CUES, upcomingCues } from '@/core/clock/cues';
import type { RunEvent } from '@/core/clock/log';
import { runStateAt } from '@/core/clock/run';
import { USUAL_HOLD_LIMIT_MS, holdLimitOf } from '@/core/practice/rules/holds';
import { layOutRecipe } from '@/core/practice/plan/layOut';
import { recipeOf } from '@/core/practice/plan/recipeOf';
import { planSchema } from '@/core/practice/plan/schema';
import { expandPlan } from '@/core/practice/time/timeline';
import { level, recipeWith } from './recipes';

const start: RunEvent = { type: 'start', atMs: 0 };
const posed = (settings: Parameters<typeof level>[3] = {}) => {
  const block = level('a', 2, 300_000, settings);
  return layOutRecipe(recipeWith([{ ...block, source: { ...block.source, kind: 'live model' } }]), {}).plan;
};

describe('whoever poses', () => {
  it('is known in the plan, in its file, and when a recipe is made of it again', () => {
    const plan = posed();
    expect(planSchema.parse(JSON.parse(JSON.stringify(plan)))).toEqual(plan);
    const [block] = recipeOf(plan, 's', true).blocks;
    expect(block).toMatchObject({ kind: 'poses', source: { kind: 'live model' } });
    expect(block.kind === 'poses' && 'model' in block.settings).toBe(false);
  });
  it('has a limit while drawn, and only then', () => {
    const plan = posed({ leadInMs: 5000 });
    expect(holdLimitOf(plan, { kind: 'draw', blockIndex: 0 })).toBe(USUAL_HOLD_LIMIT_MS);
    expect(holdLimitOf(plan, { kind: 'leadIn', blockIndex: 0 })).toBeUndefined();
    const pictures = layOutRecipe(recipeWith([level('a', 2, 300_000)]), {}).plan;
    expect(holdLimitOf(pictures, { kind: 'draw', blockIndex: 0 })).toBeUndefined();
  });
  it('is told when a break is due, however long the drawing may take', () => {
    const rests = (plan: ReturnType<typeof posed>): number[] =>
      upcomingCues(plan, expandPlan(plan), runStateAt(plan, [start], 0), 0, 3 * USUAL_HOLD_LIMIT_MS, 0, ALL_CUES)
        .filter((c) => c.key.endsWith('hold'))
        .map((c) => c.atMs);
    expect(rests(posed({ settings: { atZero: 'open' } }))).toEqual([USUAL_HOLD_LIMIT_MS]);
    expect(rests(posed({ settings: { atZero: 'soft' } }))).toEqual([USUAL_HOLD_LIMIT_MS]);
    expect(rests(posed())).toEqual([]);
  });
});
