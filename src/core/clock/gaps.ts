/** A moment as two clocks of the same document tell it, milliseconds. */
export interface Stamp {
  /** performance.now(). */
  monoMs: number;
  /** Date.now(). */
  wallMs: number;
}

/** A longer stretch than this between two stamps is not time that passed. */
export const GAP_MS = 5000;

/**
 * What lies between two stamps of one document: time that passed, or a stretch in which nothing ran (sleep, a frozen tab, or the wall
 * clock set forward, which two clocks cannot tell from sleep). A wall clock that goes back is never a sleep.
 */
export function classifyGap(last: Stamp, now: Stamp): 'passed' | 'asleep' {
  const mono = now.monoMs - last.monoMs;
  const skew = now.wallMs - last.wallMs - mono;
  return mono > GAP_MS || skew > GAP_MS ? 'asleep' : 'passed';
}
