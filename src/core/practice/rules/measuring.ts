import { type Exercise, isCalm } from '../exercises/exercise';

/** No measuring: the slow, blind and unbroken-line exercises keep every measuring overlay shut until they end. */
export const measuringLocked = (exercise: Exercise): boolean =>
  exercise.rule.review !== 'measured' && (isCalm(exercise) || exercise.rule.lifts === 'none');

/** Share of the drawing time that a look at the sheet may take in blind work. */
export const PEEK_ALLOWANCE = 0.02;

export interface PeekReading {
  spentMs: number;
  allowedMs: number;
  /** Of the drawing's length. */
  share: number;
  within: boolean;
}

/** Time spent looking at the sheet against its allowance. */
export function readPeeks(peeks: readonly number[], drawMs: number): PeekReading {
  const spentMs = peeks.reduce((a, b) => a + b, 0);
  const share = drawMs === 0 ? 0 : spentMs / drawMs;
  return { spentMs, allowedMs: Math.round(drawMs * PEEK_ALLOWANCE), share, within: share <= PEEK_ALLOWANCE };
}
