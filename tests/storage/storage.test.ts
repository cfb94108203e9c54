import { IDBFactory } from 'fake-indexeddb';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { countRecords, type Records } from '@/core/interchange/records';
import type { Page, Session } from '@/core/journal/session';
import type { Picture } from '@/core/references/picture';
import { emptyOldBin } from '@/storage/bin';
import { onChange } from '@/storage/changes';
import { closeDb } from '@/storage/db';
import { putRecords, readRecords, surveyMerge, wipeEverything } from '@/storage/everything';
import { imageKey, loadImage } from '@/storage/images';
import { addPage, allPages, binPage, changePage, listPages } from '@/storage/sessions/pages';
import {
  addPicture,
  binPictures,
  binSet,
  changePictures,
  listPictures,
  listSets,
  saveSet,
} from '@/storage/pictures/pictures';
import { isQuotaError, storageProblem } from '@/storage/problems';
import { loadRender, saveRender, toEvict } from '@/storage/references/renders';
import { addDemoLearner, countDemoSessions, removeDemoLearner, seedOnFirstVisit } from '@/storage/seed';
import {
  appendEvents,
  finishSession,
  heartbeat,
  listSessions,
  loadSession,
  runningSession,
  saveNote,
  saveSession,
} from '@/storage/sessions/sessions';
import { loadSetting, saveSetting } from '@/storage/settings';
import { claimStart, startSession, stopAndKeep } from '@/storage/sessions/startSession';
import type { Block } from '@/core/practice/plan/schema';
import { planOf, poses } from '../core/plans';
import { pictureOf } from '../pictures';

const DAY = 86_400_000;
const session = (id: string, startedAtMs = 1000): Session => ({
  id,
  plan: planOf(poses(2)),
  log: [{ type: 'start', atMs: 0 }],
  startedAtMs,
  lastSeenMs: 0,
  status: 'running',
  note: '',
});
const picture = (id: string, setId = 'set'): Picture => pictureOf(id, { setIds: [setId], addedAtMs: id.length });
const blob = (text: string): Blob => new Blob([text], { type: 'image/png' });
const set = (id: string, binnedAtMs: number | null = null) => ({ id, name: `Set ${id}`, createdAtMs: 1, binnedAtMs });

beforeEach(async () => {
  await closeDb();
  globalThis.indexedDB = new IDBFactory();
});

describe('sessions', () => {
  it('are listed newest first', async () => {
    for (const [id, at] of [
      ['a', 1],
      ['b', 3],
      ['c', 2],
    ] as const)
      await saveSession(session(id, at));
    expect((await listSessions()).map((s) => s.id)).toEqual(['b', 'c', 'a']);
  });
  it('take events in order, with their last sign of life', async () => {
    await saveSession(session('a'));
    await appendEvents('a', [{ type: 'peek', atMs: 5000 }], 'running');
    await appendEvents(
      'a',
      [
        { type: 'peek', atMs: 7000 },
        { type: 'stop', atMs: 9000 },
      ],
      'kept',
    );
    expect(await loadSession('a')).toMatchObject({
      status: 'kept',
      lastSeenMs: 9000,
      log: [{ type: 'start' }, { atMs: 5000 }, { atMs: 7000 }, { type: 'stop' }],
    });
  });
  it('refuse events for a session that is gone', async () => {
    await expect(appendEvents('nobody', [{ type: 'peek', atMs: 1 }], 'running')).rejects.toThrow('no longer kept');
  });
  it('never go back in time by a heartbeat, nor wake up after the end', async () => {
    await saveSession(session('a'));
    await heartbeat('a', 5000);
    await heartbeat('a', 3000);
    expect((await loadSession('a'))?.lastSeenMs).toBe(5000);
    await finishSession('a', 70_000);
    await heartbeat('a', 99_000);
    expect(await loadSession('a')).toMatchObject({ status: 'kept', lastSeenMs: 70_000 });
  });
  it('refuse what is not a session', async () => {
    await expect(saveSession({ ...session('a'), startedAtMs: -1 })).rejects.toThrow();
    expect(await listSessions()).toEqual([]);
  });
  it('keep a note', async () => {
    await saveSession(session('a'));
    await saveNote('a', 'Weight in the left leg.');
    expect((await loadSession('a'))?.note).toBe('Weight in the left leg.');
  });
  it('keep one that was cut off when the next begins', async () => {
    const first = await startSession(planOf(poses(1)));
    await heartbeat(first.id, 12_000);
    const second = await startSession(planOf(poses(1)));
    expect(await loadSession(first.id)).toMatchObject({ status: 'kept', lastSeenMs: 12_000 });
    expect((await runningSession())?.id).toBe(second.id);
    expect([claimStart('other'), claimStart(second.id)]).toEqual([false, false]);
    await stopAndKeep(second);
    expect(await runningSession()).toBeUndefined();
  });
  it('note what is copied as for practice only, where nothing was said of it', async () => {
    for (const id of ['a', 'b', 'c']) await addPicture(picture(id), blob('i'), blob('s'));
    await changePictures(['b'], ({ rights }) => ({ rights: { ...rights, license: 'free' } }));
    const posed = (exercise: string, ...ids: string[]): Block => {
      const block = poses(ids.length, 60_000, { exercise });
      if (block.kind !== 'poses') throw new Error('no poses');
      return { ...block, poses: block.poses.map((p, i) => ({ ...p, referenceId: `picture/${ids[i]}` })) };
    };
    await startSession(planOf(posed('copy-a-drawing', 'a', 'b'), posed('contour', 'c')));
    const licenses = (await listPictures('library')).map((p) => p.rights.license);
    expect(licenses).toEqual(['practice-only', 'free', null]);
  });
  it('are claimed once by the document that began them', async () => {
    const { id } = await startSession(planOf(poses(1)));
    expect([claimStart(id), claimStart(id)]).toEqual([true, false]);
  });
});

describe('pictures', () => {
  it('are kept with image and thumbnail, and leave by way of the bin', async () => {
    await saveSet(set('set'));
    await addPicture(picture('a'), blob('image'), blob('small'));
    expect(await (await loadImage(imageKey('picture', 'a')))?.text()).toBe('image');
    await binPictures(['a'], 5);
    expect(await listPictures('set')).toEqual([]);
    await binPictures(['a'], null);
    expect((await listPictures('set')).map((p) => p.id)).toEqual(['a']);
  });
  it('stay out altogether when they are not valid', async () => {
    await expect(addPicture({ ...picture('a'), hash: 'x' }, blob('i'), blob('t'))).rejects.toThrow();
    expect(await loadImage(imageKey('picture', 'a'))).toBeUndefined();
  });
  it('are deleted for good only after thirty days in the bin', async () => {
    const now = 100 * DAY;
    await saveSet(set('set'));
    await saveSet(set('old', now - 31 * DAY));
    await saveSet(set('fresh', now - 29 * DAY));
    for (const [id, setId] of [
      ['a', 'set'],
      ['b', 'old'],
      ['c', 'fresh'],
      ['d', 'set'],
    ] as const)
      await addPicture(picture(id, setId), blob(id), blob(id));
    await binPictures(['d'], now - 40 * DAY);
    expect(await emptyOldBin(now)).toBe(2);
    const { records, imageKeys } = await readRecords();
    expect(records.pictures.map((p) => p.id)).toEqual(['a', 'b', 'c']);
    expect(records.sets.map((s) => s.id)).toEqual(['fresh', 'set']);
    expect(imageKeys).toEqual(
      ['a', 'b', 'c'].flatMap((id) => [`picture/${id}`]).concat(['a', 'b', 'c'].map((id) => `thumbnail/${id}`)),
    );
  });
  it('come in sets that can be put away and back', async () => {
    await saveSet(set('x'));
    await binSet('x', 3);
    expect(await listSets()).toEqual([]);
    await binSet('x', null);
    expect((await listSets()).length).toBe(1);
  });
});

describe('pages', () => {
  const page: Page = { id: 'p', sessionId: 'a', widthPx: 10, heightPx: 20, addedAtMs: 1, binnedAtMs: null };
  it('belong to their session', async () => {
    await addPage(page, blob('page'), blob('small'));
    await addPage({ ...page, id: 'q', sessionId: 'b' }, blob('page'), blob('small'));
    expect((await listPages('a')).map((p) => p.id)).toEqual(['p']);
    await binPage('p', 9);
    expect(await listPages('a')).toEqual([]);
  });
  it('keep what is marked on them, and where a reference was laid', async () => {
    await addPage(page, blob('page'), blob('small'));
    const laid = { referenceId: 'figure/a', x: 0.1, y: -0.2, width: 0.7 };
    await changePage('p', () => ({ laid }));
    await changePage('p', (before) => ({ fixes: [...(before.fixes ?? []), { x: 0.5, y: 0.25, part: 'hand' }] }));
    expect(await allPages()).toEqual([{ ...page, laid, fixes: [{ x: 0.5, y: 0.25, part: 'hand' }] }]);
    await changePage('gone', () => ({ fixes: [] }));
    await binPage('p', 9);
    expect(await allPages()).toEqual([]);
  });
  it('refuse a mark beside the page, a fourth mark, and an image blown up without bounds', async () => {
    await addPage(page, blob('page'), blob('small'));
    const mark = (x: number) => ({ x, y: 0.5, part: 'head' });
    await expect(changePage('p', () => ({ fixes: [mark(1.2)] }))).rejects.toThrow();
    await expect(changePage('p', () => ({ fixes: [0.1, 0.2, 0.3, 0.4].map(mark) }))).rejects.toThrow();
    await expect(changePage('p', () => ({ laid: { referenceId: 'r', x: 0, y: 0, width: 99 } }))).rejects.toThrow();
    expect(await allPages()).toEqual([page]);
  });
});

describe('everything', () => {
  const fill = async (): Promise<void> => {
    await addDemoLearner(200 * DAY);
    await saveSet(set('set'));
    await addPicture(picture('a'), blob('image'), blob('small'));
    await addPage(
      { id: 'p', sessionId: 'demo-1', widthPx: 1, heightPx: 2, addedAtMs: 3, binnedAtMs: null },
      blob('page'),
      blob('tiny'),
    );
    await saveSetting('minutes', 35);
  };
  const takeOut = async (): Promise<{ records: Records; images: { key: string; image: Blob }[] }> => {
    const { records, imageKeys } = await readRecords();
    const images = await Promise.all(imageKeys.map(async (key) => ({ key, image: (await loadImage(key))! })));
    return { records, images };
  };
  it('goes out, is wiped, and comes back the same', async () => {
    await fill();
    const out = await takeOut();
    await wipeEverything();
    expect((await readRecords()).records).toEqual({
      sessions: [],
      pages: [],
      bodies: [],
      plans: [],
      viewings: [],
      drawings: [],
      courses: [],
      strokes: [],
      groups: [],
      sets: [],
      pictures: [],
      settings: { seeded: true },
    });
    await putRecords(out.records, out.images);
    const again = await takeOut();
    expect(again.records).toEqual(out.records);
    const texts = (list: { image: Blob }[]) => Promise.all(list.map(({ image }) => image.text()));
    expect(await texts(again.images)).toEqual(await texts(out.images));
  });
  it('leaves what is here as it is', async () => {
    await fill();
    const out = await takeOut();
    await saveNote('demo-1', 'Newer than the archive.');
    const result = await putRecords(out.records, out.images);
    expect(result).toEqual({ added: 0, kept: countRecords(out.records), replaced: 0 });
    expect(await surveyMerge(out.records)).toMatchObject({ added: 0, different: { sessions: 1 } });
    expect((await loadSession('demo-1'))?.note).toBe('Newer than the archive.');
    await putRecords(out.records, out.images, { prefer: 'archive' });
    expect((await loadSession('demo-1'))?.note).not.toBe('Newer than the archive.');
  });
  it('adds a picture that is here under another id only once', async () => {
    await addPicture(pictureOf('ours', { hash: 'c'.repeat(64), setIds: [] }), new Blob(['i']), new Blob(['s']));
    const { records } = await readRecords();
    const theirs = pictureOf('theirs', { hash: 'c'.repeat(64), setIds: ['new'] });
    const images = [{ key: 'picture/theirs', image: new Blob(['i']) }];
    await putRecords({ ...records, pictures: [theirs], sets: [set('new')] }, images);
    expect((await listPictures('library')).map((p) => [p.id, p.setIds])).toEqual([['ours', ['new']]]);
    expect((await takeOut()).images.map(({ key }) => key)).not.toContain('picture/theirs');
  });
  it('is put back whole or not at all', async () => {
    await saveSession(session('mine'));
    const { records } = await readRecords();
    const images = [{ key: 'picture/x', image: (() => undefined) as unknown as Blob }]; // cannot be stored
    await expect(putRecords({ ...records, sets: [set('new')] }, images)).rejects.toThrow();
    expect(await listSets()).toEqual([]);
    expect((await listSessions()).map((s) => s.id)).toEqual(['mine']);
  });
  it('tells how far it is, and canceled on the way leaves nothing', async () => {
    const { records } = await readRecords();
    const images = ['a', 'b', 'c'].map((id) => ({ key: `picture/${id}`, image: new Blob([id]) }));
    const canceling = new AbortController();
    const told: string[] = [];
    const putting = putRecords({ ...records, sets: [set('new')] }, images, {
      signal: canceling.signal,
      onImage: (done, total) => {
        told.push(`${String(done)} of ${String(total)}`);
        if (done === 2) canceling.abort();
      },
    });
    await expect(putting).rejects.toThrow(/abort/i);
    expect(told).toEqual(['1 of 3', '2 of 3']);
    expect(await listSets()).toEqual([]);
    expect((await takeOut()).images).toEqual([]);
    expect(await putRecords({ ...records, sets: [set('new')] }, images)).toMatchObject({ added: 1 });
    expect((await takeOut()).images).toHaveLength(3);
  });
});

describe('the demo learner', () => {
  it('comes and goes without touching what is the learner’s own', async () => {
    await saveSession(session('mine'));
    await addDemoLearner(200 * DAY);
    await addPage(
      { id: 'p', sessionId: 'demo-3', widthPx: 1, heightPx: 2, addedAtMs: 3, binnedAtMs: null },
      blob('page'),
      blob('tiny'),
    );
    await addPage(
      { id: 'q', sessionId: 'mine', widthPx: 1, heightPx: 2, addedAtMs: 3, binnedAtMs: null },
      blob('page'),
      blob('tiny'),
    );
    expect(await countDemoSessions()).toBe(40);
    await removeDemoLearner();
    expect(await countDemoSessions()).toBe(0);
    const { records, imageKeys } = await readRecords();
    expect(records.sessions.map((s) => s.id)).toEqual(['mine']);
    expect(imageKeys).toEqual(['page/q', 'thumbnail/q']);
  });
  it('comes by itself only on the very first visit', async () => {
    await seedOnFirstVisit(200 * DAY);
    await removeDemoLearner();
    await seedOnFirstVisit(200 * DAY);
    expect(await countDemoSessions()).toBe(0);
  });
});

describe('small things', () => {
  it('remember settings', async () => {
    expect(await loadSetting('minutes')).toBeUndefined();
    await saveSetting('minutes', 7);
    expect(await loadSetting('minutes')).toBe(7);
  });
  it('keep renders and tell which must go when they grow too large', async () => {
    for (let i = 0; i < 5; i++) await saveRender(`figure/${i}`, blob(String(i)), i);
    expect(await (await loadRender('figure/4', 999))?.text()).toBe('4');
    expect(await loadRender('figure/5', 999)).toBeUndefined();
    const kept = [5, 3, 9, 1].map((usedAtMs, i) => ({ key: `k${i}`, bytes: 10, usedAtMs }));
    expect(toEvict(kept, 40)).toEqual([]);
    expect(toEvict(kept, 25)).toEqual(['k3', 'k1']);
    expect(toEvict(kept, 0)).toEqual(['k3', 'k1', 'k0', 'k2']);
  });
  it('forget pictures of figures that another build made, and only those', async () => {
    await saveRender('figure/1', blob('old'), 1);
    const onANewPage = () => {
      vi.resetModules();
      return import('@/storage/references/renders');
    };
    const later = await onANewPage();
    await later.forgetOlderRenders('a body with another nose');
    expect(await later.loadRender('figure/1', 2)).toBeUndefined();
    await later.saveRender('figure/1', blob('new'), 3);
    const same = await onANewPage();
    await same.forgetOlderRenders('a body with another nose');
    expect(await (await same.loadRender('figure/1', 4))?.text()).toBe('new');
  });
  it('tell who listens', async () => {
    const heard = vi.fn();
    const stop = onChange(heard);
    await saveSet(set('x'));
    stop();
    await saveSet(set('y'));
    expect(heard.mock.calls).toEqual([['sets', undefined]]);
  });
  it('say when there is no room, and that what is kept is safe', () => {
    const full = new DOMException('full', 'QuotaExceededError');
    expect(isQuotaError(full)).toBe(true);
    expect(isQuotaError(new Error('wrapped', { cause: full }))).toBe(true);
    expect(isQuotaError(new Error('other'))).toBe(false);
    for (const error of [full, new Error('other')])
      expect(storageProblem(error)).toContain('Everything kept so far is safe');
    expect(storageProblem(full)).toContain('no room');
  });
});
