import { addDays, addWeeks, startOfWeek } from 'date-fns';
import type { Session } from '../journal/session';
import { localDay } from '../moment';
import { type Piece, piecesOf } from './pieces';

/** A day's box is full at this much drawing, ms. */
export const FULL_DAY_MS = 20 * 60_000;
/** Minutes as they are told: none that is not full. */
export const wholeMinutes = (ms: number): number => Math.floor(ms / 60_000);

export interface Week {
  /** Its Monday, local midnight. */
  start: Date;
  /** Drawing time of each of its days, Monday first, ms. */
  dayMs: number[];
  drawings: number;
  spentMs: number;
  /** Days with a drawing or a page of lines. */
  days: number;
}

const monday = (atMs: number): Date => startOfWeek(atMs, { weekStartsOn: 1 });
const emptyWeek = (start: Date): Week => ({ start, dayMs: Array<number>(7).fill(0), drawings: 0, spentMs: 0, days: 0 });

/** The weeks from the first piece to a moment, Monday to Sunday in local time, also those in which nothing was drawn; newest last. */
export function weeksOf(pieces: readonly Piece[], nowMs: number): Week[] {
  if (pieces.length === 0) return [];
  const first = monday(pieces.reduce((least, { atMs }) => Math.min(least, atMs), nowMs));
  const firstDay = localDay(first.getTime());
  const count = Math.floor((localDay(monday(nowMs).getTime()) - firstDay) / 7) + 1;
  const weeks = Array.from({ length: count }, (_, i) => emptyWeek(addWeeks(first, i)));
  for (const piece of pieces) {
    const day = localDay(piece.atMs) - firstDay;
    const week = weeks.at(Math.floor(day / 7));
    // A clock that was put back may have left a session after now.
    if (!week || day < 0 || day >= count * 7) continue;
    week.dayMs[day % 7] += piece.spentMs;
    week.spentMs += piece.spentMs;
    week.drawings += piece.drawing ? 1 : 0;
  }
  for (const week of weeks) week.days = week.dayMs.filter((ms) => ms > 0).length;
  return weeks;
}

/** The week a moment lies in. Only the sessions of it are replayed. */
export function weekOf(sessions: readonly Session[], nowMs: number): Week {
  const start = monday(nowMs);
  const pieces = sessions.filter(({ startedAtMs }) => startedAtMs >= start.getTime()).flatMap(piecesOf);
  return weeksOf(pieces, nowMs).at(-1) ?? emptyWeek(start);
}

/** The days of a week as they are dated. */
export const daysOf = ({ start }: Week): Date[] => Array.from({ length: 7 }, (_, i) => addDays(start, i));
