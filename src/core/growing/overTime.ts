import { mean } from 'd3-array';
import { accountSession } from '../journal/sessionAccount';
import { drawingsOf } from '../journal/drawings';
import { answersFor, linesSaid } from '../journal/reflect';
import type { Session } from '../journal/session';
import { countsPeeks } from '../practice/exercises/exercise';
import { slopeOf } from './estimate';

/** One number of one session. */
export interface Dot {
  atMs: number;
  value: number;
}

export interface Series {
  id: string;
  name: string;
  /** What a number of it is, after the number. */
  unit: string;
  /** What a session has of it; undefined where it has none. */
  of: (session: Session) => number | undefined;
  /** How many decimals it is told with. */
  decimals: 0 | 1;
}

const MINUTE = 60_000;

/** What is counted session by session, each in its entry. */
export const SERIES: readonly Series[] = [
  {
    id: 'tight',
    name: 'Lines said to be tight',
    unit: '% of the times it was asked',
    of: (session) => {
      const said = linesSaid(session);
      return said.length > 0 ? (100 * said.filter((line) => line === 'tight').length) / said.length : undefined;
    },
    decimals: 0,
  },
  {
    id: 'peeks',
    name: 'Peeks in blind drawing',
    unit: 'a minute',
    of: (session) => {
      const blind = drawingsOf(session).filter(({ exercise }) => countsPeeks(exercise));
      const spentMs = blind.reduce((sum, d) => sum + d.spentMs, 0);
      const peeks = blind.reduce((sum, d) => sum + d.visit.peeks.length, 0);
      return spentMs > 0 ? (peeks * MINUTE) / spentMs : undefined;
    },
    decimals: 1,
  },
  {
    id: 'lifts',
    name: 'Lifts of an unbroken line',
    unit: 'a drawing',
    of: (session) => {
      const unbroken = drawingsOf(session).filter(({ exercise }) => exercise.rule.lifts === 'none');
      return unbroken.length > 0 ? (mean(unbroken, (d) => d.visit.lifts) ?? 0) : undefined;
    },
    decimals: 1,
  },
  {
    id: 'marks',
    name: 'Marks over their allowance',
    unit: 'a session',
    of: (session) => {
      const overs = [...new Set(drawingsOf(session).map(({ exercise }) => exercise))].flatMap(({ id, rule }) => {
        const used = answersFor(session.reflection, id).marks;
        return used !== undefined && typeof rule.marks === 'number' ? [used - rule.marks] : [];
      });
      return overs.length > 0 ? (mean(overs) ?? 0) : undefined;
    },
    decimals: 1,
  },
  {
    id: 'share',
    name: 'Time at the sheet that was drawn in',
    unit: '% of a session',
    of: (session) => {
      const { drawingMs, wallMs } = accountSession(session);
      return wallMs > 0 && drawingMs > 0 ? (100 * drawingMs) / wallMs : undefined;
    },
    decimals: 0,
  },
];

/** A series over some sessions, oldest first. */
export const dotsOf = ({ of }: Series, sessions: readonly Session[]): Dot[] =>
  sessions
    .toSorted((a, b) => a.startedAtMs - b.startedAtMs)
    .flatMap((session) => {
      const value = of(session);
      return value === undefined ? [] : [{ atMs: session.startedAtMs, value }];
    });

/** So many sessions at either end are compared. */
const ENDS = 5;

/** What a series says, in a sentence: at first and lately, and a change only where it is more than chance. */
export function seriesWords({ name, unit, decimals }: Series, dots: readonly Dot[]): string {
  const told = (value: number): string => value.toFixed(decimals).replace(/\.0$/, '');
  if (dots.length === 0) return `${name}: nothing was counted yet.`;
  const average = (some: readonly Dot[]): number => mean(some, ({ value }) => value) ?? 0;
  if (dots.length < 2 * ENDS) return `${name}: ${told(average(dots))} ${unit}; too few sessions to see a change.`;
  const [first, last] = [average(dots.slice(0, ENDS)), average(dots.slice(-ENDS))];
  const slope = slopeOf(dots.map((dot) => ({ ...dot, sigma: 1 })));
  const change =
    !slope || (slope.low <= 0 && slope.high >= 0)
      ? 'no change that can be told'
      : slope.value < 0
        ? 'it becomes less'
        : 'it becomes more';
  return `${name}: ${told(first)} ${unit} in the first ${String(ENDS)} sessions, ${told(last)} in the last: ${change}.`;
}
