import { describe, expect, it } from 'vitest';
import { AIMS } from '@/core/practice/start/aims';
import { CATALOG, exerciseById } from '@/core/practice/exercises';
import { exerciseSchema } from '@/core/practice/exercises/exercise';
import { HANDBOOK } from '@/core/practice/exercises/handbook';
import { EXERCISE_PICTURES } from '@/core/practice/exercises/pictures';
import { catalogued } from '@/core/figure/catalogue/catalogue';
import { REMEDIES } from '@/core/practice/start/remedies';
import { blockIds, recipeSchema } from '@/core/practice/plan/recipe';
import { schoolStages, stageLengths } from '@/core/practice/rules/stages';
import { TEMPLATES } from '@/core/practice/start/templates';
import { isLayer } from '@/ui/answerKey/layers';
import { recipeWith, sumsOf } from './recipes';

describe('the exercise catalog', () => {
  it('holds whole exercises, each with a handbook entry and a picture of its own', () => {
    expect(new Set(CATALOG.map((e) => e.id)).size).toBe(CATALOG.length);
    for (const e of CATALOG) {
      expect(exerciseSchema.parse(e)).toEqual(e);
      expect(e.shortestMs).toBeLessThanOrEqual(e.usualMs);
      expect(e.usualMs).toBeLessThanOrEqual(e.longestMs);
      expect(HANDBOOK[e.id].length).toBeGreaterThan(80);
      const picture = EXERCISE_PICTURES[e.id];
      expect(catalogued(picture.reference)).toBeDefined();
      expect(picture.layers.every(isLayer)).toBe(true);
      expect(e.lookMs > 0).toBe(e.rule.reference === 'look then hidden');
    }
  });
  it('never scores blind, eyes-closed or continuous line for likeness', () => {
    for (const id of ['blind-contour', 'eyes-closed', 'continuous-line'])
      expect(exerciseById(id).rule.review).toBe('kind');
  });
  it('draws freely where an exercise is not known any more', () => {
    expect(exerciseById('gone')).toMatchObject({ id: 'gone', name: 'Drawing', rule: { reference: 'shown' } });
  });
  it('is what aims and remedies are made of', () => {
    const known = new Set(CATALOG.map((e) => e.id));
    for (const { wishes } of Object.values(AIMS)) for (const w of wishes) expect(known).toContain(w.exercise);
  });
});

describe('stages', () => {
  it('add up to the pose, and drop from the end what would get too little', () => {
    expect(schoolStages('structural', 120_000).map((s) => s.lengthMs)).toEqual([42_000, 24_000, 30_000, 24_000]);
    for (const ms of [10_000, 30_000, 45_000, 60_001, 600_000])
      for (const school of ['flowing', 'structural', 'light and dark', 'long'] as const) {
        const stages = schoolStages(school, ms);
        expect(stages.reduce((sum, s) => sum + s.lengthMs, 0)).toBe(ms);
      }
    expect(schoolStages('flowing', 10_000).map((s) => s.name)).toEqual(['action line', 'masses']);
  });
  it('split 2:30 by 40, 25, 10 and 25 %, and change pens at 4:00 of 6:40', () => {
    const shares = [0.4, 0.25, 0.1, 0.25].map((share, i) => ({ name: String(i), share }));
    expect(stageLengths(shares, 150_000, 4000).map((s) => s.lengthMs)).toEqual([60_000, 37_500, 15_000, 37_500]);
    expect(schoolStages('two pens', 400_000)[0].lengthMs).toBe(240_000);
  });
});

describe('templates', () => {
  it.each(TEMPLATES.map((t) => [t.name, t] as const))('%s is computed for its time and never over it', (_, t) => {
    for (const share of [0.5, 1, 2]) {
      const availableMs = Math.max(60_000, t.minutes * 60_000 * share);
      const recipe = recipeSchema.parse(t.build({ availableMs, setId: 's', seed: 3 }));
      const { totalMs } = sumsOf(recipe);
      expect(totalMs).toBeGreaterThan(0);
      expect(totalMs).toBeLessThanOrEqual(availableMs);
      if (t.id === 'page-a-day') expect(totalMs).toBe(availableMs);
    }
  });
});

describe('remedies', () => {
  const exercises = (id: string) =>
    REMEDIES.find((r) => r.id === id)
      ?.blocks(blockIds(1))
      .flatMap((b) => (b.kind === 'poses' ? [b.exercise] : [b.kind]));
  it('give runnable blocks and a reason for every complaint', () => {
    for (const r of REMEDIES) {
      const blocks = r.blocks(blockIds(2));
      expect(recipeSchema.parse(recipeWith(blocks)).blocks).toHaveLength(blocks.length);
      expect(r.reason.length).toBeGreaterThan(40);
    }
  });
  it('answer the five usual complaints with what helps', () => {
    expect(exercises('stiff')).toEqual(['action-line', 'flowing-gesture', 'c-s-straight']);
    expect(exercises('turning')).toEqual(['structural-gesture']);
    expect(exercises('stuck')?.[0]).toBe('eyes-closed');
    expect(exercises('details')).toContain('shrinking-time');
    expect(exercises('line')).toContain('gesture-by-mass');
  });
});
