import { IDBFactory } from 'fake-indexeddb';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { availability, isDenied, onAvailability } from '@/storage/availability';
import { closeDb, db, holdDatabase } from '@/storage/db';
import { storageProblem } from '@/storage/problems';
import { claimStart, startSession } from '@/storage/sessions/startSession';
import { listSessions } from '@/storage/sessions/sessions';
import { planOf, poses } from '../core/plans';
import { openDB } from 'idb';

beforeEach(async () => {
  vi.unstubAllGlobals();
  vi.useRealTimers();
  await closeDb();
  globalThis.indexedDB = new IDBFactory();
});
const denying = (): never => {
  throw new DOMException('denied', 'SecurityError');
};

describe('a browser that does not answer', () => {
  it('is given up after ten seconds, said so, and asked again later', async () => {
    const real = indexedDB;
    globalThis.indexedDB = { open: () => new EventTarget() } as unknown as IDBFactory;
    vi.stubGlobal('IDBRequest', EventTarget);
    vi.useFakeTimers();
    const opening = db().catch((error: unknown) => storageProblem(error));
    await vi.advanceTimersByTimeAsync(10_000);
    expect(await opening).toContain('isn’t answering');
    expect(availability()).toBe('silent');
    vi.useRealTimers();
    vi.unstubAllGlobals();
    globalThis.indexedDB = real;
    expect(await listSessions()).toEqual([]);
  });
});

describe('a newer version in another tab', () => {
  it('waits until a running session lets the database go', async () => {
    await listSessions();
    const letGo = holdDatabase();
    let upgraded = false;
    const upgrading = openDB('fox-minute', 99).then((newer) => {
      upgraded = true;
      newer.close();
    });
    await new Promise((r) => setTimeout(r, 50));
    expect([upgraded, await listSessions()]).toEqual([false, []]);
    letGo();
    await upgrading;
    // This page is old code now: it must not touch the newer records.
    const sentence = await listSessions().catch((error: unknown) => storageProblem(error));
    expect(sentence).toContain('load this page again');
    expect(availability()).toBe('old code');
  });
});

describe('a browser that forbids keeping data', () => {
  it('still runs sessions, in memory, and says so once', async () => {
    const heard = vi.fn();
    const stop = onAvailability(heard);
    vi.stubGlobal('sessionStorage', undefined);
    Object.defineProperty(globalThis, 'sessionStorage', { get: denying, configurable: true });
    globalThis.indexedDB = { open: denying } as unknown as IDBFactory;
    const { id } = await startSession(planOf(poses(1)));
    expect((await listSessions()).map((s) => s.id)).toEqual([id]);
    expect([claimStart(id), claimStart(id)]).toEqual([true, false]);
    expect([availability(), heard.mock.calls.length]).toEqual(['in memory', 1]);
    stop();
    Reflect.deleteProperty(globalThis, 'sessionStorage');
  });
  it('is told from one that is full or broken', () => {
    expect(isDenied(new DOMException('', 'SecurityError'))).toBe(true);
    expect(isDenied(new DOMException('', 'QuotaExceededError'))).toBe(false);
    expect(isDenied(new Error('disk'))).toBe(false);
  });
});
