import type { RunEvent } from '@/core/clock/log';
import type { Reflection } from '@/core/journal/reflection';
import { type Session, sessionSchema } from '@/core/journal/session';
import { announce } from '@/storage/changes';
import { db } from '@/storage/db';

/** Every session, newest first. */
export async function listSessions(): Promise<Session[]> {
  return (await (await db()).getAllFromIndex('sessions', 'byStart')).reverse();
}

export async function loadSession(id: string): Promise<Session | undefined> {
  return (await db()).get('sessions', id);
}

/** The session that was cut off or is running in another tab. */
export async function runningSession(): Promise<Session | undefined> {
  return (await listSessions()).find((s) => s.status === 'running');
}

/** Write a session durably: resolved only when it is on disk. */
export async function saveSession(session: Session): Promise<void> {
  const tx = (await db()).transaction('sessions', 'readwrite', { durability: 'strict' });
  await Promise.all([tx.store.put(sessionSchema.parse(session)), tx.done]);
  announce('sessions');
}

/** Append events to a session's log, durably and in one step with its state. */
export async function appendEvents(id: string, events: readonly RunEvent[], status: Session['status']): Promise<void> {
  const tx = (await db()).transaction('sessions', 'readwrite', { durability: 'strict' });
  const session = await tx.store.get(id);
  if (!session) throw new Error('The session is no longer kept in this browser.');
  const last = events[events.length - 1];
  await Promise.all([
    tx.store.put({
      ...session,
      status,
      log: [...session.log, ...events],
      lastSeenMs: Math.max(session.lastSeenMs, last.atMs),
    }),
    tx.done,
  ]);
  announce('sessions');
}

/** A sign of life of a running session; relaxed, because losing one costs five seconds at most. */
export async function heartbeat(id: string, lastSeenMs: number): Promise<void> {
  const tx = (await db()).transaction('sessions', 'readwrite', { durability: 'relaxed' });
  const session = await tx.store.get(id);
  if (session?.status === 'running' && session.lastSeenMs < lastSeenMs) await tx.store.put({ ...session, lastSeenMs });
  await tx.done;
}

export async function saveNote(id: string, note: string): Promise<void> {
  const tx = (await db()).transaction('sessions', 'readwrite');
  const session = await tx.store.get(id);
  if (session) await tx.store.put(sessionSchema.parse({ ...session, note }));
  await tx.done;
  announce('sessions');
}

/** A session that ran to its end by itself: there is no last event, only the time it ended. */
export async function finishSession(id: string, endMs: number): Promise<void> {
  const tx = (await db()).transaction('sessions', 'readwrite', { durability: 'strict' });
  const session = await tx.store.get(id);
  if (session) await tx.store.put({ ...session, status: 'kept', lastSeenMs: endMs });
  await tx.done;
  announce('sessions');
}

/** Change what was said after a session. */
export async function changeReflection(id: string, change: (before: Reflection) => Reflection): Promise<void> {
  const tx = (await db()).transaction('sessions', 'readwrite');
  const session = await tx.store.get(id);
  if (session) await tx.store.put(sessionSchema.parse({ ...session, reflection: change(session.reflection ?? {}) }));
  await tx.done;
  announce('sessions');
}
