import { describe, expect, it } from 'vitest';
import { askedOf } from '@/core/clock/asked';
import { upcomingCues } from '@/core/clock/cues';
import type { RunEvent } from '@/core/clock/log';
import { runStateAt, stateOnTimeline } from '@/core/clock/run';
import { faultsOf } from '@/core/growing/faults';
import { drawingsOf, posesDrawn } from '@/core/journal/drawings';
import { marksTrend } from '@/core/journal/marksTrend';
import { poseRecord } from '@/core/journal/poseRecord';
import { mostMissing, questionsOf } from '@/core/journal/reflect';
import { exerciseById } from '@/core/practice/exercises';
import { exerciseSchema, ruleSchema } from '@/core/practice/exercises/exercise';
import { mediumById } from '@/core/practice/paper/materials';
import { countMarks, markCountWords, marksInKind, marksRule, mostMarks } from '@/core/practice/rules/marks';
import { mirroredLight, pictureCues, subjectCue } from '@/core/practice/rules/pictureCues';
import { poseStages, stageAt } from '@/core/practice/rules/poseStages';
import { nothingErased, ruleCard } from '@/core/practice/rules/ruleCard';
import { schoolStages, stageLengths, stagesOfSchool, withShare } from '@/core/practice/rules/stages';
import { expandPlan } from '@/core/practice/time/timeline';
import type { Session } from '@/core/journal/session';
import type { Plan } from '@/core/practice/plan/schema';
import { planOf, poses } from './plans';
import { sessionOf } from './sessions';

const start: RunEvent = { type: 'start', atMs: 0 };
const kept = (plan: Plan, log: readonly RunEvent[], lastSeenMs: number): Session =>
  sessionOf(plan, log, { lastSeenMs });
const draw = { kind: 'draw' as const, blockIndex: 0, poseIndex: 0 };

describe('marks', () => {
  it('may be limited in number, in kind, and in both at once', () => {
    for (const [most, inKind] of [
      [undefined, false],
      [20, false],
      [undefined, true],
      [12, true],
    ] as const) {
      const marks = ruleSchema.shape.marks.parse(marksRule(most, inKind));
      expect([mostMarks({ marks }), marksInKind({ marks })]).toEqual([most, inKind]);
    }
    expect(ruleSchema.shape.marks.safeParse({ most: 0, kinds: 'C, S and straight' }).success).toBe(false);
  });
  it('are summed up by what was used: seconds for each, how many drawings within, first to last', () => {
    const drawn = [24, undefined, 19, 17].map((marks) => ({ marks, spentMs: 60_000 }));
    const count = countMarks(drawn, 20);
    expect(count).toEqual({ used: [24, 19, 17], most: 20, perMarkMs: 3000, within: 2 });
    expect(count && markCountWords(count)).toBe(
      '24, 19, 17 of 20 marks, 3.0 s for each; within on 2 of 3; 7 fewer in the last than in the first',
    );
    expect(countMarks([{ marks: undefined, spentMs: 1000 }], 20)).toBeUndefined();
    expect(markCountWords({ used: [20], most: 20, perMarkMs: 1500, within: 1 })).toBe(
      '20 of 20 marks, 1.5 s for each; within on 1 of 1',
    );
  });
});

const PLAN = planOf(
  poses(3, 60_000, { exercise: 'mark-allowance', settings: { tickEach: true, medium: 'ballpoint' } }),
);
// Lead-ins of 3, changes of 4 s: changes begin at 63, 130 s.
const LOG: RunEvent[] = [
  start,
  { type: 'rubbedOut', atMs: 20_000 },
  { type: 'rubbedOut', atMs: 21_000 },
  { type: 'marks', atMs: 64_000, count: 26 },
  { type: 'missing', atMs: 65_000, elements: ['Nothing repeated'] },
  { type: 'marks', atMs: 131_000, count: 18 },
  { type: 'missing', atMs: 132_000, elements: [] },
];
const SESSION = kept(PLAN, LOG, 240_000);

describe('what is said of a drawing right after it', () => {
  it('is asked for: marks where they are limited, what was missing where that is wanted', () => {
    const state = runStateAt(PLAN, LOG, 64_500);
    const asked = askedOf(PLAN, expandPlan(PLAN).segments, state.visits);
    expect(asked).toMatchObject({
      marks: 20,
      ticked: true,
      exercise: { lookAt: ['Marks counted', 'Nothing repeated'] },
    });
    const plain = planOf(poses(2));
    const none = askedOf(plain, expandPlan(plain).segments, runStateAt(plain, [start], 34_000).visits);
    expect([none?.marks, none?.ticked]).toEqual([undefined, false]);
  });
  it('stays with its drawing', () => {
    expect(posesDrawn(SESSION).map(poseRecord)).toEqual([
      ['26 marks, 6 over', 'rubbed out 2 times', 'missing: nothing repeated'],
      ['18 marks'],
      [],
    ]);
  });
  it('is summed up for the exercise, and over sessions', () => {
    const [about] = questionsOf(SESSION);
    expect(about.counted).toMatchObject({ used: [26, 18], within: 1 });
    expect(about.missed).toEqual({ element: 'Nothing repeated', missing: 1, looked: 2 });
    expect(about.rubbedOut).toBe(2);
    expect(marksTrend([SESSION], 'mark-allowance', Infinity)).toEqual([2]);
    expect(mostMissing([SESSION], 'mark-allowance')).toEqual({ element: 'Nothing repeated', missing: 1, looked: 2 });
    expect(faultsOf([SESSION], [])).toMatchObject([{ what: 'nothing repeated', times: 1 }]);
  });
  it('tells peeks and lifts of each', () => {
    const blind = planOf(poses(2, 60_000, { exercise: 'blind-contour' }));
    const log: RunEvent[] = [
      start,
      { type: 'peek', atMs: 10_000, forMs: 2000 },
      { type: 'peek', atMs: 70_000, forMs: 500 },
    ];
    expect(drawingsOf(kept(blind, log, 140_000)).map(poseRecord)).toEqual([['1 peek, 2.0 s, over'], ['1 peek, 0.5 s']]);
    const one = planOf(poses(1, 60_000, { exercise: 'continuous-line' }));
    const lifted: RunEvent[] = [start, { type: 'lift', atMs: 9000 }];
    expect(drawingsOf(kept(one, lifted, 70_000)).map(poseRecord)).toEqual([['1 lift']]);
  });
});

describe('the whole figure first', () => {
  const plan = planOf(poses(2, 100_000, { settings: { wholeFirst: 0.5 } }));
  const stage = (elapsedMs: number, wholeInMs?: number) =>
    stageAt(poseStages(plan, draw, 100_000, wholeInMs), elapsedMs);
  const stageCues = (log: RunEvent[], nowMs: number): number =>
    upcomingCues(plan, expandPlan(plan), stateOnTimeline(expandPlan(plan), log, nowMs), nowMs, 90_000).filter(
      ({ kind, atMs }) => kind === 'stage' && atMs < 103_000,
    ).length;
  it('goes on by the timer, or when the learner says that it is in', () => {
    expect(stage(40_000).now).toMatch(/^the whole figure/);
    expect(stage(50_000).now).toMatch(/^mend/);
    expect(stage(30_000, 20_000)).toEqual({ now: 'mend what is off', startsMs: [20_000] });
    const never = planOf(poses(1, 100_000, { settings: { wholeFirst: 1 } }));
    expect(stageAt(poseStages(never, draw, 100_000), 99_000)).toEqual({
      now: 'the whole figure, roughly',
      startsMs: [],
    });
  });
  it('is kept with when it was said, once, and counts as whole', () => {
    const log: RunEvent[] = [start, { type: 'wholeIn', atMs: 23_000 }, { type: 'wholeIn', atMs: 40_000 }];
    const { visits } = runStateAt(plan, log, 50_000);
    expect(visits.at(-1)).toMatchObject({ wholeInMs: 20_000, whole: true });
    expect(poseRecord(drawingsOf(kept(plan, log, 210_000))[0])).toEqual(['whole after 20 s']);
    expect(runStateAt(plan, [start, { type: 'wholeIn', atMs: 1000 }], 1500).visits[0]).not.toHaveProperty('wholeInMs');
  });
  it('rings by the timer only', () => {
    expect(stageCues([start], 10_000)).toBe(1);
    expect(stageCues([start, { type: 'wholeIn', atMs: 20_000 }], 21_000)).toBe(0);
  });
});

describe('stages', () => {
  it('of tone come from five minutes on, or from where one says', () => {
    const names = (ms: number, from?: number) => schoolStages('long', ms, from).map(({ name }) => name);
    expect(names(240_000)).toEqual(['envelope', 'lay-in', 'correct', 'contour']);
    expect(names(300_000)).toContain('flat tone');
    expect(names(240_000, 120_000)).toContain('flat tone');
    const order = names(3600_000).slice(-5);
    expect(order).toEqual(['shadow outline', 'flat tone', 'soften the turning', 'lights', 'accents']);
    expect(stagesOfSchool('long', 600_000).reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1);
    expect(stagesOfSchool('none', 600_000)).toEqual([]);
  });
  it('keep their sum when one is changed, whatever it is set to', () => {
    const four = [0.4, 0.25, 0.1, 0.25].map((share, i) => ({ name: String(i), share }));
    for (const percent of [0, 1, 33, 60, 97, 150]) {
      const next = withShare(four, 1, percent / 100);
      expect(next.reduce((sum, { share }) => sum + Math.round(share * 100), 0)).toBe(100);
      expect(Math.min(...next.map(({ share }) => share))).toBeGreaterThanOrEqual(0.01);
      expect(Math.round(next[1].share * 100)).toBe(Math.min(97, Math.max(1, percent)));
    }
  });
  it('are two at any split: a cue at 40 % of four minutes', () => {
    const two = withShare(
      [
        { name: 'light', share: 0.6 },
        { name: 'dark', share: 0.4 },
      ],
      0,
      0.4,
    );
    expect(stageLengths(two, 240_000, 4000).map((s) => s.lengthMs)).toEqual([96_000, 144_000]);
  });
});

describe('the rule card', () => {
  const card = (id: string, medium?: string, hidden = false) =>
    ruleCard(exerciseById(id), hidden, medium === undefined ? undefined : mediumById(medium)).map(({ words }) => words);
  it('says what the medium forbids, in place of the rule', () => {
    expect(card('flowing-gesture', 'ballpoint')).toContain('ballpoint: nothing to rub out');
    expect(card('flowing-gesture', 'ballpoint')).not.toContain('no erasing');
    expect(card('flowing-gesture', 'charcoal')).toContain('no erasing');
    expect(card('look-then-draw', 'fineliner', true)).not.toContain('erase freely');
    expect(nothingErased(exerciseById('tone-study'), mediumById('ballpoint'))).toBe(true);
    expect(nothingErased(exerciseById('tone-study'), mediumById('charcoal'))).toBe(false);
  });
  it('leaves the shoulder to the lead-in', () => {
    const page = exerciseSchema.parse({ ...exerciseById('other-hand') });
    expect(
      ruleCard({ ...page, rule: { ...page.rule, grip: 'from the shoulder' } }, false).map((l) => l.words),
    ).not.toContain('from the shoulder');
  });
});

describe('what is said of a picture before it is drawn', () => {
  const gesture = exerciseById('structural-gesture');
  const contour = exerciseById('contour');
  it('goes by what it shows: foreshortened, lying, lit from somewhere', () => {
    expect(pictureCues({ foreshortened: true }, gesture)).toEqual([
      'Something comes at you. Which end is nearer? It is the larger one.',
    ]);
    expect(pictureCues({ family: 'reclining' }, gesture)[0]).toMatch(/^It lies/);
    expect(pictureCues({ family: 'reclining' }, contour)).toEqual([]);
    expect(pictureCues({}, gesture)).toEqual([]);
  });
  it('tells the heavier line away from the light, and turns with a mirrored picture', () => {
    expect(pictureCues({ lightFrom: 'upper left' }, contour)).toEqual([
      'Light from the upper left: a lighter line toward it, a heavier one at the lower right.',
    ]);
    expect(pictureCues({ lightFrom: mirroredLight('upper left') }, contour)[0]).toContain('at the lower left');
    expect(pictureCues({ lightFrom: mirroredLight('above') }, contour)[0]).toContain('Light from above');
    expect(pictureCues({ lightFrom: 'front' }, contour)).toEqual([]);
    expect(pictureCues({ lightFrom: 'left' }, gesture)).toEqual([]);
  });
  it('has cues of its own for what is no figure', () => {
    expect(subjectCue('animals/four-legged', gesture)).toMatch(/^Three masses: skull/);
    expect(subjectCue('animals/four-legged', contour)).toMatch(/^From the nose/);
    expect(subjectCue('people/one figure', gesture)).toBeUndefined();
    expect(subjectCue(undefined, gesture)).toBeUndefined();
    expect(subjectCue('things/plants', exerciseById('blind-contour'))).toBeUndefined();
  });
  it('has the order of a stick figure as four steps', () => {
    expect(exerciseById('shoulder-and-hip-bars').form?.steps).toEqual([
      'Head',
      'Spine',
      'Shoulders and hips as two bars',
      'Limbs',
    ]);
  });
});
