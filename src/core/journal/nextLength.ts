import { nextDurationStepMs, previousDurationStepMs } from '../practice/time/durationSteps';
import { drawingsOf } from './drawings';
import type { Session } from './session';

/** So many answers to "whole figure down?" and the length of an exercise is spoken of. */
const FEWEST = 3;

export interface NextLength {
  /** How long they were drawn at most, milliseconds. */
  drawnMs: number;
  /** What to try next time. */
  nextMs: number;
  whole: number;
  asked: number;
}

/**
 * What length to try next, by what was said of an exercise's drawings in a session: a step longer where half or more were not whole, a
 * step shorter where all were, and none ran over its time; undefined where it is as it should be or too little was said.
 */
export function nextLength(session: Session, exerciseId: string): NextLength | undefined {
  const said = drawingsOf(session).filter((d) => d.exercise.id === exerciseId && d.visit.whole !== undefined);
  if (said.length < FEWEST) return undefined;
  const whole = said.filter((d) => d.visit.whole === true).length;
  const drawnMs = Math.max(...said.map((d) => d.visit.lengthMs));
  const ranOver = said.some((d) => d.spentMs > d.visit.lengthMs);
  const found = (nextMs: number): NextLength => ({ drawnMs, nextMs, whole, asked: said.length });
  if (whole <= said.length / 2) return found(nextDurationStepMs(drawnMs));
  return whole === said.length && !ranOver ? found(previousDurationStepMs(drawnMs)) : undefined;
}
