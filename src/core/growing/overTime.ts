import { group, mean, sum } from 'd3-array';
import { startOfWeek } from 'date-fns';
import { accountSession } from '../journal/sessionAccount';
import { drawingsOf } from '../journal/drawings';
import { marksOverIn } from '../journal/marksTrend';
import { linesSaid } from '../journal/reflect';
import type { Session } from '../journal/session';
import { countsPeeks } from '../practice/exercises/exercise';
import { slopeOf } from './estimate';

/** One number of one week. */
export interface Dot {
  /** The week's Monday, local midnight. */
  atMs: number;
  value: number;
}

export interface Series {
  id: string;
  name: string;
  /** What a number of it is, after the number. */
  unit: string;
  /** What the sessions of a week have of it together; undefined where they have none. */
  of: (sessions: readonly Session[]) => number | undefined;
  /** How many decimals it is told with. */
  decimals: 0 | 1;
}

const MINUTE = 60_000;

/** What is counted week by week, each in its entry. */
export const SERIES: readonly Series[] = [
  {
    id: 'tight',
    name: 'Lines said to be tight',
    unit: '% of the times it was asked',
    of: (sessions) => {
      const said = sessions.flatMap(linesSaid);
      return said.length > 0 ? (100 * said.filter((line) => line === 'tight').length) / said.length : undefined;
    },
    decimals: 0,
  },
  {
    id: 'peeks',
    name: 'Peeks in blind drawing',
    unit: 'a minute',
    of: (sessions) => {
      const blind = sessions.flatMap(drawingsOf).filter(({ exercise }) => countsPeeks(exercise));
      const spentMs = sum(blind, (d) => d.spentMs);
      return spentMs > 0 ? (sum(blind, (d) => d.visit.peeks.length) * MINUTE) / spentMs : undefined;
    },
    decimals: 1,
  },
  {
    id: 'lifts',
    name: 'Lifts of an unbroken line',
    unit: 'a drawing',
    of: (sessions) =>
      mean(
        sessions.flatMap(drawingsOf).filter(({ exercise }) => exercise.rule.lifts === 'none'),
        (d) => d.visit.lifts,
      ),
    decimals: 1,
  },
  {
    id: 'marks',
    name: 'Marks over their allowance',
    unit: 'each time',
    of: (sessions) =>
      mean(
        sessions.flatMap((session) =>
          [...new Set(drawingsOf(session).map(({ exercise }) => exercise.id))].flatMap(
            (id) => marksOverIn(session, id) ?? [],
          ),
        ),
      ),
    decimals: 1,
  },
  {
    id: 'share',
    name: 'Part of a session that is drawing',
    unit: '%',
    of: (sessions) => {
      const accounts = sessions.map(accountSession);
      const drawingMs = sum(accounts, (account) => account.drawingMs);
      const wallMs = sum(accounts, (account) => account.wallMs);
      return wallMs > 0 && drawingMs > 0 ? (100 * drawingMs) / wallMs : undefined;
    },
    decimals: 0,
  },
];

/** A series over some sessions, oldest week first; weeks that have nothing of it are left out. */
export function dotsOf({ of }: Series, sessions: readonly Session[]): Dot[] {
  const weeks = group(sessions, ({ startedAtMs }) => startOfWeek(startedAtMs, { weekStartsOn: 1 }).getTime());
  return [...weeks]
    .sort(([a], [b]) => a - b)
    .flatMap(([atMs, some]) => {
      const value = of(some);
      return value === undefined ? [] : [{ atMs, value }];
    });
}

/** So many weeks at either end are compared. */
const ENDS = 2;

/** What a series says, in a sentence: at first and lately, and a change only where it is more than chance. */
export function seriesWords({ name, unit, decimals }: Series, dots: readonly Dot[]): string {
  const told = (value: number): string => value.toFixed(decimals).replace(/\.0$/, '');
  if (dots.length === 0) return `${name}: nothing was counted yet.`;
  const average = (some: readonly Dot[]): number => mean(some, ({ value }) => value) ?? 0;
  if (dots.length <= 2 * ENDS) return `${name}: ${told(average(dots))} ${unit}; too few weeks to see a change.`;
  const [first, last] = [average(dots.slice(0, ENDS)), average(dots.slice(-ENDS))];
  const slope = slopeOf(dots.map((dot) => ({ ...dot, sigma: 1 })));
  const change =
    !slope || (slope.low <= 0 && slope.high >= 0)
      ? 'no change that can be told'
      : slope.value < 0
        ? 'it becomes less'
        : 'it becomes more';
  return `${name}: ${told(first)} ${unit} in the first ${String(ENDS)} weeks, ${told(last)} in the last: ${change}.`;
}
