import { clockDigits } from '../practice/time/duration';
import { inWholeSeconds } from '../clock/account';
import { drawingsOf } from './drawings';
import { accountSession } from './sessionAccount';
import type { Session } from './session';

/** Drawing time before a main piece and on it, whole seconds in milliseconds; undefined where there was none. */
export function mainPieceApart(session: Session): { warmUpMs: number; mainMs: number } | undefined {
  const spent = drawingsOf(session)
    .filter(({ exercise }) => exercise.form?.mainPiece)
    .reduce((sum, { spentMs }) => sum + spentMs, 0);
  if (spent === 0) return undefined;
  const mainMs = Math.round(spent / 1000) * 1000;
  return { warmUpMs: Math.max(0, inWholeSeconds(accountSession(session)).drawingMs - mainMs), mainMs };
}

/** "Warm-up 6:00, main piece 40:00, together 46:00." */
export const mainPieceWords = (session: Session): string | undefined => {
  const apart = mainPieceApart(session);
  if (!apart || apart.warmUpMs === 0) return undefined;
  const { warmUpMs, mainMs } = apart;
  return `Warm-up ${clockDigits(warmUpMs)}, main piece ${clockDigits(mainMs)}, together ${clockDigits(warmUpMs + mainMs)}.`;
};
