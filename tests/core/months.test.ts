import { describe, expect, it } from 'vitest';
import { demoMeasured } from '@/core/demoMeasured';
import { demoErrors } from '@/core/demoPages';
import { demoSessions } from '@/core/demo';
import { demoCourse } from '@/core/demoShort';
import { biasesOf, biasOf, biasWords, remediesTaken, remedyEffects, sizeWords } from '@/core/growing/biases';
import { courseState } from '@/core/growing/course';
import { measuredCsv } from '@/core/growing/csv';
import { faultsOf } from '@/core/growing/faults';
import { lessonsOf, lessonWords } from '@/core/growing/lessons';
import { besideMonth, monthSheet, monthWords, readMonth } from '@/core/growing/month';
import { dotsOf, SERIES, seriesWords } from '@/core/growing/overTime';
import { pairsOf } from '@/core/growing/again';
import { piecesOf } from '@/core/growing/pieces';
import { causeWords } from '@/core/journal/causeWords';
import { rememberedOf, sameMeasured } from '@/core/journal/measured';
import { localDay } from '@/core/moment';
import type { Compared } from '@/core/measure/compare';
import { BUILT_IN_SET_ID } from '@/core/references/picture';
import { shippedReferences } from '@/core/references/referenceFacts';
import { planOf, poses } from './plans';
import { sessionOf } from './sessions';

const noon = (day: number): number => new Date(2026, 10, 2 + day, 12).getTime();
const drawn = (day: number, more: Parameters<typeof sessionOf>[2] = {}, ms = 300_000) =>
  sessionOf(planOf(poses(1, ms)), [], { id: `s${String(day)}`, startedAtMs: noon(day), ...more });

describe('a month on one page', () => {
  const sessions = [
    drawn(0, { reflection: { mood: 'low' } }),
    drawn(0, { id: 'again', reflection: { mood: 'bright', otherStudyMs: 1_800_000 } }),
    drawn(20),
    drawn(-3),
  ];
  const month = monthSheet(sessions, sessions.flatMap(piecesOf), new Date(noon(5)));
  it('has whole weeks from Monday, its days and those beside it', () => {
    expect(month.weeks.map((week) => week.length)).toEqual([7, 7, 7, 7, 7, 7]);
    expect(month.weeks.flat().filter(({ within }) => within)).toHaveLength(30);
    expect(month.weeks[0][0].date.getDate()).toBe(26);
  });
  it('counts each day, and says how the day was beside it', () => {
    const [second] = month.weeks.flat().filter(({ date, within }) => within && date.getDate() === 2);
    expect(second).toMatchObject({ drawings: 2, spentMs: 600_000, mood: 'bright', studyShare: 0.25 });
    expect(monthWords(month)).toBe('3 drawings in 15 minutes on 2 days.');
    expect(monthWords(monthSheet([], [], new Date(noon(5))))).toBe('Nothing was drawn in this month.');
  });
  it('has a name that can be read, and one on either side', () => {
    expect(readMonth('2026-12')).toEqual(new Date(2026, 11, 1));
    for (const name of ['2026-13', '2026-1', '', 'x']) expect(readMonth(name)).toBeUndefined();
    expect(besideMonth(new Date(2026, 0, 1))).toEqual({ before: '2025-12', after: '2026-02' });
  });
});

describe('what comes again', () => {
  it('is what was marked and what was missing, with its first and last day', () => {
    const sessions = [0, 5, 9].map((day) =>
      drawn(day, {
        reflection: { answers: [{ exerciseId: 'x', looked: ['Hips'], missing: day < 9 ? ['Hips'] : [] }] },
      }),
    );
    const page = {
      id: 'p',
      sessionId: 's9',
      widthPx: 1,
      heightPx: 1,
      addedAtMs: noon(30),
      binnedAtMs: null,
      fixes: [{ x: 0, y: 0, part: 'hand' }],
    };
    expect(faultsOf(sessions, [page, { ...page, id: 'q', binnedAtMs: 1 }])).toEqual([
      { what: 'hips', times: 2, firstMs: noon(0), lastMs: noon(5) },
      { what: 'hand', times: 1, firstMs: noon(9), lastMs: noon(9) },
    ]);
  });
  it('is counted week by week, and a change is told only where it is one', () => {
    const peeks = SERIES.find(({ id }) => id === 'peeks');
    if (!peeks) throw new Error('no peeks');
    const blind = (day: number, times: number) =>
      sessionOf(
        planOf(poses(1, 60_000, { exercise: 'blind-contour' })),
        Array.from({ length: times }, (_, i) => ({ type: 'peek' as const, atMs: 10_000 + i * 3000, forMs: 500 })),
        { id: `b${String(day)}`, startedAtMs: noon(day), lastSeenMs: 70_000 },
      );
    const falling = Array.from({ length: 12 }, (_, week) => blind(7 * week, 12 - week));
    expect(dotsOf(peeks, falling).map(({ value }) => value)).toEqual(falling.map((_, i) => 12 - i));
    expect(seriesWords(peeks, dotsOf(peeks, falling))).toBe(
      'Peeks in blind drawing: 11.5 a minute in the first 2 weeks, 1.5 in the last: it becomes less.',
    );
    const even = Array.from({ length: 12 }, (_, week) => blind(7 * week, 2 + (week % 2)));
    expect(seriesWords(peeks, dotsOf(peeks, even))).toContain('no change that can be told');
    expect(seriesWords(peeks, dotsOf(peeks, [drawn(0)]))).toBe('Peeks in blind drawing: nothing was counted yet.');
    expect(seriesWords(peeks, dotsOf(peeks, even.slice(0, 3)))).toContain('too few weeks to see a change');
    // Sessions of a week are one number.
    expect(dotsOf(peeks, [blind(0, 2), blind(6, 6), blind(7, 1)]).map(({ value }) => value)).toEqual([4, 1]);
  });
  it('says what a session came of', () => {
    expect(causeWords({ cause: { course: { id: 'c', day: 3 }, lesson: 'more curves' } })).toBe(
      'Day 3 of a course, trying “more curves”.',
    );
    expect(causeWords({})).toBeUndefined();
    expect(causeWords({ cause: { offer: 'hands' } })).toBeUndefined();
  });
});

describe('what is remembered of a measured drawing', () => {
  const compared = (id: string, off: number, sigma = 0.02): Compared =>
    ({
      measure: { id, name: id, unit: 'share' },
      seen: { value: 0.13, sigma: 0 },
      off: { value: off, sigma },
    }) as Compared;
  it('is what habits are read from, and nothing else', () => {
    expect(rememberedOf([compared('head', 0.1), compared('shoulders', 0.3)], true, 7)).toEqual({
      atMs: 7,
      of: [{ id: 'head', seen: 0.13, off: 0.1, sigma: 0.02 }],
      squeezed: true,
    });
    expect(rememberedOf([compared('shoulders', 0.3)], true, 7)).toBeUndefined();
    expect(rememberedOf([compared('head', NaN)], false, 7)).toBeUndefined();
    expect(rememberedOf([compared('head', 0.1, 0)], false, 7)?.of[0].sigma).toBeGreaterThan(0);
  });
  it('is the same whenever it was measured', () => {
    const [one, two] = [7, 8].map((atMs) => rememberedOf([compared('head', 0.1)], false, atMs));
    expect(sameMeasured(one, two)).toBe(true);
    expect(sameMeasured(one, undefined)).toBe(false);
    expect(sameMeasured(undefined, undefined)).toBe(true);
  });
});

describe('the demo learner', () => {
  const nowMs = noon(27);
  const sessions = demoSessions(shippedReferences(BUILT_IN_SET_ID) ?? [], nowMs);
  const begun = new Map(sessions.map((session) => [session.id, session.startedAtMs]));
  const measured = demoMeasured(sessions, nowMs).flatMap(({ sessionId, measured: found }) =>
    found ? [{ sessionId, atMs: begun.get(sessionId) ?? 0, measured: found }] : [],
  );
  it('is off by what she was made to be off by: heads coming down from 14 %, tilts flattened', () => {
    const lastDays = measured.slice(-20).map(({ atMs }) => (nowMs - atMs) / 86_400_000);
    const truth = (of: 'head' | 'tilts'): number =>
      lastDays.reduce((sum, days) => sum + demoErrors(Math.round(days))[of], 0) / lastDays.length;
    const head = biasOf('head', measured);
    expect(head.now?.low).toBeLessThan(truth('head'));
    expect(head.now?.high).toBeGreaterThan(truth('head'));
    expect(head.change?.high).toBeLessThan(0);
    const tilts = biasOf('tilts', measured);
    expect(tilts.now?.low).toBeLessThan(truth('tilts'));
    expect(tilts.now?.high).toBeGreaterThan(truth('tilts'));
    expect(biasesOf(measured)[0].off).toBe('where it hurts');
    expect(biasWords(biasesOf(measured)[0])).toContain('Tilts of shoulders and hips keep');
  });
  it('was helped by the remedy she took', () => {
    const taken = remediesTaken(sessions);
    const [effect] = remedyEffects('head', measured, taken);
    expect(effect).toMatchObject({ remedy: 'heads', helped: true });
    expect(sizeWords('head', effect.before ?? 0)).toMatch(/^1\d % too large$/);
  });
  it('has tried a lesson, drawn pictures again, and left a course half done', () => {
    const [lesson] = lessonsOf(sessions, sessions.flatMap(piecesOf), measured);
    expect(lesson).toMatchObject({ name: 'lead with the hips', sessions: 4 });
    expect(lessonWords(lesson)).toMatch(
      /^“lead with the hips” was tried in 4 sessions: the whole figure was down in \d+ %/,
    );
    expect(
      pairsOf(sessions).filter(({ older, newer }) => older.session.id === 'demo-1' && newer.session.id === 'demo-11'),
    ).toHaveLength(2);
    const state = courseState(demoCourse(nowMs), sessions, localDay(nowMs));
    expect(state).toMatchObject({ done: 6, over: false });
  });
  it('looks at her sheet less in blind drawing, and says less often that the line was tight', () => {
    const told = (id: string): string => {
      const series = SERIES.find((one) => one.id === id)!;
      return seriesWords(series, dotsOf(series, sessions));
    };
    // Few weeks, so that no trend is promised of it.
    expect(told('peeks')).toBe(
      'Peeks in blind drawing: 3.5 a minute in the first 2 weeks, 1.2 in the last: no change that can be told.',
    );
    expect(told('tight')).toBe(
      'Lines said to be tight: 100 % of the times it was asked in the first 2 weeks, 0 in the last: it becomes less.',
    );
    // Nine too many at first, one at last, as she was made.
    expect(told('marks')).toMatch(
      /^Marks over their allowance: [89](\.\d)? each time in the first 2 weeks, 1(\.\d)? in the last: it becomes less\.$/,
    );
  });
  it('goes out as a table of what was measured', () => {
    const rows = measuredCsv(measured).split('\n');
    expect(rows[0]).toBe('date,session,measure,seen,off,standard deviation,squeezed at the edge');
    expect(rows).toHaveLength(1 + measured.reduce((sum, one) => sum + one.measured.of.length, 0));
  });
});
