import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { RunEvent } from '@/core/clock/log';
import { handOf, LINE_PAGES, monthOf, type Piece, piecesOf } from '@/core/growing/pieces';
import { NO_PROMISE, promisedDaysSchema, promisedMinutesSchema, promiseWords } from '@/core/growing/promise';
import { daysOf, weekOf, weeksOf } from '@/core/growing/weeks';
import { COUNTED_BY, FAMILY_UNKNOWN, NO_REFERENCE, nameOf, NOT_SAID, tallies, total } from '@/core/growing/tally';
import { piecesCsv } from '@/core/growing/csv';
import { accountSession } from '@/core/journal/sessionAccount';
import { anyPlan, lines, planOf, poses } from './plans';
import { sessionOf } from './sessions';

/** Presses at odd times: on, back, once more, on hold and going on. */
const anyLog: fc.Arbitrary<RunEvent[]> = fc
  .array(
    fc.record({
      afterMs: fc.integer({ min: 500, max: 120_000 }),
      type: fc.constantFrom('next', 'back', 'oneMore', 'hold', 'resume'),
    }),
    { maxLength: 40 },
  )
  .map((presses) => {
    let atMs = 0;
    return presses.map(({ afterMs, type }): RunEvent => {
      atMs += afterMs;
      if (type === 'hold') return { type, atMs, reason: 'paused' };
      if (type === 'resume') return { type, atMs, counted: false };
      return { type, atMs };
    });
  });

const NOON = new Date(2026, 10, 27, 12).getTime();
const piece = (more: Partial<Piece> = {}): Piece => ({
  sessionId: 's',
  atMs: NOON,
  drawing: true,
  spentMs: 60_000,
  exercise: 'Contour',
  exerciseId: 'contour',
  lengthMs: 60_000,
  hand: 'right hand',
  referenceId: 'a',
  ...more,
});

describe('what is counted over the months', () => {
  it('adds up to what every session says of itself, however it is counted', () => {
    fc.assert(
      fc.property(anyPlan, anyLog, fc.integer({ min: 0, max: 3_600_000 }), (plan, log, lastSeenMs) => {
        const session = sessionOf(plan, log, { lastSeenMs });
        const { drawings, drawingMs } = accountSession(session);
        const pieces = piecesOf(session);
        expect(total(pieces)).toEqual({ drawings, spentMs: drawingMs });
        for (const by of COUNTED_BY) {
          const rows = tallies(pieces, by, (id) => (id.endsWith('1') ? 'seated' : undefined));
          expect(rows.reduce((sum, row) => sum + row.drawings, 0)).toBe(drawings);
          expect(rows.reduce((sum, row) => sum + row.spentMs, 0)).toBe(drawingMs);
          expect(new Set(rows.map((row) => row.name)).size).toBe(rows.length);
        }
      }),
      { numRuns: 150 },
    );
  });
  it('knows pages of lines as time and not as drawings, and one drawn again as one drawing', () => {
    const session = sessionOf(
      planOf(lines(), poses(2, 30_000, { exercise: 'look-then-draw', settings: { medium: 'pen' } })),
      [{ type: 'next', atMs: 40_000 }],
    );
    const [page, ...drawn] = piecesOf(session);
    expect(page).toMatchObject({ exercise: LINE_PAGES, drawing: false, spentMs: 40_000, referenceId: null });
    expect(page.medium).toBeUndefined();
    expect(drawn.map((d) => [d.drawing, d.medium, d.referenceId])).toEqual([
      [true, 'pen', 'figure-0'],
      [true, 'pen', 'figure-1'],
    ]);
  });
  it.each([
    ['left', false, 'left hand'],
    ['left', true, 'right hand'],
    ['right', false, 'right hand'],
    ['right', true, 'left hand'],
    [undefined, false, 'usual hand'],
    [undefined, true, 'other hand'],
  ] as const)('names the hand: usually %s, the other one %s', (usual, other, name) => {
    expect(handOf(usual, other)).toBe(name);
  });
  it('knows the other hand from the exercise as well as from the pose', () => {
    const hands = (exercise: string, more = {}): string[] =>
      piecesOf(sessionOf(planOf(poses(1, 30_000, { exercise, ...more })), [], { usualHand: 'right' })).map(
        (p) => p.hand,
      );
    expect(hands('flowing-gesture')).toEqual(['right hand']);
    expect(hands('flowing-gesture', { settings: { rule: { hand: 'other' } } })).toEqual(['left hand']);
  });
  it('names what nobody said', () => {
    const family = (p: Piece): string => nameOf(p, 'family', (id) => (id === 'a' ? 'seated' : undefined));
    expect([family(piece()), family(piece({ referenceId: 'b' })), family(piece({ referenceId: null }))]).toEqual([
      'seated',
      FAMILY_UNKNOWN,
      NO_REFERENCE,
    ]);
    expect(nameOf(piece(), 'medium', () => undefined)).toBe(NOT_SAID);
  });
  it('goes by local months, in their order; everything else longest first', () => {
    const newYear = new Date(2027, 0, 1, 0, 5).getTime();
    expect([monthOf(newYear), monthOf(newYear - 6 * 60_000)]).toEqual(['2027-01', '2026-12']);
    const some = [piece({ atMs: newYear }), piece({ spentMs: 1, exercise: 'Blind' }), piece()];
    expect(tallies(some, 'month', () => undefined).map((row) => row.name)).toEqual(['2026-11', '2027-01']);
    expect(tallies(some, 'exercise', () => undefined).map((row) => row.name)).toEqual(['Contour', 'Blind']);
  });
});

describe('weeks', () => {
  it('stand from the first to now, empty ones too, and add up to the total', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 200 }), { minLength: 1, maxLength: 30 }), (daysAgo) => {
        const pieces = daysAgo.map((days) => piece({ atMs: NOON - days * 86_400_000 }));
        const weeks = weeksOf(pieces, NOON);
        expect(weeks.reduce((sum, w) => sum + w.spentMs, 0)).toBe(total(pieces).spentMs);
        expect(weeks.reduce((sum, w) => sum + w.drawings, 0)).toBe(pieces.length);
        expect(weeks.every(({ start }) => start.getDay() === 1 && start.getHours() === 0)).toBe(true);
        expect(weeks.every((w, i) => i === 0 || daysOf(weeks[i - 1])[6].getTime() < w.start.getTime())).toBe(true);
        expect(
          daysOf(weeks[weeks.length - 1]).some((day) => day.toDateString() === new Date(NOON).toDateString()),
        ).toBe(true);
        expect(weeks[0].days).toBeGreaterThan(0);
      }),
    );
    expect(weeksOf([], NOON)).toEqual([]);
  });
  it('say what there is of what was promised, also more than that, and scold nobody', () => {
    const [week] = weeksOf([piece({ spentMs: 91 * 60_000 + 59_000 })], NOON);
    expect(promiseWords(week, { days: 4, minutes: 100 })).toBe('91 of 100 minutes, 1 of 4 days');
    expect(promiseWords(week, { days: 1, minutes: 60 })).toBe('91 of 60 minutes, 1 of 1 day');
    expect(promiseWords(week, { days: 0, minutes: 1 })).toBe('91 of 1 minute, 1 day');
    expect(promiseWords(week, NO_PROMISE)).toBe('91 minutes, 1 day');
  });
  it('leave out what a clock that was put back has left in the future', () => {
    const pieces = [piece(), piece({ atMs: NOON + 30 * 86_400_000 })];
    expect(weeksOf(pieces, NOON)).toHaveLength(1);
    expect(weeksOf(pieces, NOON)[0].drawings).toBe(1);
  });
  it('are promised within what a week has', () => {
    expect(promisedDaysSchema.safeParse(8).success).toBe(false);
    expect(promisedMinutesSchema.safeParse(10_081).success).toBe(false);
    expect(promisedMinutesSchema.safeParse(10_080).success).toBe(true);
  });
});

describe('the week one is in', () => {
  it('is filled from Monday, bits of a day together; what was before is not in it', () => {
    const mondayMs = new Date(2026, 10, 23, 9).getTime();
    const begun = (startedAtMs: number) => sessionOf(planOf(poses(2, 30_000)), [], { startedAtMs });
    const sessions = [begun(mondayMs), begun(mondayMs + 3_600_000), begun(mondayMs - 86_400_000)];
    const week = weekOf(sessions, mondayMs + 2 * 86_400_000);
    expect(week.dayMs).toEqual([120_000, 0, 0, 0, 0, 0, 0]);
    expect(week.start.getDay()).toBe(1);
    expect(week).toMatchObject({ drawings: 4, days: 1, spentMs: 120_000 });
    expect(weekOf([], mondayMs)).toMatchObject({ dayMs: [0, 0, 0, 0, 0, 0, 0], days: 0 });
  });
});

describe('drawings taken out as a table', () => {
  it('has one row for each, and keeps quotes, commas and formulas in their cells', () => {
    const table = piecesCsv(
      [piece({ exercise: 'Look, then "draw"' }), piece({ exercise: '=1+1', drawing: false })],
      (id) => id,
    );
    expect(table.split('\n')).toEqual([
      'date,session,exercise,medium,hand,pose,drawing,seconds',
      '2026-11-27,s,"Look, then ""draw""",,right hand,a,yes,60',
      "2026-11-27,s,'=1+1,,right hand,a,no,60",
    ]);
  });
});
