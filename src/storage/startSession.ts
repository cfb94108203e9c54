import type { Session } from '@/core/journal/session';
import type { Plan } from '@/core/practice/schema';
import { appendEvents, runningSession, saveSession } from './sessions';

/** The session begun in this document; any other that is still running was cut off. */
let startedHere: string | undefined;

/** Whether a session was begun by this very document, asked once: after a reload the answer is no. */
export function claimStart(sessionId: string): boolean {
  const mine = startedHere === sessionId;
  startedHere = undefined;
  return mine;
}

/** Begin a session now. One that was cut off is kept as far as it went. */
export async function startSession(plan: Plan): Promise<Session> {
  const before = await runningSession();
  if (before) await stopAndKeep(before);
  const session: Session = {
    id: crypto.randomUUID(),
    plan,
    log: [{ type: 'start', atMs: 0 }],
    startedAtMs: Date.now(),
    lastSeenMs: 0,
    status: 'running',
    note: '',
  };
  await saveSession(session);
  startedHere = session.id;
  return session;
}

/** End a cut-off session at its last sign of life. */
export async function stopAndKeep(session: Session): Promise<void> {
  await appendEvents(session.id, [{ type: 'stop', atMs: session.lastSeenMs }], 'kept');
}
