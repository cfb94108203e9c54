import { accountRun, type RunAccount } from '../clock/account';
import type { Hold } from '../clock/replay';
import { runStateAt } from '../clock/run';
import type { Session } from './session';

/** Account of a session, to its end or to the last sign of life. */
export function accountSession({ plan, log, lastSeenMs }: Session): RunAccount {
  return accountRun(plan, log, lastSeenMs);
}

/** Every time on hold, in order. */
export const holdsOf = ({ plan, log, lastSeenMs }: Session): readonly Hold[] => runStateAt(plan, log, lastSeenMs).holds;

/** Times on hold that the learner gave a reason for, in order. */
export function namedHolds(session: Session): Hold[] {
  return holdsOf(session).filter((h) => h.why !== undefined && !h.counted);
}
