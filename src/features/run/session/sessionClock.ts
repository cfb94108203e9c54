import { classifyGap, GAP_MS, type Stamp } from '@/core/clock/gaps';

export interface SessionClock {
  /** Milliseconds since the session's start; monotonic, whole numbers. */
  nowMs: () => number;
  /** Take in a worker's tick: whether time passed since the last one or the machine was asleep, and when it was last seen. */
  tick: (stamp: Stamp) => { gap: 'passed' | 'asleep'; lastSeenMs: number };
}

/**
 * The session clock of this document: wall time when it was opened, monotonic from there. A jump of the wall clock that the monotonic
 * one did not see (sleep on most machines) is added, so that time asleep shows up as time on hold. Where the monotonic clock goes on
 * during sleep, a timer of the page may fire before the tick that tells of it: the clock stands until that tick is in.
 * @param notBeforeMs Session time that is already booked; the clock never goes back behind it.
 */
export function createSessionClock(startedAtMs: number, notBeforeMs: number): SessionClock {
  const baseMs = Math.max(notBeforeMs, Date.now() - startedAtMs) - performance.now();
  let sleptMs = 0;
  let last: Stamp | undefined;
  // The worker's clock began at another moment than the page's: how far they are apart is told by the tick that came through soonest.
  let leastLagMs = Infinity;
  const passedMs = (): number => Math.round(baseMs + sleptMs + performance.now());
  let lastSeenMs = passedMs();
  return {
    nowMs: () => Math.min(passedMs(), lastSeenMs + GAP_MS),
    tick(stamp) {
      const gap = last ? classifyGap(last, stamp) : 'passed';
      const seen = lastSeenMs;
      if (last && gap === 'asleep') sleptMs += Math.max(0, stamp.wallMs - last.wallMs - (stamp.monoMs - last.monoMs));
      last = stamp;
      // As of when it was stamped: a tick may lie unread while the machine sleeps.
      const lagMs = performance.now() - stamp.monoMs;
      leastLagMs = Math.min(leastLagMs, lagMs);
      lastSeenMs = Math.max(lastSeenMs, passedMs() - Math.round(lagMs - leastLagMs));
      return { gap, lastSeenMs: seen };
    },
  };
}
