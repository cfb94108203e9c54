import { accountRun, type RunAccount } from '../clock/account';
import type { Hold } from '../clock/replay';
import { runStateAt } from '../clock/run';
import type { Session } from './session';

/** Account of a session, to its end or to the last sign of life. */
export function accountSession({ plan, log, lastSeenMs }: Session): RunAccount {
  return accountRun(plan, log, lastSeenMs);
}

/** Times on hold that the learner gave a reason for, in order. */
export function namedHolds({ plan, log, lastSeenMs }: Session): Hold[] {
  return runStateAt(plan, log, lastSeenMs).holds.filter((h) => h.why !== undefined && !h.counted);
}
