import { describe, expect, it } from 'vitest';
import { CATALOGUE } from '@/core/figure/catalogue/catalogue';
import { askedOf } from '@/core/clock/asked';
import { stateOnTimeline } from '@/core/clock/run';
import { ticksOf } from '@/core/journal/reflect';
import { withExercise } from '@/core/practice/edit/edit';
import { countThatFits, posesBlock } from '@/core/practice/edit/newBlock';
import { findProblems } from '@/core/practice/edit/problems';
import { CATALOG, exerciseById } from '@/core/practice/exercises';
import { callFor, CALLS } from '@/core/practice/exercises/calls';
import { layOutRecipe } from '@/core/practice/plan/layOut';
import { poseStages } from '@/core/practice/rules/poseStages';
import { EXERCISE_FOR, suits } from '@/core/practice/rules/suits';
import { switchWords } from '@/core/practice/rules/switches';
import { chooseReferences, HELD_SHARE, type ReferencePools } from '@/core/practice/start/chooseReferences';
import { proposePlan } from '@/core/practice/start/propose';
import { setsOfBlock } from '@/core/practice/plan/setsOfBlock';
import { tryRecipe } from '@/core/practice/start/tryRecipe';
import { expandPlan } from '@/core/practice/time/timeline';
import { BUILT_IN_SET_ID, builtInFamilySetId } from '@/core/references/picture';
import { shippedReferences } from '@/core/references/referenceFacts';
import { commonKind, SUBJECT_KINDS, subjectKindOf } from '@/core/references/subjectKind';
import { planOf, poses } from './plans';
import { level, recipeWith } from './recipes';

describe('what a picture shows', () => {
  it('is read off its subject, else its family', () => {
    expect(subjectKindOf({ subject: 'things/objects' })).toBe('thing');
    expect(subjectKindOf({ subject: 'parts/hands', family: 'seated' })).toBe('hand or foot');
    expect(subjectKindOf({ family: 'heads' })).toBe('head');
    expect(subjectKindOf({ family: 'seated' })).toBe('figure');
    expect(subjectKindOf({})).toBeUndefined();
  });
  it('is one kind for a set only where more than half of it is', () => {
    const things = Array.from({ length: 3 }, () => ({ subject: 'things/plants' }));
    expect(commonKind([...things, { family: 'seated' }])).toBe('thing');
    expect(commonKind([...things, { family: 'seated' }, {}, {}])).toBeUndefined();
    expect(commonKind(shippedReferences(builtInFamilySetId('hands')) ?? [])).toBe('hand or foot');
  });
});

describe('exercises and pictures', () => {
  it('suit each other: for every kind of picture there is an exercise', () => {
    for (const kind of SUBJECT_KINDS) expect(suits(exerciseById(EXERCISE_FOR[kind]), kind)).toBe(true);
    expect(suits(exerciseById('shoulder-and-hip-bars'), 'hand or foot')).toBe(false);
    expect(suits(exerciseById('quick-head'), 'figure')).toBe(false);
    expect(suits(exerciseById('timed-study'), 'thing')).toBe(true);
    for (const exercise of CATALOG) expect(suits(exercise, undefined)).toBe(true);
  });
  it('heads and hands are drawn from their own sets where no set was chosen', () => {
    const heads = posesBlock('a', 'quick-head', 4);
    const recipe = recipeWith([heads], { setId: BUILT_IN_SET_ID });
    expect(setsOfBlock(recipe, heads)).toEqual([builtInFamilySetId('heads')]);
    const tried = tryRecipe(exerciseById('hands-and-feet'), BUILT_IN_SET_ID, 'pencil', 1);
    const [block] = tried.blocks.filter((b) => b.kind === 'poses');
    expect(setsOfBlock(tried, block)).toEqual(['hands', 'feet'].map((f) => builtInFamilySetId(f as 'hands')));
  });
  it.each([
    ['hands', 'hands-and-feet'],
    ['heads', 'quick-head'],
  ] as const)('a session from the set of %s has no bars for shoulders and hips', (family, wanted) => {
    const plan = proposePlan({
      availableMs: 1_200_000,
      references: shippedReferences(builtInFamilySetId(family)) ?? [],
      history: { facings: { left: 0, right: 0 }, timesDrawn: new Map() },
      seed: 3,
    });
    const drawn = plan.blocks.flatMap((b) => (b.kind === 'poses' ? [b.exercise] : []));
    const kind = family === 'heads' ? 'head' : 'hand or foot';
    for (const id of drawn) expect(suits(exerciseById(id), kind)).toBe(true);
    expect(drawn).toContain(wanted);
  });
  it('of a vase nobody asks for the whole figure, and its stages name no spine', () => {
    const block = poses(2, 60_000, { exercise: 'structural-gesture' });
    if (block.kind !== 'poses') throw new Error('no poses');
    const things = planOf({ ...block, poses: block.poses.map((p) => ({ ...p, shows: 'thing' as const })) });
    const figures = planOf(block);
    const asks = (plan: typeof things) => {
      const timeline = expandPlan(plan);
      const { visits } = stateOnTimeline(timeline, [{ type: 'start', atMs: 0 }], 66_000);
      return askedOf(plan, timeline.segments, visits)?.asks;
    };
    expect([asks(figures), asks(things)]).toEqual(['whole', undefined]);
    const names = poseStages(things, { kind: 'draw', blockIndex: 0, poseIndex: 0 }, 120_000).map((s) => s.name);
    expect(names[0]).toBe('big shape');
    expect(names.join()).not.toContain('spine');
    const structural = exerciseById('structural-gesture');
    expect(ticksOf(structural, [{ subject: 'things/objects' }])).toBeUndefined();
    expect(ticksOf(structural, [{ family: 'seated' }])?.elements).toContain('Ribcage');
  });
});

describe('exchanging an exercise', () => {
  it('keeps the block’s own lengths, hands, pairs and medium', () => {
    const block = {
      ...posesBlock('a', 'contour', 3),
      lengths: { order: 'own list' as const, fromMs: 60_000, toMs: 300_000, listMs: [60_000, 120_000, 300_000] },
      handsInTurn: true,
      settings: { medium: 'pastel', stages: [{ name: 'edge', share: 1 }] },
    };
    const withPairs = { ...block, source: { ...block.source, pairs: true } };
    const next = withExercise(recipeWith([withPairs]), withPairs, 'flowing-gesture');
    expect(next).toMatchObject({ exercise: 'flowing-gesture', lengths: block.lengths, handsInTurn: true });
    expect(next.source.pairs).toBe(true);
    expect(next.settings).toEqual({ medium: 'pastel' });
  });
  it('takes the usual length where all are alike, and as many as there is room for when added', () => {
    const block = posesBlock('a', 'contour', 3);
    expect(withExercise(recipeWith([block]), block, 'flowing-gesture').lengths.fromMs).toBe(60_000);
    const main = exerciseById('main-piece');
    expect(countThatFits(main, 2_400_000, 720_000)).toBe(1);
    expect(countThatFits(exerciseById('flowing-gesture'), 60_000, 150_000)).toBe(2);
    expect(countThatFits(exerciseById('flowing-gesture'), 60_000, 3_600_000)).toBe(4);
  });
});

describe('long poses', () => {
  const references = shippedReferences(BUILT_IN_SET_ID) ?? [];
  const pools: ReferencePools = { bySet: new Map([[BUILT_IN_SET_ID, references]]), timesDrawn: new Map() };
  const stops = (seed: number, pins: string[] = []): boolean => {
    const block = level('a', 2, 600_000);
    const recipe = recipeWith([{ ...block, source: { ...block.source, pins } }], { setId: BUILT_IN_SET_ID, seed });
    const chosen = chooseReferences(recipe, pools);
    return findProblems(recipe, layOutRecipe(recipe, chosen).plan, pools, chosen).some((p) => p.stops);
  };
  it('can always be started: what cannot be held so long is not chosen', () => {
    for (let seed = 1; seed <= 12; seed++) expect(stops(seed)).toBe(false);
  });
  it('are stopped by how long a model could hold them, not by how hard they are to draw', () => {
    const oneLeg = CATALOGUE.find(({ poseId }) => poseId === 'stilt-walker-on-one-leg');
    const asleep = CATALOGUE.find(({ poseId }) => poseId === 'bread-carrier-asleep-on-the-side');
    expect([oneLeg?.holdS, asleep?.holdS]).toEqual([40, undefined]);
    expect(stops(1, [oneLeg?.id ?? ''])).toBe(true);
    expect(stops(1, [asleep?.id ?? ''])).toBe(false);
    expect(HELD_SHARE * 600).toBeGreaterThan(40);
  });
});

describe('from imagination', () => {
  it('something is called for each pose, the same for the same session', () => {
    const calls = Array.from({ length: CALLS.action.length }, (_, i) => callFor(5, 0, i));
    expect(new Set(calls.map((c) => c.split(',')[0])).size).toBe(CALLS.action.length);
    expect(callFor(5, 0, 3)).toBe(calls[3]);
    for (const call of calls) expect(call).toMatch(/^[A-Z].+, .+\.$/);
  });
  it('the learner’s own words are called in turn, or nothing', () => {
    expect([0, 1, 2].map((i) => callFor(5, 0, i, ['sit', 'fall']))).toEqual(['sit', 'fall', 'sit']);
    expect(callFor(5, 0, 0, [])).toBe('');
  });
});

describe('a change of tool', () => {
  const block = (medium: string, exercise = 'flowing-gesture') => poses(1, 30_000, { exercise, settings: { medium } });
  it('is announced before the pose it is for, and only there', () => {
    const plan = planOf(block('pencil'), block('charcoal'), block('charcoal', 'other-hand'), block('charcoal'));
    const { segments } = expandPlan(plan);
    const leadIns = segments.flatMap((s, i) => (s.kind === 'leadIn' ? [i] : []));
    expect(leadIns.map((at) => switchWords(plan, segments, at))).toEqual([
      '',
      'Switch to charcoal stick.',
      'Use your other hand.',
      'Back to your usual hand.',
    ]);
    expect(switchWords(plan, segments, -1)).toBe('');
  });
});
