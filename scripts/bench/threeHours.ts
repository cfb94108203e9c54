import type { RunEvent } from '@/core/clock/log';
import { accountRun } from '@/core/clock/account';
import { stateOnTimeline } from '@/core/clock/run';
import { expandPlan } from '@/core/practice/time/timeline';
import { proposePlan } from '@/core/practice/start/propose';
import { seededRandom } from '@/core/random';

/**
 * Three hours of session, looked at by ticks that come between 1 and 400 ms apart, pages ended when they are expected to be, with a
 * hundred holds: what the end has drifted from the plan plus the holds, and what the six sums miss of the wall time, ms.
 */
export function threeHours(): { driftMs: number; missingMs: number; ticks: number } {
  const references = Array.from({ length: 60 }, (_, i) => ({ id: `r${String(i)}` }));
  const plan = proposePlan({
    availableMs: 180 * 60_000,
    references,
    history: { facings: { left: 0, right: 0 }, timesDrawn: new Map<string, number>() },
    seed: 1,
  });
  const timeline = expandPlan(plan);
  const random = seededRandom(7);
  let log: RunEvent[] = [{ type: 'start', atMs: 0 }];
  let now = 0;
  let heldMs = 0;
  let ticks = 0;
  for (;;) {
    const state = stateOnTimeline(timeline, log, now);
    ticks++;
    if (state.phase === 'done') break;
    const segment = timeline.segments[state.segmentIndex];
    if (segment.open && state.elapsedMs >= state.lengthMs) {
      // Full exactly when it was expected: what came later than that was the tick's, not the page's.
      const fullMs = now - (state.elapsedMs - state.lengthMs);
      log = [...log, { type: 'next', atMs: fullMs }];
      continue;
    }
    if (random() < 0.002) {
      const forMs = 1 + Math.floor(random() * 60_000);
      log = [
        ...log,
        { type: 'hold', atMs: now, reason: 'paused' },
        { type: 'resume', atMs: now + forMs, counted: false },
      ];
      heldMs += forMs;
      now += forMs;
    }
    now += 1 + Math.floor(random() * 400);
  }
  const account = accountRun(plan, log, now);
  const { preparingMs, lookingMs, drawingMs, changingMs, restingMs } = account;
  return {
    driftMs: account.wallMs - timeline.totalMs - heldMs,
    missingMs: account.wallMs - (preparingMs + lookingMs + drawingMs + changingMs + restingMs + account.heldMs),
    ticks,
  };
}
