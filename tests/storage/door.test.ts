import { IDBFactory } from 'fake-indexeddb';
import { openDB } from 'idb';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { Session } from '@/core/journal/session';
import { closeDb, db, onBlocked, put, atomically } from '@/storage/db';
import { countKept, readRecords, unreadableJson } from '@/storage/everything';
import { appendEvents, listSessions, saveNote, saveSession } from '@/storage/sessions/sessions';
import { loadSetting, resetSettings, saveSetting } from '@/storage/settings';
import { planOf, poses } from '../core/plans';

const session = (id: string): Session => ({
  id,
  plan: planOf(poses(2)),
  log: [{ type: 'start', atMs: 0 }],
  startedAtMs: 1_764_000_000_000,
  lastSeenMs: 0,
  status: 'kept',
  note: '',
});

beforeEach(async () => {
  await closeDb();
  globalThis.indexedDB = new IDBFactory();
});

describe('the one door', () => {
  it('lets nothing in that the store must not hold, and undoes the rest', async () => {
    await saveSession(session('a'));
    await expect(
      atomically(['sessions', 'settings'], async (tx) => {
        await put(tx, 'sessions', session('b'));
        await put(tx, 'settings', 1e9, 'minutes');
      }),
    ).rejects.toThrow();
    await expect(saveSetting('volume', 3)).rejects.toThrow();
    await expect(appendEvents('a', [{ type: 'extend', atMs: 5, byMs: 9e9 }], 'kept')).rejects.toThrow();
    expect((await listSessions()).map((s) => [s.id, s.log.length])).toEqual([['a', 1]]);
    expect(await loadSetting('minutes')).toBeUndefined();
  });
  it('leaves a setting that is out of range at its default', async () => {
    const database = await db();
    await database.put('settings', 1e9, 'minutes');
    await database.put('settings', 'loud', 'volume');
    expect([await loadSetting('minutes'), await loadSetting('volume')]).toEqual([undefined, undefined]);
    await saveSetting('minutes', 25);
    await resetSettings();
    expect([await loadSetting('minutes'), await loadSetting('seeded')]).toEqual([undefined, true]);
  });
});

/** A database as version 4 left it. */
async function older(records: Record<string, unknown[]>, settings: Record<string, unknown> = {}): Promise<void> {
  const old = await openDB('fox-minute', 4, {
    upgrade(database, _from, _to, tx) {
      database.createObjectStore('sessions', { keyPath: 'id' }).createIndex('byStart', 'startedAtMs');
      database.createObjectStore('pages', { keyPath: 'id' }).createIndex('bySession', 'sessionId');
      const pictures = database.createObjectStore('pictures', { keyPath: 'id' });
      pictures.createIndex('bySet', 'setIds', { multiEntry: true });
      pictures.createIndex('byHash', 'hash');
      database.createObjectStore('waiting', { keyPath: 'id' }).createIndex('byBatch', ['batchId', 'position']);
      for (const name of ['sets', 'bodies', 'batches', 'folders', 'plans', 'viewings'])
        database.createObjectStore(name, { keyPath: 'id' });
      for (const name of ['images', 'renders', 'settings']) database.createObjectStore(name);
      for (const [store, list] of Object.entries(records)) for (const r of list) void tx.objectStore(store).put(r);
      for (const [name, value] of Object.entries(settings)) void tx.objectStore('settings').put(value, name);
    },
  });
  old.close();
}

describe('an upgrade', () => {
  it('mends what an older version could write and this one could not read, and tells it', async () => {
    const long = {
      ...session('long'),
      log: [
        { type: 'start', atMs: 0 },
        { type: 'length', atMs: 3, segmentIndex: 1, lengthMs: 9e9 },
      ],
    };
    await older({ sessions: [session('a'), long] }, { minutes: 1e9, seeded: true });
    expect((await listSessions()).map((s) => s.id).sort()).toEqual(['a', 'long']);
    await saveNote('long', 'It can be written again.');
    expect((await listSessions()).find((s) => s.id === 'long')?.log[1]).toMatchObject({ lengthMs: 6 * 3600_000 });
    expect(JSON.parse((await loadSetting('mended')) ?? '[]')).toEqual([
      expect.stringMatching(/^The session of .* held 1 length beyond 6 hours; read as 6 hours\.$/),
      'Out of range and left as they come: “minutes”.',
    ]);
    expect(await loadSetting('seeded')).toBe(true);
  });
  it('keeps apart, whole, what cannot be read at all', async () => {
    await older({ sessions: [session('a'), { id: 'strange', nonsense: true }] });
    expect((await listSessions()).map((s) => s.id)).toEqual(['a']);
    expect(await countKept()).toMatchObject({ sessions: 1, unreadable: 1 });
    expect(JSON.parse(await unreadableJson())).toMatchObject([
      { store: 'sessions', value: { id: 'strange', nonsense: true } },
    ]);
    expect((await readRecords()).records.sessions).toHaveLength(1);
  });
  it('waits for a tab with an older version, tells so now and to who asks later, and no more once it is through', async () => {
    await older({ sessions: [session('a')] });
    const tab = await openDB('fox-minute', 4);
    const told: string[] = [];
    onBlocked(() => told.push('at once'));
    const opening = listSessions();
    await vi.waitFor(() => expect(told).toEqual(['at once']));
    onBlocked(() => told.push('later'));
    expect(told).toEqual(['at once', 'later']);
    tab.close();
    expect((await opening).map((s) => s.id)).toEqual(['a']);
    onBlocked(() => told.push('too late'));
    expect(told).toHaveLength(2);
  });
  it('keeps each of them apart, however long and alike their keys are', async () => {
    const long = 'k'.repeat(100);
    await older({ sessions: [{ id: `${long}1` }, { id: `${long}2` }] });
    expect(await countKept()).toMatchObject({ sessions: 0, unreadable: 2 });
  });
});
