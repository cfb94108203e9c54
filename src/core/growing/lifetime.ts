import { fullDate } from '../dateWords';
import { spokenDuration } from '../practice/time/duration';
import { counted } from '../words';
import type { Session } from '../journal/session';
import type { Piece } from './pieces';
import { total } from './tally';

/** "1 hour 33 minutes"; what is under a minute in seconds. Rounded down: no time is told that was not there. */
export function hoursWords(ms: number): string {
  const unit = ms >= 60_000 ? 60_000 : 1000;
  return spokenDuration(Math.floor(ms / unit) * unit);
}

/** All there is, as a plain fact: "412 drawings in 31 hours 20 minutes and 2 hours of other lines, over 43 sessions since September 3, 2026." */
export function lifetimeWords(pieces: readonly Piece[], sessions: readonly Pick<Session, 'startedAtMs'>[]): string {
  const { drawings, spentMs } = total(pieces.filter(({ drawing }) => drawing));
  const otherMs = total(pieces).spentMs - spentMs;
  const sinceMs = sessions.reduce((least, { startedAtMs }) => Math.min(least, startedAtMs), Infinity);
  return `${counted(drawings, 'drawing')} in ${hoursWords(spentMs)}${otherMs >= 60_000 ? `, plus ${hoursWords(otherMs)} of other lines` : ''}, over ${counted(sessions.length, 'session')} since ${fullDate(sinceMs)}.`;
}
