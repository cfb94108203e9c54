import { IDBFactory } from 'fake-indexeddb';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { Session } from '@/core/journal/session';
import { closeDb, db } from '@/storage/db';
import { loadSession, saveSession } from '@/storage/sessions/sessions';
import * as sessions from '@/storage/sessions/sessions';
import { createRunWriter } from '@/features/run/session/runWriter';
import { planOf, poses } from '../core/plans';
import { soon } from '../soon';

const session: Session = {
  id: 's',
  plan: planOf(poses(2)),
  log: [{ type: 'start', atMs: 0 }],
  startedAtMs: 1_764_000_000_000,
  lastSeenMs: 0,
  status: 'running',
  note: '',
};
const next = (atMs: number) => ({ type: 'next', atMs }) as const;
const types = async (): Promise<string[] | undefined> => (await loadSession('s'))?.log.map((e) => e.type);

let changes = 0;
const writing = () => createRunWriter(session, () => changes++);
let nowMs = 0;
beforeEach(async () => {
  vi.restoreAllMocks();
  changes = 0;
  nowMs = 0;
  vi.spyOn(performance, 'now').mockImplementation(() => nowMs);
  await closeDb();
  globalThis.indexedDB = new IDBFactory();
  await saveSession(session);
});
const failing = (times: number) => {
  const append = vi.spyOn(sessions, 'appendEvents');
  for (let i = 0; i < times; i++) append.mockRejectedValueOnce(new Error('disk'));
  return append;
};

describe('writing a running session', () => {
  it('keeps the warning until the press that failed is on disk, whatever else succeeds', async () => {
    const append = failing(2);
    const writer = writing();
    writer.add([next(10)]);
    await writer.settled();
    expect([writer.problem(), writer.unsaved()]).toEqual([expect.stringContaining('could not save'), true]);
    // A heartbeat brings along what is unwritten: it fails with it.
    writer.heartbeat(5000);
    await writer.settled();
    expect(writer.problem()).toBeDefined();
    writer.heartbeat(10_000);
    await writer.settled();
    expect([writer.problem(), writer.unsaved(), await types()]).toEqual([undefined, false, ['start', 'next']]);
    expect(append).toHaveBeenCalledTimes(3);
  });
  it('tries a failed press again by itself, a second later', async () => {
    failing(1);
    const writer = writing();
    writer.add([next(10)]);
    await writer.settled();
    nowMs = 500;
    writer.retry();
    await writer.settled();
    expect(await types()).toEqual(['start']);
    nowMs = 1000;
    writer.retry();
    await writer.settled();
    expect([await types(), writer.problem()]).toEqual([['start', 'next'], undefined]);
  });
  it('says when storage has stopped answering, until it answers again', async () => {
    let answer = (): void => undefined;
    vi.spyOn(sessions, 'appendEvents').mockImplementationOnce(() => new Promise((resolve) => (answer = resolve)));
    const writer = writing();
    writer.add([next(10)]);
    await Promise.resolve();
    nowMs = 6000;
    // A sign of life that waits behind it is no answer.
    writer.heartbeat(5000);
    nowMs = 9999;
    writer.retry();
    expect(writer.problem()).toBeUndefined();
    nowMs = 10_000;
    writer.retry();
    expect([writer.unsaved(), writer.problem()]).toEqual([true, expect.stringContaining('isn’t answering')]);
    answer();
    await writer.settled();
    expect([writer.unsaved(), writer.problem()]).toEqual([false, undefined]);
  });
  it('ends a session after its last press, however close they come', async () => {
    const writer = writing();
    writer.add([next(10)]);
    writer.add([next(20)]);
    // The first write is under way when the last press and the end come.
    await Promise.resolve();
    await Promise.resolve();
    writer.add([next(30)]);
    writer.finish(30);
    await writer.settled();
    expect(await loadSession('s')).toMatchObject({ status: 'kept', lastSeenMs: 30, log: { length: 4 } });
  });
  it('tries the end of a session again', async () => {
    vi.spyOn(sessions, 'finishSession').mockRejectedValueOnce(new Error('disk'));
    const writer = writing();
    writer.finish(70_000);
    await writer.settled();
    expect(writer.unsaved()).toBe(true);
    nowMs = 1000;
    writer.retry();
    await writer.settled();
    expect(await loadSession('s')).toMatchObject({ status: 'kept', lastSeenMs: 70_000 });
  });
  it('saves the whole session again when its record is gone, and says so', async () => {
    const writer = writing();
    writer.add([next(10)]);
    await writer.settled();
    await (await db()).clear('sessions');
    writer.heartbeat(5000);
    await writer.settled();
    expect(await loadSession('s')).toMatchObject({ status: 'running', lastSeenMs: 5000, log: { length: 2 } });
    expect([writer.problem(), writer.unsaved()]).toEqual([expect.stringContaining('cleared its storage'), false]);
    await (await db()).clear('sessions');
    writer.add([{ type: 'stop', atMs: 6000 }]);
    await writer.settled();
    expect(await loadSession('s')).toMatchObject({ status: 'kept', log: { length: 3 } });
  });
  it('shows a slow write as not saved yet, and takes that back when it is done', async () => {
    let finish = (): void => undefined;
    vi.spyOn(sessions, 'appendEvents').mockReturnValueOnce(new Promise((done) => (finish = done)));
    const writer = writing();
    writer.add([next(10)]);
    expect(writer.unsaved()).toBe(false);
    await soon(() => expect(writer.unsaved()).toBe(true));
    expect(changes).toBe(1);
    finish();
    await writer.settled();
    expect([writer.unsaved(), changes]).toEqual([false, 2]);
  });
});
