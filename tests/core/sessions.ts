import type { RunEvent } from '@/core/clock/log';
import type { Session } from '@/core/journal/session';
import type { Plan } from '@/core/practice/plan/schema';

/** A kept session of a plan: its log after the start, an hour long at most. */
export const sessionOf = (plan: Plan, log: readonly RunEvent[] = [], more: Partial<Session> = {}): Session => ({
  id: 's',
  plan,
  log: [{ type: 'start', atMs: 0 }, ...log],
  startedAtMs: 1000,
  lastSeenMs: 3600_000,
  status: 'kept',
  note: '',
  ...more,
});
