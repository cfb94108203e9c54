import { createHash } from 'node:crypto';
import { IDBFactory } from 'fake-indexeddb';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { recipeFromFile, type PlanPicture } from '@/core/interchange/planFile';
import { openPlanZip, type OpenedPlan } from '@/core/interchange/planZip';
import { NO_RIGHTS, type Picture } from '@/core/references/picture';
import type { Preparation } from '@/workers/picture.worker';
import { level, recipeWith } from '../core/recipes';
import { fakeLocks } from '../locks';
import { pictureOf } from '../pictures';

const sha256 = (bytes: Uint8Array | string): string => createHash('sha256').update(bytes).digest('hex');

vi.mock('@/workers/clients', () => ({
  startPictureWorker: () => ({
    api: {
      prepare: async (file: File): Promise<Preparation> => ({
        ok: true,
        picture: {
          type: 'image/png',
          widthPx: 4,
          heightPx: 3,
          hash: sha256(new Uint8Array(await file.arrayBuffer())),
          likeness: null,
          tone: { mean: 0.5, spread: 0.5, tone: 'middle' },
          takenAtMs: null,
          notes: [],
          image: undefined,
          thumbnail: new Blob(['small']),
        },
      }),
    },
    stop: () => undefined,
  }),
}));
const { closeDb } = await import('@/storage/db');
const { findPicturesHere, packPlan, takeInPictures, usedPictures } = await import('@/storage/pictures/sharedPlan');
const { addPicture, binPictures, listPictures, listSets } = await import('@/storage/pictures/pictures');
const { listBatches } = await import('@/storage/pictures/intake/batches');

async function anotherBrowser(): Promise<void> {
  await closeDb();
  globalThis.indexedDB = new IDBFactory();
}
beforeEach(async () => {
  await anotherBrowser();
  vi.stubGlobal('navigator', { locks: fakeLocks() });
});
afterEach(() => vi.unstubAllGlobals());

const add = (picture: Picture, bytes: string): Promise<void> =>
  addPicture({ ...picture, hash: sha256(bytes) }, new Blob([bytes], { type: 'image/jpeg' }), new Blob(['small']));
const withRights = (license: 'own' | 'free' | 'practice-only' | null, credit = '') => ({
  rights: { ...NO_RIGHTS, license, credit },
});
const recipe = { ...recipeWith([level('a', 6, 60_000)]), title: 'Evening of hands' };
const chosen = {
  a: ['picture/mine', 'picture/free~m', 'picture/theirs', 'picture/unsaid', 'picture/mine~m', 'figure/f'],
};
async function library(): Promise<void> {
  await add(
    pictureOf('mine', {
      ...withRights('own'),
      leftOut: [{ box: { left: 0, top: 0, width: 0.5, height: 0.5 }, words: 'hand' }],
      corrected: { subject: 'people/one figure' },
    }),
    'my bytes',
  );
  await add(pictureOf('free', withRights('free', 'Ada')), 'free bytes');
  await add(pictureOf('theirs', withRights('practice-only')), 'their bytes');
  await add(pictureOf('unsaid'), 'unsaid bytes');
}
const open = async (file: Blob): Promise<OpenedPlan> => {
  const opened = await openPlanZip(file);
  if ('problem' in opened) throw new Error(opened.problem);
  return opened;
};
const take = (opened: OpenedPlan, wanted: readonly PlanPicture[], signal = new AbortController().signal) =>
  takeInPictures(opened, wanted, 5, signal, () => undefined);

describe('a plan that is shared', () => {
  it('carries own and free pictures, each once, and names the others with the reason', async () => {
    await library();
    const { file, ending, words } = await packPlan(recipe, chosen, true);
    expect(ending).toBe('plan.zip');
    expect(words).toMatch(
      /and 2 pictures of your own. Not in it, only named: “theirs.jpg” \(for practice only\) and “unsaid.jpg” \(nothing is said of its rights\)/,
    );
    const opened = await open(file);
    expect(opened.bytes).toBeGreaterThan(0);
    expect(opened.file.pictures.map(({ reference, held }) => [reference, held?.path])).toEqual([
      ['picture/mine', 'pictures/1.jpg'],
      ['picture/free~m', 'pictures/2.jpg'],
      ['picture/theirs', undefined],
      ['picture/unsaid', undefined],
      ['picture/mine~m', 'pictures/1.jpg'],
    ]);
    expect(await (await opened.image('pictures/1.jpg'))?.text()).toBe('my bytes');
    expect(await opened.image('pictures/9.jpg')).toBeUndefined();
    expect((await packPlan(recipe, chosen, false)).ending).toBe('plan.json');
    expect((await usedPictures(chosen.a)).map((u) => u.keptBack === undefined)).toEqual([
      true,
      true,
      false,
      false,
      true,
    ]);
  });
  it('gives the same pictures in another browser, with rights as they hold there, veils and words', async () => {
    await library();
    const opened = await open((await packPlan(recipe, chosen, true)).file);
    await anotherBrowser();
    const { pictures } = opened.file;
    expect([...(await findPicturesHere(pictures))]).toEqual([]);
    const here = await take(opened, pictures);
    const [mine, free] = await listPictures('library');
    expect([...here]).toEqual([
      ['picture/mine', `picture/${mine.id}`],
      ['picture/free~m', `picture/${free.id}~m`],
      ['picture/mine~m', `picture/${mine.id}~m`],
    ]);
    expect(mine).toMatchObject({
      name: 'mine.jpg',
      rights: { license: 'practice-only', permission: 'came with the plan “Evening of hands”' },
      leftOut: [{ words: 'hand' }],
      corrected: { subject: 'people/one figure' },
    });
    expect(free.rights).toMatchObject({ license: 'free', credit: 'Ada' });
    expect(await listSets()).toMatchObject([{ name: 'Evening of hands' }]);
    expect((await listBatches()).map((b) => b.seen)).toEqual([true]);
    const { recipe: replayed, missing } = recipeFromFile(opened.file, (p) => here.get(p.reference));
    expect(replayed.blocks[0]).toMatchObject({
      source: { pins: [`picture/${mine.id}`, `picture/${free.id}~m`, null, null, `picture/${mine.id}~m`, 'figure/f'] },
    });
    expect(missing).toEqual(['theirs.jpg', 'unsaid.jpg']);
    // Opened a second time, all of it is here; what the learner said of it since stays.
    expect((await findPicturesHere(pictures)).size).toBe(3);
  });
  it('leaves a picture alone that was here before', async () => {
    await library();
    const opened = await open((await packPlan(recipe, chosen, true)).file);
    await anotherBrowser();
    await add(pictureOf('known', withRights('own')), 'my bytes');
    await binPictures(['known'], 1);
    const here = await take(opened, opened.file.pictures);
    expect(here.get('picture/mine')).toBe('picture/known');
    expect((await listPictures('library')).find((p) => p.id === 'known')).toMatchObject({
      rights: { license: 'own' },
      binnedAtMs: null,
    });
  });
  it('goes on without a damaged picture, and ends where it is canceled', async () => {
    await library();
    const { file } = await packPlan(recipe, chosen, true);
    const bytes = new Uint8Array(await file.arrayBuffer());
    bytes[Buffer.from(bytes).indexOf('free bytes')] ^= 1;
    const damaged = await open(new Blob([bytes]));
    await anotherBrowser();
    expect([...(await take(damaged, damaged.file.pictures)).keys()]).toEqual(['picture/mine', 'picture/mine~m']);
    await anotherBrowser();
    await expect(take(damaged, damaged.file.pictures, AbortSignal.abort())).rejects.toThrow('cancel');
    expect(await listPictures('library')).toEqual([]);
  });
  it('is refused in words when it is cut short', async () => {
    await library();
    const { file } = await packPlan(recipe, chosen, true);
    const cut = await openPlanZip(file.slice(0, file.size - 40));
    expect('problem' in cut && cut.problem).toMatch(/not a whole ZIP.*Nothing here was changed/);
  });
});

const [H1, H2, H3] = ['1', '2', '3'].map((digit) => digit.repeat(64));

describe('pictures of a plan file', () => {
  it('are found under the same address or as the same file, mirrored ones too, but not in the bin', async () => {
    const image = new Blob(['x'], { type: 'image/png' });
    for (const [id, hash] of [
      ['a', H1],
      ['b', H2],
      ['c', H3],
    ])
      await addPicture({ ...pictureOf(id), hash }, image, image);
    expect((await usedPictures(['picture/a', 'figure/f', 'picture/gone'])).map((u) => u.reference)).toEqual([
      'picture/a',
    ]);
    await binPictures(['c'], 1);
    const here = await findPicturesHere([
      { reference: 'picture/a', name: 'a', sha256: H1 },
      { reference: 'picture/elsewhere~m', name: 'b', sha256: H2 },
      { reference: 'picture/c', name: 'c', sha256: H3 },
    ]);
    expect([...here]).toEqual([
      ['picture/a', 'picture/a'],
      ['picture/elsewhere~m', 'picture/b~m'],
    ]);
  });
});
