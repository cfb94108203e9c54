import { LONGEST_MS } from './duration';

/** Pose lengths people use, milliseconds; each about 1.3 to 2 times the last, so that scales over them are logarithmic. */
export const DURATION_STEPS_MS: readonly number[] = [
  10, 15, 20, 30, 45, 60, 90, 120, 180, 240, 300, 420, 600, 900, 1200, 1500, 1800,
].map((s) => s * 1000);

/** The next longer duration step, or half as much again beyond the last, up to the longest single length. */
export function nextDurationStepMs(durationMs: number): number {
  return (
    DURATION_STEPS_MS.find((step) => step > durationMs) ??
    Math.min(LONGEST_MS, Math.round((durationMs * 1.5) / 1000) * 1000)
  );
}

/** The next shorter duration step; beyond the last step two thirds of it. The shortest stays. */
export function previousDurationStepMs(durationMs: number): number {
  const longest = DURATION_STEPS_MS[DURATION_STEPS_MS.length - 1];
  if (durationMs > longest * 1.5) return Math.round(durationMs / 1.5 / 1000) * 1000;
  return DURATION_STEPS_MS.findLast((step) => step < durationMs) ?? durationMs;
}

/** The shortest duration step that holds a time, milliseconds; beyond the last step, the time itself in whole seconds. */
export const durationStepHolding = (ms: number): number =>
  DURATION_STEPS_MS.find((step) => step >= ms) ?? Math.ceil(ms / 1000) * 1000;

/** The duration step nearest by ratio. */
export function nearestDurationStepMs(durationMs: number): number {
  const off = (step: number): number => Math.abs(Math.log(step / durationMs));
  return DURATION_STEPS_MS.reduce((best, step) => (off(step) < off(best) ? step : best));
}
