import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import { chooseReferences, type ReferencePools } from '@/core/practice/start/chooseReferences';
import { clockDigits } from '@/core/practice/time/duration';
import { CATALOG, exerciseById } from '@/core/practice/exercises';
import { hidesReference } from '@/core/practice/exercises/exercise';
import { layOutRecipe } from '@/core/practice/plan/layOut';
import { freshBlock, posesBlock } from '@/core/practice/edit/newBlock';
import { findProblems } from '@/core/practice/edit/problems';
import type { PosesRecipe, Recipe, RecipeBlock } from '@/core/practice/plan/recipe';
import { materialsOf } from '@/core/practice/paper/sheets';
import { sumPlan } from '@/core/practice/time/sums';
import { BlockList } from '@/features/plan/BlockList';
import { Inspector } from '@/features/plan/Inspector';
import { Keys } from '@/features/plan/Keys';
import { PaperFields } from '@/features/plan/PaperFields';
import { TimeFields } from '@/features/plan/TimeFields';
import { PictureFields } from '@/features/plan/PictureFields';
import { RuleFields } from '@/features/plan/RuleFields';
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
    poolOfBlock: () => ({ pool: [], leftOut: [] }),
    undoWords: undefined,
    redoWords: undefined,
    newId: () => 'new',
    kind: undefined,
    savedAs: nothing,
    elsewhere: undefined,
    settle: nothing,
  };
}
const inspect = (blocks: RecipeBlock[], selected: readonly string[] = [blocks[0].id]): string =>
  renderToStaticMarkup(
    <Inspector editor={editorOf(recipeWith(blocks), selected)} sets={[]} availableMs={3600_000} onExercise={nothing} />,
  );
const tableOf = (blocks: RecipeBlock[], more: Partial<Recipe> = {}): string => {
  const editor = editorOf(recipeWith(blocks, more));
  const { totalMs } = sumPlan(editor.plan);
  const things = materialsOf(editor.recipe, editor.chosen, totalMs);
  return textOf(
    renderToStaticMarkup(<TableCard editor={editor} things={things} available={12} sessions={[]} nowMs={0} />),
  );
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
    expect(tableOf([level('a', 26, 300_000)])).toContain('6 charcoal pencils, sharpened before you start');
    const second = (medium: string) => ({ settings: { second: { medium, share: 0.5 } } });
    expect(tableOf([level('a', 1, 600_000, second('pastel'))])).toContain(
      '1 charcoal pencil and 1 stick of pastel, sharpened before you start',
    );
    expect(tableOf([level('a', 1, 600_000, second('ballpoint'))])).toContain(
      '1 charcoal pencil, sharpened before you start; ballpoint',
    );
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
    const words = textOf(renderToStaticMarkup(<BlockList editor={editor} startsAt={19 * 60} onKey={() => false} />));
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

/** What is chosen in the fields of a block: radio buttons by their words, lists by the value selected. */
const chosenOf = (markup: string): string[] => [
  ...[...markup.matchAll(/<label[^>]*>(.*?)<\/label>/gs)]
    .filter((m) => m[1].includes('checked=""'))
    .map((m) => textOf(m[1])),
  ...[...markup.matchAll(/<option[^>]*selected=""[^>]*>(.*?)<\/option>/gs)].map((m) => textOf(m[1])),
];

describe('what the program keeps, block by block', () => {
  const rulesOf = (block: PosesRecipe): string[] =>
    chosenOf(renderToStaticMarkup(<RuleFields block={block} recipe={recipeWith([block])} change={nothing} />));
  it.each(CATALOG.map(({ id }) => [id] as const))('is the rule of %s as the exercise has it', (id) => {
    const { rule } = exerciseById(id);
    const chosen = rulesOf(posesBlock('a', id, 2));
    expect(chosen).toContain(rule.lifts === 'none' ? 'never lift' : 'lift freely');
    expect(chosen).toContain(rule.erasing === 'none' ? 'no erasing' : 'erase freely');
    expect(chosen).toContain(rule.hand === 'other' ? 'other hand' : 'usual hand');
    expect(chosen).toContain(rule.view);
    expect(chosen.includes('from the shoulder')).toBe(rule.grip === 'from the shoulder');
    expect(chosen.includes('at most')).toBe(typeof rule.marks === 'number');
  });
  it('shows where the block departs from it', () => {
    const block = posesBlock('a', 'flowing-gesture', 2);
    const chosen = rulesOf({
      ...block,
      bothHands: true,
      alternate: 'blind-contour',
      settings: { rule: { lifts: 'none', view: 'mirrored' }, orExercise: 'contour' },
    });
    for (const words of ['never lift', 'mirrored', 'then all again with the other', 'Blind contour', 'Contour'])
      expect(chosen).toContain(words);
  });
  it('has a page for each quality of line, and nowhere else', () => {
    const words = (id: string): string => {
      const block = posesBlock('a', id, 2);
      return textOf(renderToStaticMarkup(<RuleFields block={block} recipe={recipeWith([block])} change={nothing} />));
    };
    expect(words('line-qualities')).toContain('One page for each of 8: smooth, rough,');
    expect(words('contour')).not.toContain('One page for each');
  });
});

describe('what a block is drawn from', () => {
  const fields = (block: PosesRecipe, chosen: (string | null)[] = ['r1', 'r2']): string =>
    renderToStaticMarkup(
      <PictureFields block={block} chosen={chosen} sets={[]} change={nothing} pool={[]} leftOut={[]} />,
    );
  it('is a set with an order and a filter, and pins one can press', () => {
    const block = level('a', 2, 60_000);
    const source = { ...block.source, hardest: 2, extent: 'part', gentleFirst: true, pins: ['r1', null] };
    const markup = fields({ ...block, source });
    for (const words of ['one each', 'gentle to hard', 'gentle ones', 'parts only', 'the first one gentle'])
      expect(chosenOf(markup)).toContain(words);
    expect(markup).toContain('Unpin the picture of pose 1');
    expect(markup).toContain('Pin the picture of pose 2');
  });
  it('is one picture where it is the same again, and has no odd one out then', () => {
    const block = posedBy(level('a', 4, 60_000), 'same picture');
    const markup = fields(block, ['r1', 'r1', 'r1', 'r1']);
    expect(markup.match(/Pin the picture of pose/g)).toHaveLength(1);
    expect(textOf(markup)).not.toContain('an odd one out at the end');
  });
  it('asks for words where there is no picture', () => {
    for (const kind of ['live model', 'own hand', 'imagination', 'none'] as const) {
      const words = textOf(fields(posedBy(level('a', 2, 60_000), kind)));
      expect(words).toContain('Shown in place of a picture. It may be empty.');
      expect(words).not.toContain('Picking');
    }
  });
});

describe('what the clock does at zero', () => {
  const fieldsOf = (settings: PosesRecipe['settings']): string[] => {
    const block = level('a', 2, 60_000, { settings });
    return chosenOf(renderToStaticMarkup(<TimeFields block={block} recipe={recipeWith([block])} change={nothing} />));
  };
  it('shows the limit on overtime wherever it applies, and only there', () => {
    const capped = { softCapMs: 30_000, potMs: 120_000 };
    const shows = (settings: PosesRecipe['settings']): boolean => fieldsOf(settings).includes('limit the overtime');
    expect(shows({ ...capped, atZero: 'soft' })).toBe(true);
    expect(shows({ ...capped, atZero: 'pot', potEndsSoftly: true })).toBe(true);
    expect(shows({ ...capped, atZero: 'pot' })).toBe(false);
    expect(shows({ ...capped, atZero: 'strict' })).toBe(false);
  });
});

describe('what a block is drawn on', () => {
  const paper = (block: PosesRecipe): string =>
    renderToStaticMarkup(<PaperFields block={block} recipe={recipeWith([block])} change={nothing} />);
  it('is as the whole plan until it is said otherwise', () => {
    const { medium, sheet } = recipeWith([]);
    const chosen = chosenOf(paper(level('a', 2, 60_000)));
    expect(chosen).toEqual([
      'as large as it fits',
      `as the whole plan: ${medium}`,
      'no second medium',
      'without frames',
    ]);
    expect(paper(level('a', 2, 60_000))).toContain(`value="${String(sheet.perSheet)}"`);
  });
  it('has frames for small plans, and says where nothing can be rubbed out', () => {
    const framed = freshBlock('a', 'small-plans', { size: 'A2' });
    expect(chosenOf(paper(framed))).toContain('in frames shaped like A2');
    expect(textOf(paper(level('a', 2, 60_000, { settings: { medium: 'fineliner' } })))).toContain(
      'Nothing is rubbed out with it.',
    );
    expect(textOf(paper(level('a', 2, 60_000, { settings: { medium: 'pencil' } })))).not.toContain('rubbed out');
  });
  it('shows the frames to scale, numbered, with their size', () => {
    const words = tableOf([freshBlock('a', 'small-plans', { size: 'A2' })]);
    expect(words).toContain('1 2 3 4');
    expect(words).toMatch(/4 frames, \d+ mm × \d+ mm/);
  });
});
