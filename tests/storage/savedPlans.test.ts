import { IDBFactory } from 'fake-indexeddb';
import { openDB } from 'idb';
import { beforeEach, describe, expect, it } from 'vitest';
import type { SavedPlan } from '@/core/practice/plan/savedPlan';
import { emptyOldBin } from '@/storage/bin';
import { closeDb } from '@/storage/db';
import { readRecords } from '@/storage/everything';
import { listSavedPlans, savePlan } from '@/storage/sessions/savedPlans';
import { planOf, poses } from '../core/plans';
import { level, recipeWith } from '../core/recipes';

const kept = (id: string, savedAtMs: number, binnedAtMs: number | null = null): SavedPlan => ({
  id,
  recipe: recipeWith([level('a', 3, 60_000)]),
  savedAtMs,
  schedule: null,
  binnedAtMs,
});

beforeEach(async () => {
  await closeDb();
  globalThis.indexedDB = new IDBFactory();
});

describe('plans that are kept', () => {
  it('are listed newest first, without those in the bin, and go for good after thirty days', async () => {
    for (const p of [kept('old', 1), kept('new', 5), kept('gone', 3, 1000)]) await savePlan(p);
    expect((await listSavedPlans()).map((p) => p.id)).toEqual(['new', 'old']);
    expect((await readRecords()).records.plans).toHaveLength(3);
    expect(await emptyOldBin(1000 + 31 * 86_400_000)).toBe(1);
    expect((await readRecords()).records.plans.map((p) => p.id).sort()).toEqual(['new', 'old']);
  });
  it('are refused whole when something in them is not as it should be', async () => {
    const broken = { ...kept('x', 1), recipe: { ...kept('x', 1).recipe, blocks: [] } };
    await expect(savePlan(broken)).rejects.toThrow();
    expect(await listSavedPlans()).toEqual([]);
  });
  it('have a place in a database of the version before, and sessions in it stay', async () => {
    const before = await openDB('fox-minute', 2, {
      upgrade(db) {
        db.createObjectStore('sessions', { keyPath: 'id' }).createIndex('byStart', 'startedAtMs');
        for (const name of ['pages', 'sets', 'pictures', 'bodies', 'batches', 'waiting', 'folders'])
          db.createObjectStore(name, { keyPath: 'id' });
        for (const name of ['images', 'renders', 'settings']) db.createObjectStore(name);
      },
    });
    const session = {
      id: 's',
      plan: planOf(poses(1)),
      log: [],
      startedAtMs: 1,
      lastSeenMs: 1,
      status: 'kept',
      note: '',
    };
    await before.put('sessions', session);
    before.close();
    await savePlan(kept('first', 1));
    expect(await listSavedPlans()).toHaveLength(1);
    expect((await readRecords()).records.sessions).toEqual([session]);
  });
});
