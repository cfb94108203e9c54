import { READ_BY } from '@/core/body/readBody';
import { IDBFactory } from 'fake-indexeddb';
import { openDB } from 'idb';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Picture } from '@/core/references/picture';
import { needsReading } from '@/core/body/pictureReading';
import { POINT_COUNT } from '@/core/body/points';
import type { Preparation, PreparedPicture } from '@/workers/picture.worker';
import recorded from '../fixtures/bodies.json';
import { fakeLocks } from '../locks';
import { pictureOf } from '../pictures';

/** What the workers would say of a file, by its text. */
const saidOf = new Map<string, Preparation>();
const prepared = (hash: string, more: Partial<PreparedPicture> = {}): Preparation => ({
  ok: true,
  picture: {
    type: 'image/png',
    widthPx: 4,
    heightPx: 3,
    hash: hash.padEnd(64, '0'),
    likeness: null,
    tone: { mean: 0.5, spread: 0.5, tone: 'middle' },
    takenAtMs: 99,
    notes: [],
    image: undefined,
    thumbnail: new Blob(['small']),
    ...more,
  },
});
let found: unknown;
vi.mock('@/workers/clients', () => ({
  callback: (f: unknown) => f,
  startPictureWorker: () => ({
    api: {
      prepare: async (file: File) => saidOf.get(await file.text()) ?? { ok: false, problem: { kind: 'not a picture' } },
      crop: () => Promise.resolve({ image: new Blob(['cut']), thumbnail: new Blob(['s']), widthPx: 2, heightPx: 2 }),
    },
    stop: () => undefined,
  }),
  startLandmarksWorker: () => ({ api: { find: () => Promise.resolve(found) }, stop: () => undefined }),
}));
const { closeDb, db } = await import('@/storage/db');
const { forgetFile, stageFiles } = await import('@/storage/pictures/intake/stage');
const { processWaiting } = await import('@/storage/pictures/intake/process');
const { batchReport, cancelBatch, changeBatch, listBatches, setBatchRights } =
  await import('@/storage/pictures/intake/batches');
const { addPicture, inSetOrder, listBinnedSets, listPictures, loadPicture, saveSet } =
  await import('@/storage/pictures/pictures');
const { alterPictures, alterSet, redoLast, undoLast } = await import('@/storage/pictures/history');
const { keepBody, readPictures, findAgain } = await import('@/storage/pictures/readPictures');
const { loadBody } = await import('@/storage/pictures/bodies');
const { loadImage } = await import('@/storage/images');
const { folderImage, keepFolder, markGone, mayRead, scanFolder } = await import('@/storage/pictures/folders');
const { cropPicture } = await import('@/storage/pictures/cropPicture');

beforeEach(async () => {
  await closeDb();
  globalThis.indexedDB = new IDBFactory();
  saidOf.clear();
  vi.stubGlobal('navigator', { locks: fakeLocks() });
});
afterEach(() => vi.unstubAllGlobals());

const signal = new AbortController().signal;
const given = (...texts: string[]) =>
  texts.map((text, i) => ({ file: new File([text], `${text}.png`), name: `${String(i)} ${text}` }));
let clock = 5;
const stage = (texts: string[], setId: string | null = null): Promise<string> =>
  stageFiles(given(...texts), setId, null, clock++, () => undefined, 0);
const take = async (texts: string[], setId: string | null = 's'): Promise<string> => {
  const id = await stage(texts, setId);
  await processWaiting(signal);
  return id;
};
const add = (picture: Picture): Promise<void> => addPicture(picture, new Blob(['image']), new Blob(['small']));

describe('taking pictures in', () => {
  it('adds what is good, names what is not, and ends with a report', async () => {
    for (const text of ['a', 'b']) saidOf.set(text, prepared(text));
    saidOf.set('gif', prepared('c', { notes: ['first frame'] }));
    await take(['a', 'words', 'b', 'gif']);
    const [batch] = await listBatches();
    expect(batch).toMatchObject({ state: 'done', total: 4, done: 4, added: 3, seen: false });
    expect(batch.problems).toEqual([{ name: '1 words', problem: { kind: 'not a picture' } }]);
    expect(batchReport(batch)).toContain('Pictures given: 4. Added: 3. Left out: 1.');
    expect(batchReport(batch)).toContain('“3 gif” moves');
    const pictures = await listPictures('s');
    expect(pictures.map((p) => p.name)).toEqual(['0 a', '2 b', '3 gif']);
    expect(pictures[0]).toMatchObject({ found: { tone: 'middle' }, takenAtMs: 99, setIds: ['s'] });
    expect(await (await loadImage(`picture/${pictures[0].id}`))?.text()).toBe('a');
    expect(await (await db()).getAllKeys('waiting')).toEqual([]);
  });
  it('keeps a file once: given again it comes into the other set too, and out of the bin', async () => {
    saidOf.set('a', prepared('a'));
    await take(['a']);
    const [first] = await listPictures('s');
    await alterPictures('x', [first.id], () => ({ binnedAtMs: 3 }));
    await take(['a'], 't');
    expect(await listPictures('t')).toMatchObject([{ id: first.id, setIds: ['s', 't'], binnedAtMs: null }]);
    expect((await listBatches())[0].problems[0].problem).toEqual({ kind: 'already there', as: '0 a' });
  });
  it('goes on after a reload with what waits, and pauses and cancels', async () => {
    for (const text of ['a', 'b', 'c']) saidOf.set(text, prepared(text));
    const id = await stage(['a', 'b', 'c']);
    await changeBatch(id, () => ({ state: 'paused' }));
    await processWaiting(signal);
    expect(await (await db()).countFromIndex('waiting', 'byBatch')).toBe(3);
    await closeDb();
    await changeBatch(id, () => ({ state: 'running' }));
    await processWaiting(signal);
    expect(await listPictures('library')).toHaveLength(3);
    const second = await stage(['a']);
    await cancelBatch(second);
    await processWaiting(signal);
    expect((await listBatches())[0]).toMatchObject({ id: second, state: 'canceled', done: 0 });
    expect(await (await db()).getAllKeys('waiting')).toEqual([]);
  });
  it('names a file that waited in memory when the page was closed', async () => {
    saidOf.set('a', prepared('a'));
    await stage(['a']);
    const database = await db();
    const [entry] = await database.getAll('waiting');
    forgetFile(entry.id);
    await database.put('waiting', { ...entry, file: undefined });
    await processWaiting(signal);
    expect((await listBatches())[0].problems).toEqual([{ name: '0 a', problem: { kind: 'not copied' } }]);
  });
  it('leaves out by name what there is no room for, and keeps the rest', async () => {
    for (const text of ['a', 'b', 'c']) saidOf.set(text, prepared(text));
    const database = await db();
    const put = IDBObjectStore.prototype.put;
    let blobs = 0;
    vi.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(function (this: IDBObjectStore, ...args) {
      if (this.name === 'images' && typeof args[1] === 'string' && args[1].startsWith('picture/')) {
        blobs++;
        if (blobs === 2 || blobs === 4) throw new DOMException('full', 'QuotaExceededError');
      }
      return put.apply(this, args);
    });
    await take(['a', 'b', 'c']);
    vi.restoreAllMocks();
    const [batch] = await listBatches();
    expect(batch.done).toBe(3);
    expect(batch.added + batch.problems.length).toBe(3);
    expect(batch.problems.map((p) => p.problem.kind)).toEqual(['no room']);
    expect((await database.getAll('pictures')).length).toBe(2);
  });
  it('does nothing while another tab is at it', async () => {
    saidOf.set('a', prepared('a'));
    await stage(['a']);
    await navigator.locks.request('fox-minute-intake', () => processWaiting(signal));
    expect(await listPictures('library')).toEqual([]);
  });
  it('does not end a batch whose files another tab is still handing in', async () => {
    saidOf.set('a', prepared('a'));
    const id = await stage(['a']);
    const database = await db();
    const [entry] = await database.getAll('waiting');
    await database.delete('waiting', entry.id);
    await navigator.locks.request(`fox-minute-staging-${id}`, async () => {
      await processWaiting(signal);
      expect((await listBatches())[0]).toMatchObject({ state: 'running', done: 0, problems: [] });
      await database.put('waiting', entry);
    });
    await processWaiting(signal);
    expect((await listBatches())[0]).toMatchObject({ state: 'done', added: 1, problems: [] });
  });
  it('sets the rights of every picture in a batch, one part at a time', async () => {
    saidOf.set('a', prepared('a'));
    const id = await take(['a']);
    // A credit line typed a moment before a license is tapped is kept, though neither knows of the other.
    await Promise.all([setBatchRights(id, { credit: 'Wren' }), setBatchRights(id, { license: 'free' })]);
    expect((await listPictures('s'))[0].rights).toMatchObject({ license: 'free', credit: 'Wren' });
  });
});

describe('undoing', () => {
  it('puts back only what was changed, and does it again', async () => {
    await add(pictureOf('a', { tags: ['x'] }));
    await alterPictures('tagged', ['a', 'gone'], (p) => ({ tags: [...p.tags, 'y'] }));
    await alterPictures('read', ['a'], () => ({ readBy: 1 }));
    await undoLast();
    expect((await undoLast())?.words).toBe('tagged');
    expect(await loadPicture('a')).toMatchObject({ tags: ['x'], readBy: 0 });
    expect((await redoLast())?.words).toBe('tagged');
    expect(await loadPicture('a')).toMatchObject({ tags: ['x', 'y'], readBy: 0 });
  });
  it('unmakes a set by way of the bin', async () => {
    await alterSet('made', { id: 'n', name: 'New', createdAtMs: 1, binnedAtMs: null }, 50);
    await undoLast();
    expect(await listBinnedSets()).toMatchObject([{ id: 'n', binnedAtMs: 50 }]);
  });
});

describe('reading pictures', () => {
  const body = recorded[0].body;
  it('keeps facts with how sure they are, beside what pixels told, and reads each once', async () => {
    found = { body, others: [] };
    await add(pictureOf('a', { found: { tone: 'dark' }, corrected: { view: 'back' } }));
    await readPictures(signal);
    const picture = (await loadPicture('a')) as Picture;
    expect(picture.found).toMatchObject({ tone: 'dark', subject: 'people/one figure', facing: recorded[0].facing });
    expect(picture.corrected).toEqual({ view: 'back' });
    expect(picture.measures?.limbs).toHaveLength(10);
    expect(needsReading(picture)).toBe(false);
    expect((await loadBody('a'))?.points).toHaveLength(POINT_COUNT);
  });
  it('leaves points set by hand alone, until asked to look again', async () => {
    await add(pictureOf('a'));
    await keepBody({ id: 'a', ...(body as never as { points: never[]; space: never[] }), score: 1, by: 'hand' });
    expect((await undoLast())?.words).toBe('Points of the body moved');
    expect([await loadBody('a'), (await loadPicture('a'))?.found]).toEqual([undefined, {}]);
    await redoLast();
    await alterPictures('unread', ['a'], () => ({ readBy: 0 }));
    found = { body: { ...body, score: 0.7 }, others: [] };
    await readPictures(signal);
    expect(await loadBody('a')).toMatchObject({ by: 'hand', score: 1 });
    expect(await findAgain((await loadPicture('a')) as Picture, 'heavy')).toBe(true);
    expect(await loadBody('a')).toMatchObject({ by: 'model', score: 0.7 });
    // Points placed by hand come back with one undo.
    expect((await undoLast())?.words).toBe('Body found again');
    expect(await loadBody('a')).toMatchObject({ by: 'hand', score: 1 });
  });
  it('keeps the others when one person is framed, and does not take the framed one for another', async () => {
    const moved = { ...body, points: body.points.map((p) => ({ ...p, x: p.x + 0.6 })) };
    found = { body, others: [moved] };
    await add(pictureOf('a'));
    await readPictures(signal);
    expect((await loadPicture('a'))?.found.subject).toBe('people/two or more');
    found = { body: moved, others: [] };
    const box = { left: 0.5, top: 0, width: 0.5, height: 1 };
    expect(await findAgain((await loadPicture('a')) as Picture, 'full', box)).toBe(true);
    const kept = await loadBody('a');
    expect(kept?.points).toEqual(moved.points);
    expect(kept?.others?.map((o) => o.points)).toEqual([body.points]);
    expect((await loadPicture('a'))?.found.subject).toBe('people/two or more');
  });
  it('settles pictures without a person as read', async () => {
    found = { body: undefined, others: [] };
    await add(pictureOf('a', { found: { tone: 'bright', view: 'front' } }));
    await readPictures(signal);
    expect(await loadPicture('a')).toMatchObject({ found: { tone: 'bright' }, readBy: READ_BY });
    expect(await findAgain((await loadPicture('a')) as Picture, 'full')).toBe(false);
  });
});

describe('folders on disk', () => {
  const fileEntry = (text: string, lastModified = 1) => ({
    kind: 'file',
    getFile: () => Promise.resolve(new File([text], 'x', { lastModified })),
  });
  const directory = (entries: Record<string, unknown>): FileSystemDirectoryHandle =>
    ({
      kind: 'directory',
      name: 'Sketches',
      async *[Symbol.asyncIterator]() {
        for (const entry of Object.entries(entries)) yield await Promise.resolve(entry);
      },
      getDirectoryHandle: (name: string) => Promise.resolve(entries[name]),
      getFileHandle: (name: string) =>
        name in entries ? Promise.resolve(entries[name]) : Promise.reject(new DOMException('none', 'NotFoundError')),
      queryPermission: () => Promise.resolve('granted'),
    }) as never;
  const at = (path: string, bytes: number, gone = false) => ({ folderId: 'f', path, bytes, modifiedMs: 1, gone });
  const folder = { id: 'f', name: 'Sketches', setId: 's' };

  it('tell new, changed, missing and returned files', async () => {
    const handle = directory({
      'a.png': fileEntry('aa'),
      '.hidden': fileEntry('h'),
      in: directory({ 'b.png': fileEntry('bbb', 9) }),
    });
    const pictures = [
      pictureOf('a', { inFolder: at('a.png', 2, true) }),
      pictureOf('b', { inFolder: at('in/b.png', 3) }),
      pictureOf('c', { inFolder: at('c.png', 1) }),
    ];
    const scan = await scanFolder({ ...folder, handle }, pictures);
    expect(scan).toMatchObject({ gone: ['c'], back: ['a'], replaced: ['b'] });
    expect(scan.fresh.map((f) => f.path)).toEqual(['in/b.png']);
    expect(await mayRead({ ...folder, handle }, false)).toBe(true);
  });
  it('give pictures their file, or nothing when it is away', async () => {
    const handle = directory({ 'a.png': fileEntry('aa') });
    vi.spyOn(await db(), 'get').mockResolvedValue({ ...folder, handle });
    expect(await (await folderImage(pictureOf('a', { inFolder: at('a.png', 2) })))?.text()).toBe('aa');
    expect(await folderImage(pictureOf('b', { inFolder: at('b.png', 2) }))).toBeUndefined();
    vi.restoreAllMocks();
    expect(await folderImage(pictureOf('c'))).toBeUndefined();
  });
  it('remember which pictures are away', async () => {
    await add(pictureOf('a', { inFolder: at('a.png', 2) }));
    await markGone(['a'], true);
    expect((await loadPicture('a'))?.inFolder?.gone).toBe(true);
    await keepFolder({ ...folder, handle: { name: 'Sketches' } as never });
  });
});

describe('close-ups', () => {
  it('carry their parent’s rights and leave it as it is', async () => {
    const rights = { license: 'practice-only' as const, credit: 'Wren', permission: '', source: 'attic' };
    await add(pictureOf('a', { rights, setIds: ['s'], tags: ['hats'] }));
    const before = await loadPicture('a');
    const id = await cropPicture(before as Picture, { left: 0.2, top: 0.2, width: 0.5, height: 0.5 });
    expect(await loadPicture(id)).toMatchObject({
      rights,
      tags: ['hats'],
      setIds: ['s'],
      partOf: { pictureId: 'a' },
      corrected: { extent: 'part' },
    });
    expect(await loadPicture('a')).toEqual(before);
    expect(await (await loadImage('picture/a'))?.text()).toBe('image');
  });
});

describe('the store of the first version', () => {
  it('is brought up to date, with every picture in its set', async () => {
    const old = await openDB('fox-minute', 1, {
      upgrade(database) {
        database.createObjectStore('sessions', { keyPath: 'id' }).createIndex('byStart', 'startedAtMs');
        database.createObjectStore('pages', { keyPath: 'id' }).createIndex('bySession', 'sessionId');
        database.createObjectStore('sets', { keyPath: 'id' });
        database.createObjectStore('pictures', { keyPath: 'id' }).createIndex('bySet', 'setId');
        for (const name of ['images', 'renders', 'settings']) database.createObjectStore(name);
      },
    });
    const { name, type, widthPx, heightPx, hash, addedAtMs, binnedAtMs } = pictureOf('a');
    for (const id of ['a', 'b'])
      await old.put('pictures', { id, setId: 'hands', name, type, widthPx, heightPx, hash, addedAtMs, binnedAtMs });
    old.close();
    await saveSet({ id: 'hands', name: 'Hands', createdAtMs: 1, binnedAtMs: null, order: ['b', 'a'] });
    expect((await listPictures('hands')).map((p) => p.id)).toEqual(['b', 'a']);
    expect(inSetOrder(await listPictures('library')).map((p) => p.setIds)).toEqual([['hands'], ['hands']]);
  });
});
