import { describe, expect, it } from 'vitest';
import { accountRun } from '@/core/clock/account';
import { withChoices } from '@/core/clock/choices';
import type { RunEvent } from '@/core/clock/log';
import { poseAhead } from '@/core/clock/poseSegments';
import { goesOn, runStateAt } from '@/core/clock/run';
import { BUILD_NAMES, BUILD_TRAITS, BUILD_WORDS } from '@/core/figure/skeleton/buildNames';
import { piecesOf } from '@/core/growing/pieces';
import { compareToPlan } from '@/core/journal/compare';
import { versionsOf } from '@/core/journal/versions';
import { againPlan } from '@/core/growing/again';
import { posesDrawn } from '@/core/journal/drawings';
import { toolsWords } from '@/core/journal/toolsWords';
import { planSchema } from '@/core/practice/plan/schema';
import { mediumOf, poseExercise, poseIn } from '@/core/practice/rules/poseExercise';
import { anotherPicture } from '@/core/practice/start/anotherPicture';
import { expandPlan } from '@/core/practice/time/timeline';
import { BUILT_IN_SET_ID } from '@/core/references/picture';
import { shippedReferences } from '@/core/references/referenceFacts';
import { fulfills } from '@/core/references/wishes';
import { planOf, poses, rest } from './plans';
import { sessionOf } from './sessions';

const start: RunEvent = { type: 'start', atMs: 0 };
const at = (blockIndex: number, poseIndex: number) => ({ blockIndex, poseIndex });
const plan = planOf(
  poses(2, 30_000, { settings: { medium: 'charcoal' } }),
  rest(),
  poses(3, 30_000, { settings: { medium: 'charcoal' } }),
  poses(1, 30_000, { settings: { medium: 'pencil' } }),
);
const changed = (...log: RunEvent[]) => withChoices(plan, runStateAt(plan, [start, ...log], 10_000).changes);
const referencesOf = (of: typeof plan) =>
  of.blocks.map((b) => (b.kind === 'poses' ? b.poses.map((p) => p.referenceId) : []));

describe('another picture', () => {
  const event: RunEvent = { type: 'picture', atMs: 1000, ...at(0, 1), referenceId: 'other', shows: 'thing' };
  it('replaces the old one everywhere from that pose on', () => {
    expect(referencesOf(changed(event))).toEqual([
      ['figure-0', 'other'],
      [],
      ['figure-0', 'other', 'figure-2'],
      ['figure-0'],
    ]);
    expect(poseIn(changed(event), at(0, 1))?.shows).toBe('thing');
    // What was drawn before keeps its picture.
    expect(referencesOf(changed({ ...event, ...at(2, 1) }))[0]).toEqual(['figure-0', 'figure-1']);
  });
  it('appears in the journal, and the plan stays valid', () => {
    const session = sessionOf(plan, [event]);
    expect(posesDrawn(session)[1].referenceId).toBe('other');
    expect(planSchema.safeParse(changed(event)).success).toBe(true);
  });
  it("comes from the block's sets and wishes, and never twice in a session", () => {
    const pool = shippedReferences(BUILT_IN_SET_ID)!;
    const [block] = planOf(poses(2)).blocks;
    const wished = planOf({
      ...(block as Extract<typeof block, { kind: 'poses' }>),
      from: { sets: [BUILT_IN_SET_ID], wishes: { sex: 'woman', view: 'back', extent: 'whole' } },
    });
    const found: string[] = [];
    for (let id = anotherPicture(wished, at(0, 0), pool, found); id !== undefined;) {
      found.push(id);
      id = anotherPicture(wished, at(0, 0), pool, found);
    }
    const expected = pool.filter((r) => fulfills(r, { sex: 'woman', view: 'back', extent: 'whole' })).map((r) => r.id);
    expect(found.length).toBeGreaterThan(2);
    expect(new Set(found)).toEqual(new Set(expected));
    expect(found).toHaveLength(expected.length);
  });
});

describe('what was drawn in place of what was planned', () => {
  const exchanged = sessionOf(plan, [{ type: 'picture', atMs: 1000, ...at(0, 1), referenceId: 'other' }]);
  it('is found among the versions of its picture', () => {
    const found = versionsOf([exchanged], ['other']).map(({ drawing }) => drawing.referenceId);
    expect(found).toEqual(['other', 'other']);
  });
  it('can be drawn again', () => {
    const [, drawing] = posesDrawn(exchanged);
    const [block] = againPlan({ session: exchanged, drawing }, 1).blocks;
    expect(block).toMatchObject({ kind: 'poses', poses: [{ referenceId: 'other', drawMs: 30_000 }] });
  });
  it('can be drawn again by the exercise that was chosen', () => {
    const either = sessionOf(planOf(poses(1, 30_000, { settings: { orExercise: 'contour' } })), [
      { type: 'choose', atMs: 1000 },
    ]);
    const [drawing] = posesDrawn(either);
    expect(againPlan({ session: either, drawing }, 1).blocks[0]).toMatchObject({ exercise: 'contour' });
  });
});

describe('another picture for a long pose', () => {
  it('can be held that long where the set has such a pose', () => {
    const pool = [
      { id: 'balancing', holdS: 20 },
      { id: 'leaping', holdS: 2 },
      { id: 'at ease', holdS: 1800 },
    ];
    const long = planOf(poses(1, 20 * 60_000));
    expect(anotherPicture(long, at(0, 0), pool, [])).toBe('at ease');
    expect(anotherPicture(long, at(0, 0), pool, ['at ease'])).toBeDefined();
  });
});

describe('another medium', () => {
  const event: RunEvent = { type: 'medium', atMs: 1000, ...at(0, 1), medium: 'pastel' };
  it('replaces the old one everywhere from that pose on, and leaves other media alone', () => {
    const media = [at(0, 0), at(0, 1), at(2, 0), at(2, 2), at(3, 0)].map((place) => mediumOf(changed(event), place));
    expect(media).toEqual(['charcoal', 'pastel', 'pastel', 'pastel', 'pencil']);
  });
  it('is counted in the journal', () => {
    const session = sessionOf(plan, [event]);
    expect(piecesOf(session).map((p) => p.medium)).toEqual([
      'charcoal',
      'pastel',
      'pastel',
      'pastel',
      'pastel',
      'pencil',
    ]);
    expect(toolsWords(session)).toContain('pastel');
  });
});

describe('the other hand', () => {
  const event: RunEvent = { type: 'hand', atMs: 1000, ...at(2, 1) };
  const hands = (...log: RunEvent[]) =>
    [at(2, 0), at(2, 1), at(2, 2), at(3, 0)].map((place) => poseExercise(changed(...log), place)?.rule.hand);
  it('is used to the end of the block', () => {
    expect(hands(event)).toEqual(['usual', 'other', 'other', 'usual']);
  });
  it('goes back when asked for again', () => {
    expect(hands(event, { ...event, atMs: 2000 })).toEqual(hands());
    expect(hands(event, { ...event, atMs: 2000, ...at(2, 2) })).toEqual(['usual', 'other', 'usual', 'usual']);
  });
});

describe('the pose ahead', () => {
  it("is the lead-in's, or the one after a gap; there is none while a pose is drawn", () => {
    const { segments } = expandPlan(plan);
    const ahead = segments.map((_, i) => poseAhead(segments, i)).map((s) => s && [s.blockIndex, s.poseIndex]);
    expect(ahead.slice(0, 6)).toEqual([[0, 0], undefined, [0, 1], [0, 1], undefined, [2, 0]]);
    expect(segments[5].kind).toBe('rest');
  });
});

describe("a picture that isn't ready", () => {
  // Lead-in 3 s; the picture was due at 3 s and came 7 s later.
  const log: RunEvent[] = [
    start,
    { type: 'hold', atMs: 3000, reason: 'picture' },
    { type: 'resume', atMs: 10_000, counted: false },
  ];
  const one = planOf(poses(1));
  it('holds the clock, and the pose has all of its time', () => {
    expect(runStateAt(one, log, 8000)).toMatchObject({ phase: 'held', holdReason: 'picture', leftMs: 30_000 });
    expect(goesOn(runStateAt(one, log, 8000))).toBe(true);
    expect(runStateAt(one, log, 39_999)).toMatchObject({ phase: 'running' });
    expect(accountRun(one, log, 60_000)).toMatchObject({ drawingMs: 30_000, heldMs: 7000, wallMs: 40_000 });
  });
  it('is named as the reason for a longer session', () => {
    expect(compareToPlan(sessionOf(one, log.slice(1)))).toBe(
      'You took 0:07 more than planned, with 0:07 waiting for pictures.',
    );
  });
  it("gives way to the learner's own pause", () => {
    const paused: RunEvent[] = [...log.slice(0, 2), { type: 'hold', atMs: 5000, reason: 'paused' }];
    const state = runStateAt(one, paused, 9000);
    expect(goesOn(state)).toBe(false);
    expect(state.holds.map((h) => [h.reason, h.toMs - h.fromMs])).toEqual([
      ['picture', 2000],
      ['paused', 4000],
    ]);
  });
});

describe('wishes', () => {
  it("agree with each person's description", () => {
    for (const name of BUILD_NAMES) {
      const { sex, shape } = BUILD_TRAITS[name];
      expect(BUILD_WORDS[name].toLowerCase()).toContain(sex);
      if (/heavy|stocky/i.test(BUILD_WORDS[name])) expect(shape).toBe('heavy');
      expect(BUILD_TRAITS[name].age === 'old').toBe(BUILD_WORDS[name].includes('seventies'));
    }
  });
  it("aren't met by unknown facts, except for difficulty", () => {
    expect(fulfills({ id: 'a' }, {})).toBe(true);
    expect(fulfills({ id: 'a' }, { sex: 'woman' })).toBe(false);
    expect(fulfills({ id: 'a' }, { hardest: 3 })).toBe(true);
    expect(fulfills({ id: 'a' }, { hardest: 2 })).toBe(false);
  });
});
