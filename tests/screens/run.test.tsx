import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import { withChoices } from '@/core/clock/choices';
import type { RunEvent } from '@/core/clock/log';
import { stateOnTimeline } from '@/core/clock/run';
import { poseOf, SET_FIGURES } from '@/core/figure/catalogue/reference';
import { figureReferenceId } from '@/core/figure/catalogue/referenceId';
import { CATALOG } from '@/core/practice/exercises';
import { ruleCard } from '@/core/practice/rules/ruleCard';
import type { Block, Plan, PosesBlock } from '@/core/practice/plan/schema';
import { expandPlan } from '@/core/practice/time/timeline';
import { AidsTray } from '@/features/run/stage/AidsTray';
import { NO_AIDS } from '@/features/run/stage/aids';
import { HeldCard } from '@/features/run/steer/HeldCard';
import { KeysCard } from '@/features/run/steer/KeysCard';
import { CLOCKS } from '@/features/run/words/segmentProps';
import { SegmentWords } from '@/features/run/words/SegmentWords';
import { exerciseById } from '@/core/practice/exercises';
import { body, lines, planOf, poses, rest } from '../core/plans';
import { textOf } from './markup';

const nothing = (): void => undefined;
const start: RunEvent = { type: 'start', atMs: 0 };

function markupAt(
  plan: Plan,
  nowMs: number,
  log: readonly RunEvent[] = [start],
  clock: (typeof CLOCKS)[number] = 'large',
): string {
  const timeline = expandPlan(plan);
  const state = stateOnTimeline(timeline, log, nowMs);
  return renderToStaticMarkup(
    <SegmentWords
      plan={withChoices(plan, state.changes)}
      segments={timeline.segments}
      state={state}
      clock={clock}
      wordsOn="left"
      onCommand={nothing}
      onSay={nothing}
    />,
  );
}
const wordsAt = (...at: Parameters<typeof markupAt>): string => textOf(markupAt(...at));
const digitsAt = (...at: Parameters<typeof markupAt>): string | undefined =>
  />([+\d:]+)</.exec(/<p role="timer"[^>]*>.*?<\/p>/.exec(markupAt(...at))?.[0] ?? '')?.[1];
const from = (block: Block, more: Partial<PosesBlock>): Block => ({ ...(block as PosesBlock), ...more });

describe('a lead-in', () => {
  const plan = planOf(poses(2, 90_000));
  it('says what comes, how long, which of how many, one cue, and counts down', () => {
    const words = wordsAt(plan, 1200);
    expect(words).toMatch(/^Ready Flowing gesture, 1½ min pose 1 of 2 Shorter Longer /);
    expect(exerciseById('flowing-gesture').cues.some((cue) => words.includes(cue))).toBe(true);
    expect(words).toMatch(/ 2 Show me once$/);
  });
  it('says the length as changed', () => {
    const log: RunEvent[] = [start, { type: 'length', atMs: 500, segmentIndex: 1, lengthMs: 300_000 }];
    expect(wordsAt(plan, 1000, log)).toContain('Flowing gesture, 5 min');
  });
  it('started by hand waits with a button and no count', () => {
    const words = wordsAt(planOf(poses(1, 60_000, { settings: { startsBy: 'hand' } })), 50_000);
    expect(words).toContain('Start the clock');
    expect(words).not.toMatch(/\d Show me once$/);
  });
  it('offers the other of two exercises by name, and the first one again', () => {
    const either = planOf(poses(2, 60_000, { settings: { orExercise: 'gesture-by-mass' } }));
    expect(wordsAt(either, 1000)).toContain('Gesture by mass instead');
    const chosen = wordsAt(either, 2000, [start, { type: 'choose', atMs: 1500 }]);
    expect(chosen).toMatch(/^Ready Gesture by mass/);
    expect(chosen).toContain('Flowing gesture instead');
  });
  it('asks for the envelope first where the figure lies, and not in contour work', () => {
    const lying = SET_FIGURES.find(({ poseId }) => poseOf(poseId).family === 'reclining');
    const standing = SET_FIGURES.find(({ poseId }) => poseOf(poseId).family === 'standing even');
    const before = (figure: typeof lying, exercise: string): string => {
      const block = poses(1, 120_000, { exercise }) as PosesBlock;
      const referenceId = figure ? figureReferenceId(figure) : null;
      return wordsAt(planOf({ ...block, poses: [{ ...block.poses[0], referenceId }] }), 1000);
    };
    expect(before(lying, 'structural-gesture')).toContain('one envelope around all of it first');
    expect(before(standing, 'structural-gesture')).not.toContain('envelope around');
    expect(before(lying, 'contour')).not.toContain('envelope around');
  });
  it('counts attempts when it is started over', () => {
    const log: RunEvent[] = [start, { type: 'restart', atMs: 1000 }, { type: 'restart', atMs: 2000 }];
    expect(wordsAt(plan, 2500, log)).toContain('attempt 3');
  });
});

describe('a change', () => {
  const plan = planOf(poses(2, 60_000));
  it('says the sheet is turned, what comes, and asks of the last pose', () => {
    const words = wordsAt(plan, 64_000);
    expect(words).toMatch(/^Next sheet. Then Flowing gesture, 1 min pose 2 of 2/);
    expect(words).toContain('Whole figure down? Yes Not yet');
    expect(words).toContain('The line was loose tight');
  });
  it('marks what was answered', () => {
    const log: RunEvent[] = [
      start,
      { type: 'whole', atMs: 63_500, down: false },
      { type: 'line', atMs: 63_600, line: 'loose' },
    ];
    const pressed = [...markupAt(plan, 64_000, log).matchAll(/aria-pressed="(true|false)"[^>]*>([a-zA-Z ]+)/g)];
    expect(pressed.map(([, on, words]) => [words.trim(), on])).toEqual([
      ['Yes', 'false'],
      ['Not yet', 'true'],
      ['loose', 'true'],
      ['tight', 'false'],
    ]);
  });
  it('asks for no whole figure after a part, a long pose, or a hurried one', () => {
    const after = (block: Block, ms: number): string => wordsAt(planOf(block), ms);
    expect(after(poses(2, 60_000, { exercise: 'quick-head' }), 64_000)).not.toContain('Whole figure');
    expect(after(poses(2, 181_000), 185_000)).not.toContain('Whole figure');
    expect(wordsAt(plan, 5000, [start, { type: 'next', atMs: 4500 }])).not.toContain('Whole figure');
  });
});

describe('a pose', () => {
  it.each(CATALOG.map(({ id, name }) => [id, name] as const))('of %s stands with its name and its rule', (id, name) => {
    const exercise = exerciseById(id);
    const plan = planOf(poses(1, 120_000, { exercise: id }));
    const words = wordsAt(plan, 8000);
    expect(words).toContain(name);
    const hides = exercise.rule.reference === 'look then hidden';
    for (const line of ruleCard(exercise, hides)) expect(words).toContain(line.words);
    // Nothing of practice is ever scored.
    expect(words).not.toMatch(/score|grade|points|accura|likeness/i);
  });
  it('counts down in whole seconds, up when open, and past its end when soft', () => {
    expect(digitsAt(planOf(poses(1, 90_000)), 3500)).toBe('1:30');
    expect(digitsAt(planOf(poses(1, 90_000)), 92_500)).toBe('0:01');
    expect(digitsAt(planOf(poses(1, 90_000, { settings: { atZero: 'open' } })), 64_900)).toBe('1:01');
    expect(wordsAt(planOf(poses(1, 30_000, { settings: { atZero: 'soft' } })), 43_000)).toMatch(/\+ ?0:10$/);
  });
  it('has no digits when the clock is put away, small ones when wanted so', () => {
    const plan = planOf(poses(1, 90_000));
    expect(markupAt(plan, 5000, [start], 'none')).not.toContain('role="timer"');
    expect(markupAt(plan, 5000, [start], 'small')).toContain('text-[44px]');
  });
  it('names the stage it is in', () => {
    const plan = planOf(poses(1, 120_000));
    expect(wordsAt(plan, 5000)).toContain('Now: action line');
    expect(wordsAt(plan, 3000 + 25_000)).toContain('Now: masses');
  });
  it('keeps calm in the last minute of slow work, and only there', () => {
    const slow = planOf(poses(1, 300_000, { exercise: 'contour' }));
    expect(wordsAt(slow, 3000 + 200_000)).not.toContain('last minute');
    expect(wordsAt(slow, 3000 + 241_000)).toContain('The last minute. Keep the pace.');
    expect(wordsAt(planOf(poses(1, 300_000)), 3000 + 241_000)).not.toContain('last minute');
  });
  it('counts peeks in seconds against the allowance', () => {
    const plan = planOf(poses(1, 300_000, { exercise: 'blind-contour' }));
    const peek = (atMs: number, forMs: number): RunEvent => ({ type: 'peek', atMs, forMs });
    expect(wordsAt(plan, 20_000)).toContain('I peeked');
    expect(wordsAt(plan, 50_000, [start, peek(20_000, 1500), peek(30_000, 1500), peek(40_000, 1500)])).toContain(
      '3 peeks, 4.5 s of 6.0 s. Go on.',
    );
    expect(wordsAt(plan, 50_000, [start, peek(20_000, 6500)])).toContain('1 peek, 6.5 s of 6.0 s, over. Go on.');
  });
  it('counts lifts and says nothing is lost', () => {
    const plan = planOf(poses(1, 120_000, { exercise: 'continuous-line' }));
    const log: RunEvent[] = [start, { type: 'lift', atMs: 9000 }, { type: 'lift', atMs: 12_000 }];
    expect(wordsAt(plan, 15_000, log)).toContain('2 lifts. Set it down where you left off; nothing is lost.');
  });
  it('says how many marks, and how long for each', () => {
    expect(wordsAt(planOf(poses(1, 120_000, { exercise: 'mark-allowance' })), 8000)).toContain(
      'at most 20 marks, 6.0 s for each',
    );
  });
  it('hides what is drawn from memory, and says so', () => {
    const plan = planOf(poses(1, 60_000, { exercise: 'look-then-draw', lookMs: 10_000, lookAgainMs: 10_000 }));
    expect(wordsAt(plan, 5000)).toContain('Look. It hides when the time is up.');
    expect(wordsAt(plan, 20_000)).toContain('Now from memory');
    expect(wordsAt(plan, 3000 + 71_000)).toContain('Here it is again.');
  });
  it('with the eyes closed waits for an answer', () => {
    const plan = planOf(poses(1, 45_000, { exercise: 'eyes-closed' }));
    expect(wordsAt(plan, 20_000)).toContain('Close your eyes and draw');
    const over = wordsAt(plan, 60_000);
    expect(over).toContain('Time. Open your eyes. I heard it');
    expect(digitsAt(plan, 60_000)).toBeUndefined();
  });
  it('of a model is called, and told when it has been held long enough', () => {
    const block = from(poses(2, 1_200_000, { settings: { model: true, atZero: 'open' } }), {});
    const posed = from(block, {
      poses: (block as PosesBlock).poses.map((p) => ({ ...p, referenceId: null })),
    });
    expect(wordsAt(planOf(posed), 10_000)).toContain('Pose 1 of 2: hold');
    expect(wordsAt(planOf(posed), 10_000)).not.toContain('A break is due');
    expect(wordsAt(planOf(posed), 3000 + 25 * 60_000)).toContain('Long enough to hold. A break is due.');
  });
  it('out of a pot says how many more there are in it', () => {
    const plan = planOf(poses(3, 60_000, { settings: { atZero: 'pot', potMs: 600_000 } }));
    expect(wordsAt(plan, 63_000)).toContain('2 more out of these 9:00.');
    const last: RunEvent[] = [1, 2, 3, 4].map((k): RunEvent => ({ type: 'next', atMs: 60_000 + 1000 * k }));
    expect(wordsAt(plan, 80_000, [start, ...last])).toContain('The last one of the pot.');
  });
  it('says that one more comes after it, and that it is one', () => {
    const plan = planOf(poses(1, 30_000));
    const log: RunEvent[] = [start, { type: 'oneMore', atMs: 10_000 }];
    expect(wordsAt(plan, 11_000, log)).toContain('Once more after this.');
    expect(wordsAt(plan, 40_000, log)).toContain('one more, extra');
  });
});

describe('warm-up and rest', () => {
  it('show one move of the body at a time, with its warning', () => {
    const words = wordsAt(planOf(body()), 2000);
    expect(words).toContain('Body, move 1 of 2 0:08 Shake');
    expect(words).toContain('Stop at pain, numbness or tingling.');
    expect(words).not.toContain('The line was');
  });
  it('take a page of lines as long as it takes, with a grip to try', () => {
    const words = wordsAt(planOf(lines(2)), 95_000);
    expect(words).toContain('page 1 of 2 Verticals');
    expect(words).toMatch(/Grip to try: \w/);
    expect(words).toContain('Page full');
    expect(words).toMatch(/1:35$/);
  });
  it('say what comes after a rest, and let it be cut short or made longer', () => {
    const plan = planOf(poses(1, 60_000), rest(120_000), poses(1, 300_000, { exercise: 'contour' }));
    const words = wordsAt(plan, 3000 + 60_000 + 1000);
    expect(words).toMatch(/^Rest, then .*contour 1:59/);
    expect(words).toContain('Draw now A little more');
    expect(words).toContain('Next, 5 min');
    expect(words).toContain('The line was');
  });
  it('stand in the middle where the next picture may not be seen yet, with what comes under them', () => {
    const before = (exercise: string): string =>
      markupAt(planOf(poses(1, 60_000), rest(120_000), poses(1, 180_000, { exercise })), 64_000);
    expect(before('contour')).not.toContain('text-center');
    const unseen = before('look-then-draw');
    expect(unseen).toContain('items-center text-center');
    expect(textOf(unseen)).toMatch(/^Rest, then look, then draw 3 min 1:59/);
    expect(textOf(unseen)).not.toContain('Next,');
  });
  it('look back at the pages', () => {
    const back: Block = { kind: 'rest', durationMs: 60_000, purpose: 'look back' };
    expect(wordsAt(planOf(poses(1), back), 40_000)).toContain('Lay the pages out and look');
  });
});

describe('on hold', () => {
  const plan = planOf(poses(1, 300_000));
  const timeline = expandPlan(plan);
  const card = (log: RunEvent[], nowMs: number, stopping = false): string =>
    textOf(
      renderToStaticMarkup(
        <HeldCard
          state={stateOnTimeline(timeline, log, nowMs)}
          segment={timeline.segments[1]}
          stopping={stopping}
          nowMs={nowMs}
          onGoOn={nothing}
          onCount={nothing}
          onStop={nothing}
          onWhy={nothing}
        />,
      ),
    );
  const hold = (reason: 'paused' | 'asleep' | 'closed' | 'moved'): RunEvent[] => [
    start,
    { type: 'hold', atMs: 63_000, reason },
  ];
  it('says why, what is left, and that nothing is lost', () => {
    expect(card(hold('paused'), 90_000)).toMatch(
      /^On hold 4:00 left. Nothing is lost. Go on Stop and keep Why, if you like/,
    );
    expect(card(hold('closed'), 90_000)).toContain('Picked up where it was cut off');
    expect(card(hold('moved'), 90_000)).toContain('Taken over from the other tab');
  });
  it('after sleep tells how long, and lets it count as drawn', () => {
    const words = card(hold('asleep'), 63_000 + 600_000);
    expect(words).toContain('This machine slept for 10:00');
    expect(words).toContain('Count it as drawn');
    expect(words).not.toContain('Why, if you like');
  });
  it('before stopping asks in neutral words', () => {
    const words = card(hold('paused'), 70_000, true);
    expect(words).toContain('Stop here and keep everything so far?');
    expect(words).toContain('Stopping here is fine: what is drawn is a whole record.');
    expect(words).not.toMatch(/only|fail|give up|unfinished|lost/i);
  });
});

describe('aids', () => {
  const tray = (exercise: string, more: Partial<typeof NO_AIDS> = {}): string =>
    renderToStaticMarkup(
      <AidsTray
        aids={{ ...NO_AIDS, ...more }}
        exercise={exerciseById(exercise)}
        zoom={1.5}
        wordsOn="left"
        onKey={nothing}
        onThreshold={nothing}
        onWhole={nothing}
        onHeight={undefined}
      />,
    );
  const shut = (markup: string): number => markup.match(/disabled=""/g)?.length ?? 0;
  it('are all open where measuring is meant, but the pace of slow work', () => {
    expect(shut(tray('structural-gesture'))).toBe(1);
    expect(textOf(tray('structural-gesture'))).toContain('Pace along the edge for slow exercises');
  });
  it('are shut for measuring in contour work: plumb, divide, envelope, lattice', () => {
    expect(shut(tray('contour'))).toBe(4);
    expect(textOf(tray('blind-contour')).match(/no measuring here/g)).toHaveLength(4);
  });
  it('say how they stand', () => {
    const words = textOf(tray('tone-study', { values: 3, lift: 0.5, grid: 'thirds' }));
    expect(words).toContain('Values 3');
    expect(words).toContain('Lighter +0.5');
    expect(words).toContain('Divide thirds');
    expect(words).toContain('Light and dark part at');
    expect(words).toContain('Zoom 150 %');
    expect(textOf(tray('tone-study'))).not.toContain('Light and dark part at');
  });
  it('have their keys on the card of keys, each key once', () => {
    const keys = [...tray('structural-gesture').matchAll(/<kbd[^>]*>([a-z])<\/kbd>/g)].map((m) => m[1].toUpperCase());
    const card = renderToStaticMarkup(<KeysCard onClose={nothing} />);
    const listed = [...card.matchAll(/<dt[^>]*>([^<]*)<\/dt>/g)].flatMap((m) => m[1].match(/\b[A-Z]\b/g) ?? []);
    expect(new Set(listed).size).toBe(listed.length);
    for (const key of keys) expect(listed).toContain(key);
  });
});
