import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { piecesOf } from '@/core/growing/pieces';
import { toolsWords } from '@/core/journal/toolsWords';
import { materialsOf } from '@/core/practice/paper/sheets';
import { layOutRecipe } from '@/core/practice/plan/layOut';
import type { PosesRecipe } from '@/core/practice/plan/recipe';
import { mediaOf } from '@/core/practice/rules/poseExercise';
import { poseStages, SHORTEST_OWN_MS } from '@/core/practice/rules/poseStages';
import { switchWords } from '@/core/practice/rules/switches';
import { expandPlan } from '@/core/practice/time/timeline';
import { level, recipeWith } from './recipes';
import { sessionOf } from './sessions';

const MINUTE = 60_000;
const toned = { medium: 'charcoal', second: { medium: 'pastel', share: 0.25 } } as const;
const recipeOf = (...blocks: PosesRecipe[]) => recipeWith(blocks, { medium: 'pencil' });
const planOf = (...blocks: PosesRecipe[]) => layOutRecipe(recipeOf(...blocks), {}).plan;
const DRAW = { kind: 'draw', blockIndex: 0, poseIndex: 0 } as const;

describe('two media in one drawing', () => {
  it('are laid out for as long as each is used, with the cautions of both', () => {
    const { media, cautions, erasing } = materialsOf(
      recipeOf(level('a', 2, 20 * MINUTE, { settings: { ...toned, second: { medium: 'ballpoint', share: 0.25 } } })),
      {},
      40 * MINUTE,
    );
    expect(media.map(({ name, drawingMs }) => [name, drawingMs])).toEqual([
      ['charcoal stick', 30 * MINUTE],
      ['ballpoint', 10 * MINUTE],
    ]);
    expect(cautions.some((words) => /dust/i.test(words))).toBe(true);
    expect(erasing).not.toBe('at hand');
  });
  it('name the stages in which the second is used, as long together as the drawing', () => {
    const plan = planOf(level('a', 1, 20 * MINUTE, { settings: toned }));
    const stages = poseStages(plan, DRAW, 20 * MINUTE);
    const second = stages.filter(({ name }) => name.endsWith(', with pastel'));
    expect(stages.slice(-second.length)).toEqual(second);
    const plain = poseStages(planOf(level('a', 1, 20 * MINUTE)), DRAW, 20 * MINUTE);
    expect(new Set(stages.map(({ name }) => name.replace(', with pastel', '')))).toEqual(
      new Set(plain.map(({ name }) => name)),
    );
    expect(second.reduce((sum, { lengthMs }) => sum + lengthMs, 0)).toBe(5 * MINUTE);
  });
  it('make two stages where there are none', () => {
    const plan = planOf(level('a', 1, MINUTE, { exercise: 'contour', settings: toned }));
    expect(poseStages(plan, DRAW, MINUTE)).toEqual([
      { name: 'with charcoal stick', lengthMs: 45_000 },
      { name: 'with pastel', lengthMs: 15_000 },
    ]);
  });
  it('share any time without a gap, and never leave a stage of no length', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 5000, max: 3_600_000 }),
        fc.double({ min: 0.05, max: 0.95, noNaN: true }),
        fc.constantFrom('flowing-gesture', 'contour', 'gesture-by-mass', 'own stages'),
        (drawMs, share, exercise) => {
          const stages = Array.from({ length: 10 }, (_, i) => ({ name: String(i), share: 0.1 }));
          const own = exercise === 'own stages' && { stages };
          const settings = { ...toned, ...own, second: { medium: 'pastel', share } };
          const plan = planOf({ ...level('a', 1, MINUTE, { settings }), ...(!own && { exercise }) });
          const drawn = poseStages(plan, DRAW, drawMs);
          expect(drawn.reduce((sum, { lengthMs }) => sum + lengthMs, 0)).toBe(drawMs);
          expect(Math.min(...drawn.map(({ lengthMs }) => lengthMs))).toBeGreaterThan(0);
          const secondMs = drawn.reduce((sum, s) => sum + (s.name.endsWith('with pastel') ? s.lengthMs : 0), 0);
          expect(Math.abs(secondMs - drawMs * share)).toBeLessThan(SHORTEST_OWN_MS);
        },
      ),
    );
  });
  it('are announced before the first pose that has them, and stand in the journal', () => {
    const plan = planOf(level('a', 1, MINUTE), level('b', 1, MINUTE, { settings: { ...toned, medium: 'pencil' } }));
    expect(mediaOf(plan, { blockIndex: 1, poseIndex: 0 })).toEqual(['pencil', 'pastel']);
    const { segments } = expandPlan(plan);
    const at = segments.findIndex((s) => s.blockIndex === 1);
    expect(switchWords(plan, segments, at)).toBe('Keep the pastel ready too.');
    const session = sessionOf(plan);
    expect(toolsWords(session)).toBe('Pencil and pastel.');
    expect(piecesOf(session).map((piece) => piece.medium)).toContain('pencil with pastel');
  });
});
