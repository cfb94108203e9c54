import type { Session } from '../journal/session';
import { localDay } from '../moment';
import { AIMS, type Wish } from '../practice/start/aims';
import { counted } from '../words';
import type { Course } from './courseRecord';
import type { Piece } from './pieces';

/** Days of a course for which there is a session, with the local day of it. */
export const courseDone = ({ id }: Course, sessions: readonly Session[]): Map<number, number> =>
  new Map(
    sessions
      .filter(({ plan }) => plan.cause?.course?.id === id)
      .toSorted((a, b) => b.startedAtMs - a.startedAtMs)
      .map(({ plan, startedAtMs }) => [plan.cause?.course?.day ?? 0, localDay(startedAtMs)]),
  );

/** Where a course stands on a local day. */
export interface CourseState {
  /** Its day that is due; undefined where it is over, has not begun, or today's is done. */
  due?: number;
  done: number;
  /** Days that were missed and stay missed. */
  missed: number;
  /** Local day of its last day, as it stands now. */
  lastDay: number;
  over: boolean;
}

export function courseState(course: Course, sessions: readonly Session[], today: number): CourseState {
  const { days, startedDay, moves, endedDay } = course;
  const done = courseDone(course, sessions);
  const doneToday = [...done.values()].includes(today);
  const ended = endedDay !== undefined && today >= endedDay;
  const numbers = Array.from({ length: days }, (_, i) => i + 1);
  if (moves) {
    const next = numbers.find((n) => !done.has(n));
    const left = days - done.size;
    return {
      ...(next !== undefined && !doneToday && !ended && today >= startedDay && { due: next }),
      done: done.size,
      missed: 0,
      lastDay: left === 0 ? Math.max(...done.values()) : Math.max(today, startedDay) + left - (doneToday ? 0 : 1),
      over: left === 0 || ended,
    };
  }
  const number = today - startedDay + 1;
  const past = Math.min(days, Math.max(0, number - 1));
  return {
    ...(number >= 1 && number <= days && !done.has(number) && !ended && { due: number }),
    done: done.size,
    missed: numbers.filter((n) => n <= past && !done.has(n)).length,
    lastDay: startedDay + days - 1,
    over: number > days || ended,
  };
}

/** "28 of 30 days", and what that leaves. */
export const courseWords = ({ days }: Course, { done, missed }: CourseState): string =>
  `${String(done)} of ${counted(days, 'day')}${missed > 0 ? `, ${String(missed)} missed` : ''}`;

/** The hardest picture of the first day and of the last. */
const FIRST_HARDEST = 2;
const LAST_HARDEST = 5;

/**
 * How hard the pictures of a course's day may be: a step more whenever half of what was asked about on the days since the last step was
 * whole, and no faster than the course has days for.
 * @param pieces What was drawn in the course, oldest first.
 */
export function hardestOn(day: number, days: number, pieces: readonly Pick<Piece, 'whole'>[]): number {
  const planned = FIRST_HARDEST + Math.floor(((LAST_HARDEST - FIRST_HARDEST + 1) * (day - 1)) / days);
  const said = pieces.flatMap(({ whole }) => (whole ? [whole.down] : [])).slice(-LAST_SAID);
  const managed = said.filter(Boolean).length;
  // Where nothing was said, the days alone lead on.
  const held = said.length >= FEWEST_SAID && managed * 2 < said.length;
  return Math.max(FIRST_HARDEST, Math.min(LAST_HARDEST, planned - (held ? 1 : 0)));
}
const LAST_SAID = 6;
const FEWEST_SAID = 3;

/** The exercises of a course's day: all of its aim, each in turn with twice its part. */
export function courseWishes({ aim }: Pick<Course, 'aim'>, day: number): { wishes: Wish[]; focus: string } {
  const wishes: readonly Wish[] = AIMS[aim].wishes;
  const turn = (day - 1) % wishes.length;
  return {
    wishes: wishes.map((wish, i) => (i === turn ? { ...wish, weight: wish.weight * 2 } : { ...wish })),
    focus: wishes[turn].exercise,
  };
}

/** The course that is being taken: the one begun last that is not over. */
export const currentCourse = (
  courses: readonly Course[],
  sessions: readonly Session[],
  today: number,
): Course | undefined =>
  courses.toSorted((a, b) => b.startedDay - a.startedDay).find((course) => !courseState(course, sessions, today).over);
