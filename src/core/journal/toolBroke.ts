import { runStateAt } from '../clock/run';
import type { Session } from './session';

/** A tool broke in the newest session that was kept. */
export function toolBrokeLast(sessions: readonly Session[]): boolean {
  const last = sessions
    .filter(({ status }) => status === 'kept')
    .reduce<Session | undefined>((a, b) => (a && a.startedAtMs > b.startedAtMs ? a : b), undefined);
  return (
    last !== undefined &&
    runStateAt(last.plan, last.log, last.lastSeenMs).holds.some(({ why }) => why === 'a tool broke')
  );
}
