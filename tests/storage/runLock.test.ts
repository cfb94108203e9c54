import { IDBFactory } from 'fake-indexeddb';
import { beforeEach, describe, expect, it } from 'vitest';
import { closeDb } from '@/storage/db';
import { RunningElsewhereError, storageProblem } from '@/storage/problems';
import { acquireRunLockSoon, isSessionRunning } from '@/storage/sessions/runLock';
import { listSessions, loadSession } from '@/storage/sessions/sessions';
import { startSession, stopAndKeep } from '@/storage/sessions/startSession';
import { planOf, poses } from '../core/plans';
import { soon } from '../soon';

const plan = planOf(poses(8));
beforeEach(async () => {
  await closeDb();
  globalThis.indexedDB = new IDBFactory();
});

describe('while another tab runs a session', () => {
  it('neither starts nor stops one, and leaves its record alone', async () => {
    const running = await startSession(plan);
    const lock = await acquireRunLockSoon();
    expect(await isSessionRunning()).toBe(true);
    await expect(startSession(plan)).rejects.toBeInstanceOf(RunningElsewhereError);
    await expect(stopAndKeep(running)).rejects.toBeInstanceOf(RunningElsewhereError);
    expect(await listSessions()).toEqual([running]);
    lock?.release();
  });
  it('says where to go', () => {
    expect(storageProblem(new RunningElsewhereError())).toContain('running in another tab');
  });
  it('starts and stops again once that tab is done', async () => {
    const lock = await acquireRunLockSoon();
    lock?.release();
    const { id } = await startSession(plan);
    await soon(async () => expect(await isSessionRunning()).toBe(false));
    await stopAndKeep({ id });
    expect(await loadSession(id)).toMatchObject({ status: 'kept' });
    await stopAndKeep({ id });
    expect((await loadSession(id))?.log.filter((e) => e.type === 'stop')).toHaveLength(1);
  });
});
