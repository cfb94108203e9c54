import { format } from 'date-fns';
import { ownSessions } from './whose';
import type { Session } from './session';

/** The code on a sheet's corner: month and day, number of the session, number of the sheet in it. */
export interface SheetCode {
  /** Month and day of the session, "0417". */
  day: string;
  /** The learner's sessions are numbered from 1 as they were begun. */
  session: number;
  /** Of that session, from 1. */
  sheet: number;
}

const CODE = /^\s*(\d{4})\s*[-/. ]\s*(\d{1,6})\s*[-/. ]\s*(\d{1,3})\s*$/;

/** Read a code as it is typed off a sheet; undefined for anything else. */
export function parseSheetCode(typed: string): SheetCode | undefined {
  const [, day, session, sheet] = CODE.exec(typed) ?? [];
  return day ? { day, session: Number(session), sheet: Number(sheet) } : undefined;
}

/** "0417-21-3". */
export const sheetCodeWords = ({ day, session, sheet }: SheetCode): string =>
  `${day}-${String(session)}-${String(sheet)}`;

/** When it was begun as the code was written on its sheets: a start corrected since changes none of them. */
const notedStart = ({ notedAtMs, startedAtMs }: Session): number => notedAtMs ?? startedAtMs;
const dayOf = (session: Session): string => format(notedStart(session), 'MMdd');

const byStart = (sessions: readonly Session[]): Session[] =>
  ownSessions(sessions).sort((a, b) => notedStart(a) - notedStart(b));

/**
 * The number of one of the learner's sessions, in the order in which they were begun; undefined for the demo learner's.
 * @param sessions All there are, as below: one that still runs, or was cut off, has its number too.
 */
export function sessionNumber(sessions: readonly Session[], id: string): number | undefined {
  const i = byStart(sessions).findIndex((session) => session.id === id);
  return i < 0 ? undefined : i + 1;
}

/** The code of a sheet of a session; undefined for one of the demo learner's. */
export function codeOfSheet(sessions: readonly Session[], session: Session, sheet: number): SheetCode | undefined {
  const number = sessionNumber(sessions, session.id);
  return number === undefined ? undefined : { day: dayOf(session), session: number, sheet };
}

/** What stands on the corner of a session's sheet; undefined for one of the demo learner's. */
export function codeWordsOf(sessions: readonly Session[], session: Session, sheet: number): string | undefined {
  const code = codeOfSheet(sessions, session, sheet);
  return code && sheetCodeWords(code);
}

/** The code of the first sheet of the session that comes next. */
export const nextSheetCode = (sessions: readonly Session[], nowMs: number): SheetCode => ({
  day: format(nowMs, 'MMdd'),
  session: ownSessions(sessions).length + 1,
  sheet: 1,
});

/** The session that a code is of; undefined where there is none of that number, or it was on another day. */
export function sessionOfCode(sessions: readonly Session[], { day, session }: SheetCode): Session | undefined {
  const found = byStart(sessions).at(session - 1);
  return session >= 1 && found && dayOf(found) === day ? found : undefined;
}
