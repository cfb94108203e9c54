import { median } from 'd3-array';
import { durationStepHolding, nextDurationStepMs } from '../practice/time/durationSteps';
import { nextStepMs } from '../practice/time/staircase';
import { drawingsOf } from './drawings';
import type { Session } from './session';

/** So many answers to "whole figure down?" and the length of an exercise is spoken of. */
const FEWEST = 3;

export interface NextLength {
  /** The length that was whole or not: the longest where some were not, the shortest where all were; milliseconds. */
  drawnMs: number;
  /** What to try next time. */
  nextMs: number;
  whole: number;
  asked: number;
}

/**
 * Finds what length to try next by what was said of an exercise's drawings in a session. A step longer where half or more were not whole.
 * Where all were whole and none ran over: as the staircase has it, or, where the time until whole was noted for at least half of them, the
 * step that just holds the median of those times, if that is shorter still. Undefined where it is as it should be or too little was said.
 */
export function nextLength(session: Session, exerciseId: string): NextLength | undefined {
  const said = drawingsOf(session).filter((d) => d.exercise.id === exerciseId && d.visit.whole !== undefined);
  if (said.length < FEWEST) return undefined;
  const whole = said.filter((d) => d.visit.whole === true).length;
  const lengths = said.map((d) => d.visit.lengthMs);
  const ranOver = said.some((d) => d.spentMs > d.visit.lengthMs && d.visit.wholeInMs === undefined);
  const found = (drawnMs: number, nextMs: number): NextLength => ({ drawnMs, nextMs, whole, asked: said.length });
  if (whole <= said.length / 2) return found(Math.max(...lengths), nextDurationStepMs(Math.max(...lengths)));
  if (whole < said.length || ranOver) return undefined;
  const shortestMs = Math.min(...lengths);
  const noted = said.flatMap((d) => d.visit.wholeInMs ?? []);
  const noted50 = noted.length >= said.length / 2 ? median(noted) : undefined;
  const stepMs = noted50 === undefined ? undefined : durationStepHolding(noted50);
  const staircaseMs = nextStepMs(said.map((d) => ({ lengthMs: d.visit.lengthMs, down: true }))) ?? shortestMs;
  return found(shortestMs, Math.min(staircaseMs, stepMs ?? Infinity));
}
