import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { builtInFamilySetId, BUILT_IN_SET_ID } from '@/core/references/picture';
import { CATALOG } from '@/core/practice/exercises';
import { type LineContext, readLine, LONGEST_LINE } from '@/core/practice/line/readLine';
import { sayLine } from '@/core/practice/line/sayLine';
import { MEDIA } from '@/core/practice/paper/materials';
import { layOutRecipe } from '@/core/practice/plan/layOut';
import { poseLengths, type Recipe, recipeSchema } from '@/core/practice/plan/recipe';
import { linesBlock, lookBackBlock, posesBlock, restBlock } from '@/core/practice/edit/newBlock';
import { sumPlan } from '@/core/practice/time/sums';
import { recipeWith } from './recipes';

const CONTEXT: LineContext = {
  setId: BUILT_IN_SET_ID,
  medium: 'pencil',
  seed: 7,
  nowMinute: 20 * 60,
  sets: [{ id: 'mine', name: 'Dancers in class' }],
};
const read = (line: string, more: Partial<LineContext> = {}) => {
  const found = readLine(line, { ...CONTEXT, ...more });
  if ('problem' in found) throw new Error(`${line}: ${found.problem}`);
  return found;
};
/** Blocks in short: "10x30 flowing-gesture", "rest 300". */
const short = ({ blocks }: Recipe): string[] =>
  blocks.map((b) => {
    if (b.kind === 'rest') return `${b.purpose === 'look back' ? 'back' : 'rest'} ${b.durationMs / 1000}`;
    if (b.kind === 'body') return `body ${b.moves.reduce((sum, m) => sum + m.durationMs, 0) / 1000}`;
    if (b.kind === 'lines') return `lines ${b.pages.length}`;
    const row = poseLengths(b).map((ms) => ms / 1000);
    const level = row.every((s) => s === row[0]);
    return `${level ? `${row.length}x${row[0]}` : row.join('/')} ${b.exercise}`;
  });
const lengths = (line: string): string[] => short(read(line).recipe).map((words) => words.split(' ')[0]);

describe('a session said in a line', () => {
  it.each([
    ['10x30s, 5x1, break 5, 2x10', ['10x30 flowing-gesture', '5x60 flowing-gesture', 'rest 300', '2x600 tone-study']],
    [
      '10 × 30 s; 5 × 1 min; rest 5 min; 2 × 10 min',
      ['10x30 flowing-gesture', '5x60 flowing-gesture', 'rest 300', '2x600 tone-study'],
    ],
    [
      'ones, twos, fives and a ten',
      ['5x60 flowing-gesture', '4x120 flowing-gesture', '2x300 structural-gesture', '1x600 tone-study'],
    ],
    ['5 min warm-up then 3x20', ['body 140', 'lines 4', '3x1200 tone-study']],
    ['blind contour 5x1, look, then draw', ['5x60 blind-contour', '3x120 look-then-draw']],
    ['two fives', ['2x300 structural-gesture']],
    ['10 poses of 2', ['10x120 flowing-gesture']],
    ['half a minute x 6', ['6x30 flowing-gesture']],
    [
      '3 x (5x1, break 1)',
      ['5x60 flowing-gesture', 'rest 60', '5x60 flowing-gesture', 'rest 60', '5x60 flowing-gesture', 'rest 60'],
    ],
    ['(2x2) x 2, look back 2', ['2x120 flowing-gesture', '2x120 flowing-gesture', 'back 120']],
    ['4x1, break 1, repeat', ['4x60 flowing-gesture', 'rest 60', '4x60 flowing-gesture', 'rest 60']],
    ['10/5/2/1 min contour', ['600/300/120/60 contour']],
    ['2 pages of lines, body 2, 1:30 x 3', ['lines 2', 'body 120', '3x90 flowing-gesture']],
    ['hands and feet 4x30"', ['4x30 hands-and-feet']],
    ["5 x 2'", ['5x120 flowing-gesture']],
  ])('%s', (line, blocks) => {
    expect(short(read(line).recipe)).toEqual(blocks);
  });
  it('takes a bare number for minutes, unless that makes no evening', () => {
    expect(lengths('10x30')).toEqual(['10x30']);
    expect(lengths('3x20')).toEqual(['3x1200']);
    expect(lengths('2x10')).toEqual(['2x600']);
    expect(lengths('20x45')).toEqual(['20x45']);
  });
  it('understands sets and media, for one part or for the whole session', () => {
    const { recipe } = read('heads, 10x30s, 5x1 in charcoal stick');
    expect(recipe.setId).toBe(builtInFamilySetId('heads'));
    expect(short(recipe)).toEqual(['10x30 quick-head', '5x60 quick-head']);
    expect(recipe.blocks.map((b) => b.kind === 'poses' && b.settings.medium)).toEqual([undefined, 'charcoal']);
    const mixed = read('ballpoint, 5x1 from hands, 5x1 from dancers in class').recipe;
    expect(mixed.medium).toBe('ballpoint');
    expect(mixed.blocks.map((b) => b.kind === 'poses' && b.source.setId)).toEqual([
      builtInFamilySetId('hands'),
      'mine',
    ]);
  });
  it('draws with the rule that was used last where none is named', () => {
    const exerciseFor = (ms: number): string => (ms <= 30_000 ? 'c-s-straight' : 'contour');
    expect(short(read('10x30s, 2x10', { exerciseFor }).recipe)).toEqual(['10x30 c-s-straight', '2x600 contour']);
  });
  it('fits a session where only a time is said', () => {
    const total = (line: string): number => sumPlan(layOutRecipe(read(line).recipe, {}).plan).totalMs;
    for (const line of ['25', '25 min', '25 minutes of heads'])
      expect(Math.abs(total(line) - 1_500_000)).toBeLessThan(30_000);
    expect(Math.abs(total('until 21:30') - 5_400_000)).toBeLessThan(60_000);
    expect(short(read('30 min, no warm-up').recipe).some((b) => /^(body|lines)/.test(b))).toBe(false);
  });
  it('fills up to a time with the last poses, where they have no number', () => {
    const { recipe, untilMinute } = read('5x1, 2 min until 20:30');
    const { totalMs } = sumPlan(layOutRecipe(recipe, {}).plan);
    expect(untilMinute).toBe(20 * 60 + 30);
    expect(totalMs).toBeLessThanOrEqual(1_800_000);
    expect(totalMs).toBeGreaterThan(1_800_000 - 140_000);
    expect(read('5x1 until 9pm').untilMinute).toBe(21 * 60);
  });
  it('names what it did not understand and reads the rest', () => {
    const { recipe, unknown, understood } = read('5x1 wobbling, 2x5 zzz');
    expect(unknown).toEqual(['wobbling', 'zzz']);
    expect(short(recipe)).toEqual(['5x60 flowing-gesture', '2x300 structural-gesture']);
    expect(understood).toBe('5 x 1 min flowing gesture, 2 x 5 min structural gesture');
  });
  it.each([
    '',
    '   ',
    'hello there',
    ',,,',
    'break 5',
    'x'.repeat(LONGEST_LINE + 1),
    '999x999x999',
    '50 x (50 x (50x1))',
  ])('says what is wrong with “%s”', (line) => {
    const found = readLine(line, CONTEXT);
    expect('problem' in found ? found.problem : '').toMatch(/\.$|”\.$/);
  });
  it('gives it the title of what it is', () => {
    expect(read('10x30s, 5x1').recipe.title).toBe('10 x 30 s flowing gesture, 5 x 1 min flowing gesture');
  });
});

const seconds = fc.oneof(
  fc.constantFrom(10, 15, 20, 30, 45, 60, 90, 120, 300, 600, 1200),
  fc.integer({ min: 1, max: 2000 }),
);
const posesArb = fc
  .record({
    exercise: fc.constantFrom(...CATALOG.map(({ id }) => id)),
    row: fc.oneof(
      fc.tuple(fc.integer({ min: 1, max: 40 }), seconds).map(([n, s]) => Array.from({ length: n }, () => s)),
      fc.array(seconds, { minLength: 2, maxLength: 6 }),
    ),
    medium: fc.option(fc.constantFrom(...MEDIA.map(({ id }) => id)), { nil: undefined }),
    setId: fc.constantFrom(
      null,
      'mine',
      builtInFamilySetId('hands'),
      builtInFamilySetId('weight shifted'),
      BUILT_IN_SET_ID,
    ),
  })
  .map(({ exercise, row, medium, setId }) => {
    const block = posesBlock('x', exercise, 1, row[0] * 1000);
    const level = row.every((s) => s === row[0]);
    return {
      ...block,
      count: row.length,
      lengths: level
        ? block.lengths
        : {
            order: 'own list' as const,
            fromMs: Math.min(...row) * 1000,
            toMs: Math.max(...row) * 1000,
            listMs: row.map((s) => s * 1000),
          },
      source: { ...block.source, setId },
      settings: medium ? { medium } : {},
    };
  });
const blockArb = fc.oneof(
  { weight: 4, arbitrary: posesArb },
  seconds.map((s) => restBlock('x', s * 1000)),
  seconds.map((s) => lookBackBlock('x', s * 1000)),
  fc.integer({ min: 1, max: 9 }).map((n) => linesBlock('x', n)),
);

describe('every plan and every line', () => {
  it('a plan can be said as a line that gives the same plan', () => {
    fc.assert(
      fc.property(posesArb, fc.array(blockArb, { maxLength: 6 }), (first, rest) => {
        const blocks = [first, ...rest].map((b, i) => ({ ...b, id: `b${String(i)}` }));
        const recipe = recipeWith(blocks, { setId: BUILT_IN_SET_ID, medium: 'pencil' });
        const line = sayLine(recipe, CONTEXT.sets);
        fc.pre(line.length <= LONGEST_LINE && sumPlan(layOutRecipe(recipe, {}).plan).totalMs <= 24 * 3600_000);
        const { recipe: again, unknown } = read(line);
        expect(unknown).toEqual([]);
        const plan = (r: Recipe) => layOutRecipe(r, {}).plan.blocks;
        expect(plan({ ...again, sheet: recipe.sheet, grade: recipe.grade })).toEqual(plan(recipe));
        expect(again.blocks.map((b) => b.kind === 'poses' && b.source.setId)).toEqual(
          recipe.blocks.map((b) => b.kind === 'poses' && b.source.setId),
        );
      }),
      { numRuns: 400 },
    );
  });
  it('anything typed gives a plan or a sentence, never an exception', () => {
    const words = fc.constantFrom(
      ...[
        '10x30s',
        '5x1',
        'break',
        'x',
        '(',
        ')',
        ',',
        'then',
        'until',
        '21:30',
        'heads',
        'charcoal',
        'ones',
        'ten',
        '½',
      ],
      ...['/', '99999', '0', '0x0', '1/2/3', 'repeat', 'warm-up', '1e9', '-5', 'NaN', '25:99', '😀', 'ﬁ', "5'", '12"'],
    );
    const typed = fc.oneof(
      fc.string({ maxLength: 120, unit: 'grapheme' }),
      fc.array(words, { maxLength: 14 }).map((all) => all.join(' ')),
      fc.array(words, { maxLength: 14 }).map((all) => all.join('')),
    );
    fc.assert(
      fc.property(typed, (line) => {
        const found = readLine(line, CONTEXT);
        if ('problem' in found) expect(found.problem.length).toBeGreaterThan(5);
        else expect(recipeSchema.safeParse(found.recipe).success).toBe(true);
      }),
      { numRuns: 1500 },
    );
  });
});
