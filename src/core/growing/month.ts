import { group, rollup, sum } from 'd3-array';
import { addDays, addMonths, endOfMonth, startOfMonth, startOfWeek } from 'date-fns';
import type { Mood } from '../journal/reflection';
import type { Session } from '../journal/session';
import { localDay } from '../moment';
import { counted } from '../words';
import { hoursWords } from './lifetime';
import { monthOf, type Piece } from './pieces';
import { total } from './tally';

/** A day of a month as it went. */
export interface MonthDay {
  date: Date;
  /** It belongs to the month; the others fill its first and last week. */
  within: boolean;
  drawings: number;
  spentMs: number;
  /** As it was said last on the day; beside the minutes, and no cause of them. */
  mood: Mood | undefined;
  /** Which part of the day's study was drawing; undefined where no other was told. */
  studyShare: number | undefined;
}

export interface Month {
  /** Its first day, local midnight. */
  start: Date;
  weeks: MonthDay[][];
  pieces: Piece[];
}

/** A month by its name, "2026-11"; undefined where that is none. */
export function readMonth(name: string): Date | undefined {
  const found = /^(\d{4})-(0[1-9]|1[0-2])$/.exec(name);
  return found ? new Date(Number(found[1]), Number(found[2]) - 1, 1) : undefined;
}

/** The month before and the one after, by their names. */
export const besideMonth = (start: Date): { before: string; after: string } => ({
  before: monthOf(addMonths(start, -1).getTime()),
  after: monthOf(addMonths(start, 1).getTime()),
});

/** Everything of a month, day by day in whole weeks from Monday. @param at Any moment in it. */
export function monthSheet(sessions: readonly Session[], pieces: readonly Piece[], at: Date): Month {
  const start = startOfMonth(at);
  const name = monthOf(start.getTime());
  const byDay = group(pieces, ({ atMs }) => localDay(atMs));
  const moods = new Map<number, Mood>();
  for (const { startedAtMs, reflection } of sessions.toSorted((a, b) => a.startedAtMs - b.startedAtMs))
    if (reflection?.mood) moods.set(localDay(startedAtMs), reflection.mood);
  const others = rollup(
    sessions,
    (some) => sum(some, ({ reflection }) => reflection?.otherStudyMs ?? 0),
    ({ startedAtMs }) => localDay(startedAtMs),
  );
  const weeks: MonthDay[][] = [];
  const last = endOfMonth(start);
  for (let monday = startOfWeek(start, { weekStartsOn: 1 }); monday <= last; monday = addDays(monday, 7))
    weeks.push(
      Array.from({ length: 7 }, (_, d): MonthDay => {
        const date = addDays(monday, d);
        const day = localDay(date.getTime());
        const drawn = total(byDay.get(day) ?? []);
        const other = others.get(day) ?? 0;
        return {
          date,
          within: monthOf(date.getTime()) === name,
          ...drawn,
          mood: moods.get(day),
          studyShare: other > 0 ? drawn.spentMs / (drawn.spentMs + other) : undefined,
        };
      }),
    );
  return { start, weeks, pieces: pieces.filter(({ atMs }) => monthOf(atMs) === name) };
}

/** "34 drawings in 2 hours 10 minutes on 9 days." */
export function monthWords({ weeks, pieces }: Month): string {
  const { drawings, spentMs } = total(pieces);
  const days = weeks.flat().filter((day) => day.within && day.spentMs > 0).length;
  if (spentMs === 0) return 'Nothing was drawn in this month.';
  return `${counted(drawings, 'drawing')} in ${hoursWords(spentMs)} on ${counted(days, 'day')}.`;
}
