import { describe, expect, it } from 'vitest';
import { chooseReferences, poolOf, type ReferencePools } from '@/core/practice/start/chooseReferences';
import { layOutRecipe } from '@/core/practice/plan/layOut';
import { posesBlock } from '@/core/practice/edit/newBlock';
import { findProblems } from '@/core/practice/edit/problems';
import type { PosesRecipe, Recipe } from '@/core/practice/plan/recipe';
import type { ReferenceFacts } from '@/core/references/coverage';
import { level, recipeWith } from './recipes';

const pictures: ReferenceFacts[] = Array.from({ length: 12 }, (_, i) => ({
  id: `r${String(i)}`,
  facing: i % 2 ? 'left' : 'right',
  viewName: ['front', 'profile', 'back'][i % 3],
  difficulty: 1 + (i % 5),
  // The hardest are held for half a minute.
  ...(i % 5 === 4 && { holdS: 30 }),
}));
const pools: ReferencePools = {
  bySet: new Map([
    ['s', pictures],
    ['other', [{ id: 'odd' }]],
  ]),
  timesDrawn: new Map(),
};
const problemsOf = (recipe: Recipe) => {
  const chosen = chooseReferences(recipe, pools);
  return findProblems(recipe, layOutRecipe(recipe, chosen).plan, pools, chosen);
};
const words = (...blocks: PosesRecipe[]) =>
  problemsOf(recipeWith(blocks)).map((p) => `${p.stops ? '!' : ''}${p.words}`);
const withSource = (block: PosesRecipe, source: Partial<PosesRecipe['source']>): PosesRecipe => ({
  ...block,
  source: { ...block.source, ...source },
});

describe('what is said of a plan before it is run', () => {
  it('is nothing when nothing is wrong', () => expect(words(level('a', 8, 60_000))).toEqual([]));
  it('stops a pot smaller than one pose', () => {
    expect(words(level('a', 3, 120_000, { settings: { atZero: 'pot', potMs: 60_000 } }))).toEqual([
      expect.stringMatching(/^!The pot of 1:00 is smaller than one pose of 2 min/),
    ]);
  });
  it('stops a plan longer than a day, and one without anything to draw', () => {
    expect(words(level('a', 500, 1_800_000), level('b', 500, 1_800_000))[0]).toMatch(/^!This is .* longer than a day/);
    expect(problemsOf(recipeWith([{ id: 'r', pinned: false, kind: 'rest', durationMs: 60_000 }]))[0]).toMatchObject({
      stops: true,
    });
  });
  it('stops a set that is gone or has nothing as asked for', () => {
    expect(words(withSource(level('a', 2, 60_000), { setId: 'gone' }))[0]).toMatch(/^!The set .* no longer here/);
    expect(words(withSource(level('a', 2, 60_000), { family: 'nobody' }))[0]).toMatch(/^!No picture in this set/);
  });
  it('tells when pictures come again', () => {
    expect(words(level('a', 20, 60_000))).toEqual(['12 pictures for 20 poses: 8 poses will show one again.']);
  });
  it('wants drawings to copy, not figures, and offers the learner’s own pictures', () => {
    const copy = (more: Partial<PosesRecipe['source']> = {}) =>
      problemsOf(recipeWith([withSource(level('a', 2, 300_000, { exercise: 'copy-a-drawing' }), more)]));
    const [problem] = copy();
    expect(problem.stops).toBe(false);
    expect(problem.words).toMatch(/^Copy a drawing is for drawings by somebody; figures are none/);
    const taken = problem.ways?.[0].take(level('a', 2, 300_000));
    expect(taken?.source.setId).toBe('library');
    expect(copy({ pins: ['picture/a', 'picture/b'] })).toEqual([]);
  });
  it('tells a hard pose in a long place, with two ways out', () => {
    const block = withSource(level('a', 1, 600_000), { pins: ['r4'] });
    expect(words(block)[0]).toMatch(
      /^!.*could hold pose 1 for about 30 s, and it is planned for 10 min.*keep this one to 2 min/,
    );
    expect(words(withSource(level('a', 1, 60_000), { pins: ['r4'] }))).toEqual([]);
  });
  it('calls thirty marks in thirty seconds rushing, and twelve in two minutes not', () => {
    const marks = (n: number, ms: number) =>
      words({ ...posesBlock('a', 'mark-allowance', 1, ms), settings: { rule: { marks: n } } });
    expect(marks(30, 30_000)[0]).toMatch(/rushing: 1.0 s for each/);
    expect(marks(12, 120_000)).toEqual([]);
  });
  it('asks about mass with a fineliner, and does not stop it', () => {
    expect(words({ ...posesBlock('a', 'gesture-by-mass', 1), settings: { medium: 'fineliner' } })[0]).toMatch(
      /^Gesture by mass wants something broad/,
    );
  });
  it('minds the model: how many poses, how long, how long without a break', () => {
    const model = (count: number, minutes: number) =>
      words(withSource(level('a', count, minutes * 60_000), { kind: 'live model' })).join(' ');
    expect(model(90, 2)).toMatch(/90 poses are asked of the model.*no break/);
    expect(model(1, 40)).toMatch(/40 min is long to hold/);
    expect(model(5, 2)).toBe('');
  });
});

describe('references for a recipe', () => {
  const ids = (recipe: Recipe, id: string) => chooseReferences(recipe, pools)[id];
  it('come once before any comes again, also from block to block', () => {
    const recipe = recipeWith([level('a', 5, 60_000), level('b', 7, 60_000)]);
    const all = [...ids(recipe, 'a'), ...ids(recipe, 'b')];
    expect(new Set(all).size).toBe(12);
  });
  it('stay where they are pinned, whatever the seed', () => {
    for (const seed of [1, 2, 3]) {
      const recipe = recipeWith([withSource(level('a', 4, 60_000), { pins: [null, 'r7', null, null] })], { seed });
      expect(ids(recipe, 'a')[1]).toBe('r7');
    }
  });
  it('are the same from the same seed, and one for all of a shrinking row', () => {
    const recipe = recipeWith([{ ...posesBlock('a', 'shrinking-time', 4) }]);
    expect(ids(recipe, 'a')).toEqual(ids(recipe, 'a'));
    expect(new Set(ids(recipe, 'a')).size).toBe(1);
  });
  it('put the odd one last, begin gently, and are none where nothing is shown', () => {
    const odd = recipeWith([
      withSource(level('a', 4, 60_000), { odd: true, gentleFirst: true }),
      withSource(level('b', 1, 60_000), { setId: 'other' }),
      { ...posesBlock('c', 'from-imagination', 2) },
    ]);
    expect(ids(odd, 'a')[3]).toBe('odd');
    const first = pictures.find((p) => p.id === ids(odd, 'a')[0]);
    expect(first?.difficulty).toBeLessThanOrEqual(2);
    expect(ids(odd, 'c')).toEqual([null, null]);
  });
});

describe('drawing from memory, at first', () => {
  const mixed: ReferenceFacts[] = [
    { id: 'hand', extent: 'part', difficulty: 1 },
    { id: 'foot', extent: 'part', difficulty: 2 },
    { id: 'fist', extent: 'part', difficulty: 4 },
    { id: 'easy', extent: 'whole', difficulty: 1 },
    { id: 'hard', extent: 'whole', difficulty: 5 },
  ];
  const offered = (memorySessions: number, facts = mixed, source: Partial<PosesRecipe['source']> = {}): string[] => {
    const block = withSource(level('a', 2, 60_000, { exercise: 'look-then-draw' }), source);
    const from = { bySet: new Map([['s', facts]]), timesDrawn: new Map<string, number>(), memorySessions };
    return poolOf(recipeWith([block]), block, from).map((r) => r.id);
  };
  it('offers easy parts in three sessions, everything from the fourth on', () => {
    for (const sessions of [0, 1, 2]) expect(offered(sessions)).toEqual(['hand', 'foot']);
    expect(offered(3)).toHaveLength(5);
  });
  it('falls back on easy figures, then on all there is', () => {
    expect(offered(0, mixed.slice(3))).toEqual(['easy', 'hard']);
    expect(offered(0, mixed.slice(4))).toEqual(['hard']);
  });
  it('gives way to what the learner asks for, and to other exercises', () => {
    expect(offered(0, mixed, { hardest: 5 })).toHaveLength(5);
    expect(offered(0, mixed, { extent: 'whole' })).toEqual(['easy', 'hard']);
    const block = level('a', 2, 60_000);
    const from = { bySet: new Map([['s', mixed]]), timesDrawn: new Map<string, number>(), memorySessions: 0 };
    expect(poolOf(recipeWith([block]), block, from)).toHaveLength(5);
  });
  it('says so, with the way out', () => {
    const recipe = recipeWith([level('a', 2, 60_000, { exercise: 'look-then-draw' })]);
    const from = { bySet: new Map([['s', mixed]]), timesDrawn: new Map<string, number>(), memorySessions: 1 };
    const chosen = chooseReferences(recipe, from);
    const said = findProblems(recipe, layOutRecipe(recipe, chosen).plan, from, chosen);
    expect(said).toEqual([expect.objectContaining({ stops: false })]);
    expect(said[0].words).toMatch(/^Drawing from memory is new here.*Hardest/);
  });
});
