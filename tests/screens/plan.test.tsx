import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import { chooseReferences, type ReferencePools } from '@/core/practice/chooseReferences';
import { clockDigits } from '@/core/practice/duration';
import { CATALOG, exerciseById } from '@/core/practice/exercises';
import { hidesReference } from '@/core/practice/exercises/exercise';
import { layOutRecipe } from '@/core/practice/layOut';
import { posesBlock } from '@/core/practice/newBlock';
import { findProblems } from '@/core/practice/problems';
import type { PosesRecipe, Recipe, RecipeBlock } from '@/core/practice/recipe';
import { materialsOf } from '@/core/practice/sheets';
import { sumPlan } from '@/core/practice/sums';
import { BlockList } from '@/features/plan/BlockList';
import { Inspector } from '@/features/plan/Inspector';
import { Keys } from '@/features/plan/Keys';
import { TableCard } from '@/features/plan/TableCard';
import type { PlanEditor } from '@/features/plan/usePlanEditor';
import { level, recipeWith } from '../core/recipes';
import { textOf } from './markup';

const nothing = (): void => undefined;
const pools: ReferencePools = {
  bySet: new Map([['s', Array.from({ length: 12 }, (_, i) => ({ id: `r${String(i)}`, difficulty: 1 + (i % 5) }))]]),
  timesDrawn: new Map(),
};
function editorOf(recipe: Recipe, selected: readonly string[] = []): PlanEditor {
  const chosen = chooseReferences(recipe, pools);
  const { plan, origins } = layOutRecipe(recipe, chosen);
  return {
    recipe,
    chosen,
    plan,
    origins,
    problems: findProblems(recipe, plan, pools, chosen),
    ready: true,
    available: 12,
    selected,
    select: nothing,
    change: nothing,
    undo: nothing,
    redo: nothing,
    undoWords: undefined,
    redoWords: undefined,
    newId: () => 'new',
  };
}
const inspect = (blocks: RecipeBlock[], selected: readonly string[] = [blocks[0].id]): string =>
  renderToStaticMarkup(<Inspector editor={editorOf(recipeWith(blocks), selected)} sets={[]} onExercise={nothing} />);
const tableOf = (blocks: RecipeBlock[], more: Partial<Recipe> = {}): string => {
  const editor = editorOf(recipeWith(blocks, more));
  const { totalMs } = sumPlan(editor.plan);
  const things = materialsOf(editor.recipe, editor.chosen, totalMs);
  return textOf(renderToStaticMarkup(<TableCard editor={editor} things={things} available={12} />));
};
const posedBy = (block: PosesRecipe, kind: PosesRecipe['source']['kind']): PosesRecipe => ({
  ...block,
  source: { ...block.source, kind },
});

describe('the chosen block', () => {
  it.each(CATALOG.map(({ id, name }) => [name, id] as const))('of %s offers its name and its parts', (name, id) => {
    const words = textOf(inspect([posesBlock('a', id, 3, exerciseById(id).usualMs)]));
    expect(words).toContain(name);
    expect(words).toContain('another exercise');
    for (const tab of ['Time', 'Pictures', 'Rule', 'Paper']) expect(words).toContain(tab);
    expect(words.includes('once more,')).toBe(hidesReference(exerciseById(id)));
  });
  it('tells beside itself what stops it, and only there', () => {
    const pot = level('a', 3, 120_000, { settings: { atZero: 'pot', potMs: 60_000 } });
    expect(textOf(inspect([pot]))).toContain('The pot of 1:00 is smaller than one pose of 2 min');
    expect(textOf(inspect([pot, level('b', 2, 60_000)], ['b']))).not.toContain('smaller than one pose');
    const rushed = level('a', 2, 20_000, { exercise: 'mark-allowance' });
    expect(textOf(inspect([rushed]))).toContain('20 marks in 20 s is rushing: 1.0 s for each.');
    const held = posedBy(level('a', 1, 40 * 60_000), 'live model');
    expect(textOf(inspect([held]))).toContain('40 min is long to hold. Up to 25 min, then a break');
  });
  it('of lines, body or rest has only what it needs', () => {
    const words = textOf(inspect([{ id: 'r', pinned: false, kind: 'rest', durationMs: 90_000 }]));
    expect(words).toMatch(/^Rest/);
    expect(words).not.toContain('Pictures');
  });
  it('is none, or several, and says what then', () => {
    const two = [level('a', 2, 60_000), level('b', 3, 30_000)];
    expect(textOf(inspect(two, []))).toContain('Press a block on the ribbon or in the list to change it.');
    expect(textOf(inspect(two, ['a', 'b']))).toMatch(/2 blocks/);
  });
});

describe('what is laid out on the table', () => {
  it('is sheets, pencils for the time, and pictures with spares', () => {
    const words = tableOf([level('a', 10, 120_000)], { sheet: { ...recipeWith([]).sheet, perSheet: 3 } });
    expect(words).toMatch(/^On the table 4 sheets/);
    expect(words).toContain('10 pictures of 12; with spares it would take 14.');
    expect(tableOf([level('a', 8, 60_000)])).toContain('8 pictures of 12, 3 spare.');
    // A pencil for each half hour, and one more.
    expect(tableOf([level('a', 26, 300_000)])).toContain('6 pencils (charcoal pencil) sharpened before you start');
  });
  it('says where an eraser is allowed', () => {
    expect(tableOf([level('a', 2, 60_000)])).toContain('eraser out of reach');
    const tone = level('a', 2, 600_000, { exercise: 'tone-study', settings: { medium: 'pencil' } });
    const words = tableOf([tone, level('b', 2, 60_000)]);
    expect(words).toContain('eraser where it is allowed');
    // Two media, one blade.
    expect(words.match(/With a blade/g)).toHaveLength(1);
  });
  it('has the cautions that apply, and no others', () => {
    const model = posedBy(level('a', 4, 120_000), 'live model');
    expect(tableOf([model])).toContain('The model decides.');
    expect(tableOf([level('a', 4, 120_000)])).not.toContain('The model decides.');
    expect(tableOf([level('a', 2, 60_000, { bothHands: true })])).toContain('stop if it cramps');
    expect(tableOf([level('a', 30, 120_000)])).toContain('about every 20 minutes look far away');
    const traced = posedBy(posesBlock('a', 'line-qualities', 8, 60_000), 'same picture');
    expect(tableOf([traced])).toContain('only for practice: a traced copy of somebody’s drawing is theirs');
    expect(tableOf([posedBy(traced, 'none')])).not.toContain('traced copy');
  });
});

describe('the blocks as a list', () => {
  it('have their counts, lengths and times, and a sum that is the plan’s', () => {
    const blocks: RecipeBlock[] = [
      level('a', 3, 120_000),
      { id: 'r', pinned: false, kind: 'rest', durationMs: 120_000 },
      level('b', 2, 600_000, { exercise: 'blind-contour', bothHands: true }),
    ];
    const editor = editorOf(recipeWith(blocks));
    const words = textOf(renderToStaticMarkup(<BlockList editor={editor} startsAt={19 * 60} />));
    expect(words).toContain('Flowing gesture 3 × 2 min 6:00 19:00');
    expect(words).toContain('Rest 2 min 2:00 19:06');
    expect(words).toContain('Blind contour 4 × 10 min 40:00 19:08');
    expect(words).toContain(`Sum ${clockDigits(sumPlan(editor.plan).totalMs)} 19:48`);
  });
  it('can all be done by keys, and the keys say so', () => {
    const words = textOf(renderToStaticMarkup(<Keys onClose={nothing} />));
    for (const what of ['undo', 'duplicate', 'split', 'delete', 'pin']) expect(words.toLowerCase()).toContain(what);
  });
});
