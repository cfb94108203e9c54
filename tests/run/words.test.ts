import { describe, expect, it } from 'vitest';
import { NO_CHANGES, withChoices } from '@/core/clock/choices';
import { layOutRecipe } from '@/core/practice/plan/layOut';
import { posesBlock } from '@/core/practice/edit/newBlock';
import { recipeWith } from '../core/recipes';
import { CATALOG, exerciseById } from '@/core/practice/exercises';
import { countsPeeks, isCalm } from '@/core/practice/exercises/exercise';
import { LINE_MOTIFS } from '@/core/practice/start/warmUp';
import { planSchema } from '@/core/practice/plan/schema';
import { singlePosePlan } from '@/core/practice/plan/singlePose';
import { sumPlan } from '@/core/practice/time/sums';
import { expandPlan } from '@/core/practice/time/timeline';
import {
  announcement,
  comingReferences,
  cueOf,
  eitherOf,
  MOTIF_PATHS,
  nextPose,
  poseCount,
  poseDetails,
  poseNotes,
  previewOf,
  promptOf,
} from '@/features/run/words/words';
import { showsReference } from '@/core/practice/rules/showsReference';
import { body, lines, planOf, poses, rest } from '../core/plans';

const plan = planOf(
  body(),
  lines(1),
  poses(2),
  rest(120_000),
  poses(1, 60_000, { lookMs: 15_000, lookAgainMs: 5000, exercise: 'look-then-draw' }),
);
const { segments } = expandPlan(plan);
const kindsThatShow = (exercise: 'flowing-gesture' | 'blind-contour' | 'look-then-draw'): string[] => {
  const p = planOf(poses(2, 60_000, { lookMs: 10_000, lookAgainMs: 5000, exercise }));
  return [
    ...new Set(
      expandPlan(p)
        .segments.filter((s) => showsReference(p, s))
        .map((s) => s.kind),
    ),
  ];
};

describe('the reference', () => {
  it('is shown for looking and drawing, never in the lead-in or the change', () => {
    expect(kindsThatShow('flowing-gesture')).toEqual(['look', 'draw', 'lookAgain']);
    expect(kindsThatShow('blind-contour')).toEqual(['look', 'draw', 'lookAgain']);
  });
  it('hides for drawing where the exercise says so', () => {
    expect(kindsThatShow('look-then-draw')).toEqual(['look', 'lookAgain']);
  });
  it('is known ahead, in order', () => {
    expect(comingReferences(plan, segments, 0)).toEqual(['figure-0', 'figure-1', 'figure-0']);
    expect(comingReferences(plan, segments, segments.length)).toEqual([]);
  });
});

describe('a rest', () => {
  const restBefore = (exercise: 'flowing-gesture' | 'look-then-draw') => {
    const p = planOf(rest(60_000), poses(1, 60_000, { lookMs: exercise === 'look-then-draw' ? 15_000 : 0, exercise }));
    const list = expandPlan(p).segments;
    return list.map((_, i) => previewOf(p, list, i));
  };
  it('lets the next reference be seen', () => {
    expect(restBefore('flowing-gesture')[0]).toBe('figure-0');
  });
  it('does not when it may be looked at only for so long', () => {
    expect(restBefore('look-then-draw').every((id) => id === null)).toBe(true);
  });
});

describe('words', () => {
  it('announce every segment to a screen reader', () => {
    expect(segments.map((s) => announcement(plan, s))).toEqual([
      'Shake, 10 seconds.',
      'Stretch, 10 seconds.',
      'A page of verticals. Say when it is full.',
      'Next: Flowing gesture, pose 1 of 2.',
      'Draw for 30 seconds.',
      'Change the sheet.',
      'Next: Flowing gesture, pose 2 of 2.',
      'Draw for 30 seconds.',
      'Rest for 2 minutes.',
      'Next: Look, then draw, pose 1 of 1.',
      'Look for 15 seconds.',
      'Draw for 1 minute.',
      'The reference again, for 5 seconds.',
    ]);
  });
  it('add the rule where an exercise begins, and who is drawn while the picture shows', () => {
    expect(segments.map((s) => poseDetails(plan, segments, s, 'Shepherd'))).toEqual([
      [],
      [],
      [],
      ['Look more than draw.', 'No erasing.', 'Wrong line? Draw it again in one stroke.'],
      ['The model: shepherd.'],
      [],
      [],
      ['The model: shepherd.'],
      [],
      [],
      ['The model: shepherd.'],
      [],
      ['The model: shepherd.'],
    ]);
    const bare = planOf(poses(2, 30_000, { exercise: 'blind-contour' }));
    const shown = expandPlan(bare).segments.filter((s) => s.kind === 'draw');
    expect(poseDetails(bare, shown, shown[0], '')).toEqual([
      'Blind contour, pose 1 of 2.',
      'Eyes on the edge; a sound ends it.',
      'No erasing.',
    ]);
    expect(poseDetails(bare, shown, shown[1], '')).toEqual(['Blind contour, pose 2 of 2.']);
  });
  it('count within the block', () => {
    expect([0, 2, 7, 8].map((i) => poseCount(plan, segments[i]))).toEqual([
      'move 1 of 2',
      'page 1 of 1',
      'pose 2 of 2',
      '',
    ]);
  });
  it('tell the next pose from anywhere before it', () => {
    expect(nextPose(plan, segments, 8)).toMatchObject({ exercise: { name: 'Look, then draw' }, length: '1 min' });
    expect(nextPose(plan, segments, segments.length)).toBeUndefined();
  });
  it('have lines to show for every motif', () => {
    expect(Object.keys(MOTIF_PATHS).sort()).toEqual([...LINE_MOTIFS].sort());
  });
});

describe('what a pose says of itself', () => {
  const recipe = recipeWith([
    { ...posesBlock('a', 'mark-allowance', 1, 60_000), settings: { orExercise: 'c-s-straight' } },
    { ...posesBlock('b', 'from-imagination', 1), settings: { prompt: 'A box that turns.' } },
    {
      ...posesBlock('c', 'flowing-gesture', 1),
      bothHands: true,
      labels: ['soft'],
      source: { ...posesBlock('c', 'flowing-gesture', 1).source, kind: 'live model' as const },
    },
    posesBlock('d', 'draw-then-memory', 1),
  ]);
  const whole = layOutRecipe(recipe, { a: ['p'], b: [null], c: [null, null], d: ['q'] }).plan;
  const timeline = expandPlan(whole).segments;
  const segment = (blockIndex: number, kind: string, poseIndex = 0) =>
    timeline.find(
      (s) => s.blockIndex === blockIndex && s.kind === kind && s.poseIndex === poseIndex,
    ) as (typeof timeline)[number];
  it('tells its allowance, hand and label', () => {
    expect(poseNotes(whole, segment(0, 'draw'))).toEqual(['at most 20 marks, 3.0 s for each']);
    expect(poseNotes(whole, segment(2, 'draw'))).toEqual(['soft']);
    expect(poseNotes(whole, segment(2, 'draw', 1))).toEqual(['with the other hand']);
  });
  it('has words where there is no picture, and none where there is one', () => {
    expect(promptOf(whole, segment(1, 'draw'))).toBe('A box that turns.');
    expect(promptOf(whole, segment(2, 'draw'))).toBe('Draw what is before you.');
    expect(promptOf(whole, segment(0, 'draw'))).toBeUndefined();
    expect(showsReference(whole, segment(2, 'draw'))).toBe(false);
  });
  it('says what to draw where an exercise knows it and nobody poses', () => {
    const qualities = (kind: 'none' | 'live model'): string | undefined => {
      const block = posesBlock('q', 'line-qualities', 1);
      const { plan } = layOutRecipe(recipeWith([{ ...block, source: { ...block.source, kind } }]), {});
      const draw = expandPlan(plan).segments.find((s) => s.kind === 'draw')!;
      return promptOf(plan, draw);
    };
    expect(qualities('none')).toMatch(/^One simple shape/);
    expect(qualities('live model')).toBe('Draw what is before you.');
  });
  it('names the other exercise of a choice, whichever is chosen', () => {
    expect(eitherOf(whole, segment(0, 'leadIn'))).toBe('C, S and straight');
    expect(eitherOf(withChoices(whole, { ...NO_CHANGES, others: ['0:0'] }), segment(0, 'leadIn'))).toBe(
      'Mark allowance',
    );
    expect(eitherOf(whole, segment(1, 'draw'))).toBeUndefined();
  });
  it('shows the picture for one of two drawings and hides it for the other', () => {
    expect(
      [segment(3, 'draw'), segment(3, 'drawAgain'), segment(3, 'lookAgain')].map((s) => showsReference(whole, s)),
    ).toEqual([true, false, true]);
  });
});

describe('the catalogue', () => {
  it('never asks for likeness, and says something before each pose', () => {
    for (const exercise of CATALOG) {
      expect(exercise.cues.length).toBeGreaterThan(0);
      expect([exercise.closingQuestion, ...exercise.cues].join(' ')).not.toMatch(/likeness|score|grade/i);
    }
  });
  it('keeps blind contour blind, calm and counted', () => {
    const blind = exerciseById('blind-contour');
    expect([blind.rule.gaze, isCalm(blind), countsPeeks(blind)]).toEqual(['only on the reference', true, true]);
    expect(blind.closingQuestion).toMatch(/What did you notice/);
  });
});

describe('a single pose', () => {
  it('is a whole plan that fits its time', () => {
    const single = planSchema.parse(singlePosePlan('figure/archer-turning/masc/0/5/26', 60_000));
    expect(sumPlan(single)).toMatchObject({ drawingMs: 60_000, totalMs: single.availableMs });
  });
});

describe('the cue before a pose', () => {
  it('is about what its label names, and else one after the other', () => {
    const exercise = exerciseById('line-then-tone');
    const block = poses(2, 60_000, { exercise: 'line-then-tone' });
    const labeled = planOf({
      ...block,
      ...(block.kind === 'poses' && { poses: block.poses.map((p, i) => ({ ...p, label: ['line', 'tone'][i] })) }),
    });
    const draws = (p: typeof labeled) => expandPlan(p).segments.filter((s) => s.kind === 'draw');
    expect(draws(labeled).map((s) => cueOf(labeled, s, exercise).split(':')[0])).toEqual(['Line', 'Tone']);
    const plain = planOf(poses(4));
    const { cues } = exerciseById('flowing-gesture');
    // A block further on begins with its first cue, too.
    const later = planOf({ kind: 'rest', durationMs: 60_000 }, plain.blocks[0]);
    expect(draws(later).map((s) => cueOf(later, s, exerciseById('flowing-gesture')))[0]).toBe(
      exerciseById('flowing-gesture').cues[0],
    );
    expect(draws(plain).map((s) => cueOf(plain, s, exerciseById('flowing-gesture')))).toEqual(
      [0, 1, 2, 3].map((i) => cues[i % cues.length]),
    );
  });
});
