import { IDBFactory } from 'fake-indexeddb';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { closeDb } from '@/storage/db';
import { binSet, loadSet, saveSet } from '@/storage/pictures/pictures';
import { keepOwnPose } from '@/storage/references/ownPoses';

const stopped = vi.hoisted(() => vi.fn());
vi.mock('@/workers/clients', () => ({
  startFigureWorker: () => ({
    api: {
      facts: (ids: readonly string[]) =>
        Promise.resolve(ids.map((id) => ({ name: `pose of ${id}`, viewName: 'front', facing: 'left', difficulty: 2 }))),
    },
    stop: stopped,
  }),
}));

const figure = (n: number): string => `figure/moved.archer.${String(n)}/fem/0/6/26`;
beforeEach(async () => {
  await closeDb();
  globalThis.indexedDB = new IDBFactory();
  stopped.mockReset();
});

describe('poses of one’s own', () => {
  it('are kept in one set by the names they were given, with what they are chosen by', async () => {
    await keepOwnPose(figure(1), 'Waving');
    await keepOwnPose(figure(2), 'Stooping');
    const set = await loadSet('own-poses');
    expect(set).toMatchObject({ name: 'Own poses', binnedAtMs: null });
    expect(set?.figures).toEqual([
      { id: figure(1), name: 'Waving', viewName: 'front', facing: 'left', difficulty: 2 },
      { id: figure(2), name: 'Stooping', viewName: 'front', facing: 'left', difficulty: 2 },
    ]);
    expect(stopped).toHaveBeenCalledTimes(2);
  });
  it('have the name that was given last', async () => {
    await keepOwnPose(figure(1), 'Waving');
    await keepOwnPose(figure(1), 'Greeting');
    expect((await loadSet('own-poses'))?.figures?.map(({ name }) => name)).toEqual(['Greeting']);
  });
  it('keep what the set is called and where it is, and bring it back from the bin', async () => {
    await keepOwnPose(figure(1), 'Waving');
    const set = (await loadSet('own-poses'))!;
    await saveSet({ ...set, name: 'Mine', createdAtMs: 5 });
    await binSet('own-poses', 77);
    await keepOwnPose(figure(2), 'Stooping');
    expect(await loadSet('own-poses')).toMatchObject({ name: 'Mine', createdAtMs: 5, binnedAtMs: null });
  });
  it('are refused in words when the set is full, and none is lost', async () => {
    await keepOwnPose(figure(0), 'first');
    const set = (await loadSet('own-poses'))!;
    const many = Array.from({ length: 500 }, (_, i) => ({ id: figure(i), name: `p${String(i)}` }));
    await saveSet({ ...set, figures: many });
    await expect(keepOwnPose(figure(900), 'one too many')).rejects.toThrow('“Own poses” holds 500.');
    expect((await loadSet('own-poses'))?.figures).toHaveLength(500);
  });
});
