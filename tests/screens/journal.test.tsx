import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it, vi } from 'vitest';
import type { RunEvent } from '@/core/clock/log';
import type { Reflection } from '@/core/journal/reflection';
import type { Session } from '@/core/journal/session';
import { CATALOG } from '@/core/practice/exercises';
import type { Plan } from '@/core/practice/plan/schema';
import { sumPlan } from '@/core/practice/time/sums';
import { DrawnRow } from '@/features/journal/DrawnRow';
import { Reflect } from '@/features/journal/Reflect';
import { TimeSums } from '@/features/journal/TimeSums';
import { Handbook } from '@/features/handbook/Handbook';
import { LastTime } from '@/features/today/LastTime';
import { WeekBoxes } from '@/features/today/WeekBoxes';
import { SumsEquation } from '@/ui/SumsEquation';
import { lines, planOf, poses, rest } from '../core/plans';
import { sessionOf as anySession } from '../core/sessions';
import { pressedOf, textOf } from './markup';

// Exercises of the handbook can be begun at once: that goes to another page.
vi.mock('next/navigation', () => ({ useRouter: () => ({ push: vi.fn() }) }));

const DAY_MS = 24 * 3600_000;
const NOW = new Date(2026, 10, 25, 20, 0).getTime(); // a Wednesday
const sessionOf = (plan: Plan, log: RunEvent[] = [], more: Partial<Session> = {}): Session =>
  anySession(plan, log, { startedAtMs: NOW - 3600_000, ...more });
const seconds = (digits: string): number => digits.split(':').reduce((sum, part) => sum * 60 + Number(part), 0);

describe('after a session', () => {
  const reflect = (session: Session, others: Session[] = []): string =>
    renderToStaticMarkup(<Reflect session={session} sessions={[session, ...others]} nowMs={NOW} />);
  const said = (reflection: Reflection, exercise = 'flowing-gesture', more: Partial<Session> = {}): Session =>
    sessionOf(planOf(poses(2, 60_000, { exercise })), [], { reflection, ...more });

  it('asks what belongs to each exercise, with its own closing question, and nothing of likeness', () => {
    for (const { id, name, closingQuestion } of CATALOG) {
      const words = textOf(
        reflect(sessionOf(planOf(poses(1, 60_000, { exercise: id })), [{ type: 'next', atMs: 50_000 }])),
      );
      expect(words, id).toContain(name);
      expect(words, id).toContain(closingQuestion.replaceAll('’', '’'));
      expect(words, id).not.toMatch(/likeness|score|grade/i);
    }
  });
  it('tells peeks, lifts and marks where the rule counts them', () => {
    const blind = sessionOf(planOf(poses(1, 300_000, { exercise: 'blind-contour' })), [
      { type: 'peek', atMs: 20_000, forMs: 4500 },
    ]);
    expect(textOf(reflect(blind))).toContain('1 peek, 4.5 s: 1.5 %, within the 2 %');
    const line = sessionOf(planOf(poses(1, 120_000, { exercise: 'continuous-line' })), [
      { type: 'lift', atMs: 20_000 },
      { type: 'lift', atMs: 30_000 },
    ]);
    expect(textOf(reflect(line))).toContain('1 drawing; 2 lifts');
    const marked = said({ answers: [{ exerciseId: 'mark-allowance', marks: 24 }] }, 'mark-allowance');
    const before = said({ answers: [{ exerciseId: 'mark-allowance', marks: 19 }] }, 'mark-allowance', {
      id: 'b',
      startedAtMs: NOW - 5 * DAY_MS,
    });
    expect(textOf(reflect(marked, [before]))).toContain('4 more than allowed, 20 % over; before: -1');
  });
  it('names what was missing most often, and by how much', () => {
    const missing = { exerciseId: 'flowing-gesture', looked: ['Tilt of hips', 'Feet'], missing: ['Feet'] };
    const session = said({ answers: [missing] });
    const before = said({ answers: [missing] }, 'flowing-gesture', { id: 'b', startedAtMs: NOW - DAY_MS });
    const markup = reflect(session, [before]);
    expect(textOf(markup)).toContain('Missing most often: feet , 2 of 2 times.');
  });
  it('offers loosening after two tight ones only, and never by itself', () => {
    const tight = said({ line: 'tight' });
    const before = said({ line: 'tight' }, 'flowing-gesture', { id: 'b', startedAtMs: NOW - DAY_MS });
    expect(textOf(reflect(tight, [before]))).toContain('Tight twice running.');
    expect(textOf(reflect(tight))).not.toContain('Tight twice running.');
    expect(pressedOf(reflect(tight))).toEqual(['tight']);
  });
  it('says which length to try next, by how many were whole', () => {
    const whole = [true, false, false].map((down, i): RunEvent => ({ type: 'whole', atMs: 64_000 + 67_000 * i, down }));
    expect(textOf(reflect(sessionOf(planOf(poses(4, 60_000)), whole)))).toContain(
      '1 of 3 whole in 1 min. Try 1½ min next time. Remind me',
    );
    expect(textOf(reflect(sessionOf(planOf(poses(4, 60_000)))))).not.toContain('next time.');
  });
  it('gives a verdict always for the time it was drawn in', () => {
    const words = textOf(reflect(said({ verdicts: [{ aspect: 'placement', verdict: 'holds', forMs: 60_000 }] })));
    expect(words).toContain('placement holds for 1 min');
    expect(words).toContain('Tone, for 1 min');
  });
  it('shuts every judgment until the date, and nothing else', () => {
    const words = textOf(reflect(said({ noJudgingUntilMs: NOW + 3 * DAY_MS, nextTime: 'Feet first' })));
    expect(words).toContain('No judging of this session until November 28. Put it away and draw the next.');
    expect(words).not.toContain('Tap what was missing');
    expect(words).not.toMatch(/Placement|Construction|Tone,/);
    expect(words).toContain('Park the critic');
    expect(textOf(reflect(said({ noJudgingUntilMs: NOW - 1 })))).toContain('Tap what was missing');
  });
  it('proposes the other hand after a long one with the usual hand alone', () => {
    expect(textOf(reflect(sessionOf(planOf(poses(8, 20_000)), [], { usualHand: 'left' })))).toContain(
      'You drew all of it with your left hand.',
    );
    expect(textOf(reflect(sessionOf(planOf(poses(7, 20_000)))))).not.toContain('All of it with');
  });
  it('asks for a comfortable grip after pages of lines', () => {
    const words = textOf(reflect(sessionOf(planOf(lines(1), poses(1)), [{ type: 'next', atMs: 60_000 }])));
    expect(words).toContain('A grip that was comfortable');
    expect(textOf(reflect(sessionOf(planOf(poses(1)))))).not.toContain('A grip that was');
  });
});

describe('the time of a session', () => {
  const sums = (session: Session): { parts: number[]; together: number; words: string } => {
    const markup = renderToStaticMarkup(<TimeSums session={session} />);
    const all = [...markup.matchAll(/data-sum="(\w+)">([\d:]+)</g)].map((m) => [m[1], seconds(m[2])] as const);
    return {
      parts: all.filter(([name]) => name !== 'together').map(([, s]) => s),
      together: all.find(([name]) => name === 'together')?.[1] ?? NaN,
      words: textOf(markup),
    };
  };
  it('is shown as six sums that add up, to the second, however the milliseconds fall', () => {
    const plan = planOf(poses(3, 30_333, { lookMs: 7777, changeMs: 4444 }), rest(61_111), poses(2, 45_555));
    for (const atMs of [12_345, 33_333, 98_765]) {
      const { parts, together } = sums(sessionOf(plan, [{ type: 'next', atMs }]));
      expect(parts).toHaveLength(6);
      expect(parts.reduce((a, b) => a + b, 0)).toBe(together);
    }
  });
  it('says how it went against the plan', () => {
    const { words } = sums(sessionOf(planOf(poses(1, 60_000)), [{ type: 'next', atMs: 53_000 }]));
    expect(words).toContain('Drawing 0:50 10 s less');
    expect(words).toContain('Held 0:00 never');
  });
  it('lists what it was held for, and what choosing cost', () => {
    const log: RunEvent[] = [
      { type: 'hold', atMs: 20_000, reason: 'paused' },
      { type: 'why', atMs: 21_000, why: 'a tool broke' },
      { type: 'resume', atMs: 67_000, counted: false },
    ];
    const { words } = sums(sessionOf(planOf(poses(1, 300_000)), log, { choosingMs: 1_200_000 }));
    expect(words).toContain('Held, with a reason: 0:47 a tool broke.');
    expect(words).toContain('Choosing pictures before it: 20:00, 4.0 times as long as the drawing.');
  });
});

describe('today', () => {
  it('fills the boxes of the week without blame for empty ones', () => {
    const sessions = [
      sessionOf(planOf(poses(1, 600_000)), [], { startedAtMs: NOW - DAY_MS }),
      sessionOf(planOf(poses(1, 300_000)), [], { id: 'b', startedAtMs: NOW - DAY_MS + 3600_000 }),
      sessionOf(planOf(poses(1, 60_000)), [], { id: 'c', startedAtMs: NOW - 8 * DAY_MS }),
    ];
    const words = textOf(renderToStaticMarkup(<WeekBoxes whose={{ sessions, of: undefined }} nowMs={NOW} />));
    expect(words).toContain('15 minutes of drawing so far');
    expect(words).toContain('Monday: 0 minutes Mon Tuesday: 15 minutes Tue 15 min Wednesday: 0 minutes Wed');
    expect(words).not.toMatch(/streak|missed|goal|%/i);
  });
  it('says the last session in a sentence, with its note and what was wanted next', () => {
    const last = sessionOf(planOf(poses(2, 60_000)), [], { note: 'Rounder.', reflection: { nextTime: 'Feet first' } });
    const lastTime = (sessions: Session[], soFar: string): string =>
      textOf(renderToStaticMarkup(<LastTime whose={{ sessions, of: undefined }} soFar={soFar} course={false} />));
    const words = lastTime([last], '1240 drawings in 96 hours.');
    expect(words).toContain('Wednesday, November 25: 2 drawings in 2:00 of drawing.');
    expect(words).toContain('Next time: Feet first');
    expect(words).toContain('“Rounder.”');
    expect(words).toContain('In all: 1240 drawings in 96 hours.');
    expect(lastTime([last], '')).not.toContain('In all');
    expect(lastTime([], '')).toContain('The first one can be a minute long.');
  });
  it('shows where the time goes as a sum that adds up', () => {
    const plan = planOf(poses(3, 45_000, { lookMs: 15_000 }), rest(60_000), poses(1, 300_000));
    const words = textOf(renderToStaticMarkup(<SumsEquation sums={sumPlan(plan)} aside="" />));
    const [left, right] = words.split('=');
    const terms = left.match(/\d+:\d+/g)?.map(seconds) ?? [];
    expect(terms.length).toBeGreaterThan(3);
    expect(terms.reduce((a, b) => a + b, 0)).toBe(seconds(right.trim()));
  });
});

describe('the handbook', () => {
  const words = textOf(renderToStaticMarkup(<Handbook />));
  it.each(CATALOG.map((e) => [e.name, e] as const))(
    'has %s: its purpose, how it goes, and what is asked afterward',
    (name, e) => {
      expect(words).toContain(name);
      expect(words).toContain(e.purpose);
      expect(words).toContain(e.closingQuestion);
      for (const look of e.lookAt) expect(words).toContain(look);
    },
  );
});

describe('what was drawn', () => {
  const row = (session: Session): string => renderToStaticMarkup(<DrawnRow session={session} />);
  const labeled = (labels: string[], referenceIds: string[]): Plan => {
    const block = poses(labels.length, 60_000, { exercise: 'line-then-tone' });
    return planOf({
      ...block,
      ...(block.kind === 'poses' && {
        poses: block.poses.map((p, i) => ({ ...p, label: labels[i], referenceId: referenceIds[i] })),
      }),
    });
  };
  it('is a pose each, with how long; what was only passed is none', () => {
    const session = sessionOf(planOf(poses(3, 60_000)), [
      { type: 'next', atMs: 4000 },
      { type: 'next', atMs: 4500 },
      { type: 'stop', atMs: 30_000 },
    ]);
    expect(row(session).match(/<li/g)).toHaveLength(1);
    expect(row(sessionOf(planOf(poses(1)), [{ type: 'stop', atMs: 100 }]))).toBe('');
  });
  it('says a line and its tone with the time of both together', () => {
    const words = textOf(row(sessionOf(labeled(['line', 'tone'], ['picture/a', 'picture/a']))));
    expect(words).toContain('line, 1 min');
    expect(words).toContain('One pose in two: line 1:00 and tone 1:00, together 2:00.');
    const apart = textOf(row(sessionOf(labeled(['line', 'tone'], ['picture/a', 'picture/b']))));
    expect(apart).not.toContain('One pose in two');
  });
  it('leads to the picture or the figure with every drawing of it', () => {
    const markup = row(sessionOf(labeled(['line', 'tone'], ['picture/a', 'figure/net-mender/stocky/30/6/26'])));
    expect(markup).toContain('href="/poses/picture?id=a"');
    expect(markup).toContain('href="/poses/figure?id=figure%2Fnet-mender');
  });
});
