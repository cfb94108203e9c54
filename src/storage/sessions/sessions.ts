import { ownSessions } from '@/core/journal/whose';
import type { RunEvent } from '@/core/clock/log';
import type { Reflection } from '@/core/journal/reflection';
import type { Session } from '@/core/journal/session';
import { announce } from '@/storage/changes';
import { atomically, changeRecord, db, put } from '@/storage/db';
import { SessionGoneError } from '@/storage/problems';

type Noted = Extract<RunEvent, { type: 'whole' | 'marks' | 'missing' | 'focalKept' }>;
/** What can still be said of a session's last drawing when the session is over. */
export type AfterwardsNote = Noted extends infer T ? (T extends Noted ? Omit<T, 'atMs'> : never) : never;

/** Every session, newest first. */
export async function listSessions(): Promise<Session[]> {
  return (await (await db()).getAllFromIndex('sessions', 'byStart')).reverse();
}

/** The learner's own sessions, newest first. */
export const listOwnSessions = async (): Promise<Session[]> => ownSessions(await listSessions());

export async function loadSession(id: string): Promise<Session | undefined> {
  return (await db()).get('sessions', id);
}

/** The session that was cut off or is running in another tab. */
export async function runningSession(): Promise<Session | undefined> {
  return (await listSessions()).find((s) => s.status === 'running');
}

/** Write a session durably: resolved only when it is on disk. */
export async function saveSession(session: Session): Promise<void> {
  await atomically(['sessions'], (tx) => put(tx, 'sessions', session), { durability: 'strict' });
  announce('sessions');
}

const change = async (
  id: string,
  update: (session: Session) => Partial<Session> | undefined,
  durability: IDBTransactionDurability = 'default',
): Promise<void> =>
  changeRecord(
    'sessions',
    id,
    (session) => {
      const fields = session && update(session);
      return session && fields && { ...session, ...fields };
    },
    { durability },
  );

/**
 * Appends events to a session's log, durably and in one step with its state.
 * @throws SessionGoneError when the session is no longer in this browser.
 */
export async function appendEvents(id: string, events: readonly RunEvent[], status: Session['status']): Promise<void> {
  let here = false;
  await change(
    id,
    ({ log, lastSeenMs }) => {
      here = true;
      return {
        status,
        log: [...log, ...events],
        lastSeenMs: Math.max(lastSeenMs, events[events.length - 1].atMs),
      };
    },
    'strict',
  );
  if (!here) throw new SessionGoneError('the session is no longer kept in this browser');
  announce('sessions');
}

/**
 * Adds an answer about a finished session's last drawing to its log. Nothing else of the session changes.
 * @param noteFor Makes the answer from the session as it is stored.
 */
export async function noteAfterwards(id: string, noteFor: (session: Session) => AfterwardsNote): Promise<void> {
  await change(
    id,
    (session) => {
      const { status, log, lastSeenMs } = session;
      if (status === 'running') return undefined;
      return { log: [...log, { ...noteFor(session), atMs: Math.max(lastSeenMs, log.at(-1)?.atMs ?? 0) }] };
    },
    'strict',
  );
  announce('sessions');
}

/**
 * Writes a sign of life of a running session; relaxed, because losing one costs five seconds at most.
 * @throws SessionGoneError when the session is no longer in this browser.
 */
export async function heartbeat(id: string, lastSeenMs: number): Promise<void> {
  let here = false;
  await change(
    id,
    (s) => {
      here = true;
      return s.status === 'running' && s.lastSeenMs < lastSeenMs ? { lastSeenMs } : undefined;
    },
    'relaxed',
  );
  if (!here) throw new SessionGoneError('the session is no longer kept in this browser');
}

/** Say that a session began at another time; what was noted stays beside it, and a correction taken back leaves nothing. */
export async function correctStart(id: string, startedAtMs: number): Promise<void> {
  await change(id, (session) => {
    const notedAtMs = session.notedAtMs ?? session.startedAtMs;
    return { startedAtMs, notedAtMs: notedAtMs === startedAtMs ? undefined : notedAtMs };
  });
  announce('sessions');
}

/** Replaces a finished session's log, corrected by the learner. */
export async function correctLog(id: string, { log, lastSeenMs }: Pick<Session, 'log' | 'lastSeenMs'>): Promise<void> {
  await change(id, ({ status }) => (status === 'running' ? undefined : { log, lastSeenMs }), 'strict');
  announce('sessions');
}

export async function saveNote(id: string, note: string): Promise<void> {
  await change(id, () => ({ note }));
  announce('sessions');
}

/**
 * Marks a session that ran to its end. There is no last event, only the time it ended.
 * @throws SessionGoneError when the session is no longer in this browser.
 */
export async function finishSession(id: string, endMs: number): Promise<void> {
  let here = false;
  await change(
    id,
    () => {
      here = true;
      return { status: 'kept', lastSeenMs: endMs };
    },
    'strict',
  );
  if (!here) throw new SessionGoneError('the session is no longer kept in this browser');
  announce('sessions');
}

/** Change what was said after a session. */
export async function changeReflection(id: string, update: (before: Reflection) => Reflection): Promise<void> {
  await change(id, ({ reflection }) => ({ reflection: update(reflection ?? {}) }));
  announce('sessions');
}
