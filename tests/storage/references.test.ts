import { IDBFactory } from 'fake-indexeddb';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { STUDIO } from '@/core/figure/picture/appearance';
import { CATALOGUE, type CatalogueEntry } from '@/core/figure/catalogue/catalogue';
import { isPartFamily } from '@/core/figure/catalogue/families';
import { BUILT_IN_SET_ID } from '@/core/references/picture';
import { closeDb } from '@/storage/db';
import { EVERYTHING } from '@/core/references/query';
import { addPicture, saveSet } from '@/storage/pictures/pictures';
import { figureReferenceFacts } from '@/core/references/referenceFacts';
import { factsOf, referencesOf } from '@/storage/references/choices';
import { loadReferenceImage, referenceName, smallPictureUrl, veilsOf } from '@/storage/references/references';
import { pictureOf } from '../pictures';

const picture = pictureOf('a', { setIds: ['s'], name: 'Market.jpg' });
const full = CATALOGUE.find((entry) => entry.full) as CatalogueEntry;
const shipped = full.id;
const covered = { ...STUDIO, covered: true };
const unseen = 'figure/archer-turning/stocky/155/5/26';
const never = (): Promise<Blob> => Promise.reject(new Error('must not render'));

beforeEach(async () => {
  await closeDb();
  globalThis.indexedDB = new IDBFactory();
});
afterEach(() => vi.unstubAllGlobals());

describe('loadReferenceImage', () => {
  it('takes a shipped figure from the app', async () => {
    const fetched = vi.fn((url: string) => Promise.resolve(new Response(`file ${url}`)));
    vi.stubGlobal('fetch', fetched);
    expect(await (await loadReferenceImage(shipped, STUDIO, never))?.text()).toBe(`file /figures/${full.file}.webp`);
  });
  it('renders one that is not there to be fetched, as offline', async () => {
    vi.stubGlobal('fetch', () => Promise.resolve(new Response('', { status: 404 })));
    const render = vi.fn(() => Promise.resolve(new Blob(['rendered'])));
    expect(await (await loadReferenceImage(shipped, STUDIO, render))?.text()).toBe('rendered');
  });
  it('renders a view nobody has seen once, and keeps it', async () => {
    const render = vi.fn((id: string) => Promise.resolve(new Blob([id])));
    for (let i = 0; i < 3; i++) expect(await (await loadReferenceImage(unseen, STUDIO, render))?.text()).toBe(unseen);
    expect(render).toHaveBeenCalledTimes(1);
  });
  it('never shows a bare figure where covered ones are wanted', async () => {
    vi.stubGlobal('fetch', () => Promise.reject(new Error('must not fetch the bare picture')));
    const render = vi.fn(() => Promise.resolve(new Blob(['covered'])));
    await loadReferenceImage(unseen, STUDIO, () => Promise.resolve(new Blob(['bare'])));
    for (const id of [shipped, unseen])
      expect(await (await loadReferenceImage(id, covered, render))?.text()).toBe('covered');
  });
  it('takes a picture from its set, and knows when it is gone', async () => {
    await addPicture(picture, new Blob(['photo']), new Blob(['small']));
    expect(await (await loadReferenceImage('picture/a', STUDIO, never))?.text()).toBe('photo');
    expect(await loadReferenceImage('picture/b', STUDIO, never)).toBeUndefined();
  });
});

describe('sets by rule, mirror images and veils', () => {
  it('find what a rule asks for, and give facts of mirror images as they are seen', async () => {
    await addPicture(
      pictureOf('b', { found: { facing: 'left', subject: 'people/one figure' } }),
      new Blob(),
      new Blob(),
    );
    await addPicture(
      pictureOf('c', { leftOut: [{ box: { left: 0, top: 0, width: 0.5, height: 0.5 }, words: 'a hand' }] }),
      new Blob(),
      new Blob(),
    );
    await saveSet({
      id: 'rule',
      name: 'Left',
      createdAtMs: 1,
      binnedAtMs: null,
      rule: { ...EVERYTHING, wanted: { facing: ['left'] } },
    });
    expect((await referencesOf('rule')).map((r) => r.id)).toEqual(['picture/b']);
    expect((await referencesOf('library')).map((r) => r.id)).toEqual(['picture/b', 'picture/c']);
    const [plain, mirrored, gone] = await factsOf(['picture/b', 'picture/b~m', 'picture/none']);
    expect([plain.facing, mirrored.facing, gone.facing]).toEqual(['left', 'right', undefined]);
    expect(await veilsOf('picture/c')).toHaveLength(1);
    expect(await veilsOf(shipped)).toEqual([]);
  });
});

describe('facts and names', () => {
  it('are worked out for figures and asked for pictures', async () => {
    await addPicture(picture, new Blob(['photo']), new Blob(['small']));
    expect(figureReferenceFacts(shipped)).toMatchObject({ id: shipped, pose: full.poseId, viewName: full.viewName });
    expect(await Promise.all([referenceName(shipped), referenceName('picture/a'), referenceName('picture/b')])).toEqual(
      [full.name, 'Market.jpg', 'A picture no longer here'],
    );
  });
  it('make a set of the shipped figures, and of the pictures of a set', async () => {
    await addPicture(picture, new Blob(['photo']), new Blob(['small']));
    const figures = await referencesOf(BUILT_IN_SET_ID);
    expect(figures.length).toBe(CATALOGUE.filter(({ family }) => !isPartFamily(family)).length);
    const heads = await referencesOf(`${BUILT_IN_SET_ID}/heads`);
    expect(heads.length).toBeGreaterThan(60);
    expect(heads.every(({ extent }) => extent === 'part')).toBe(true);
    expect(smallPictureUrl(full, false)).toBe(`/figures/small/${full.file}.webp`);
    expect(smallPictureUrl(full, true)).toBe(`/figures/covered/${full.file}.webp`);
    const seated = await referencesOf(`${BUILT_IN_SET_ID}/seated`);
    expect(seated.length).toBe(CATALOGUE.filter((e) => e.family === 'seated').length);
    expect(await referencesOf('s')).toMatchObject([{ id: 'picture/a' }]);
  });
  it('give as many figures that face left as right, within a few', async () => {
    const figures = await referencesOf(BUILT_IN_SET_ID);
    const count = (facing: string): number => figures.filter((f) => f.facing === facing).length;
    expect(Math.abs(count('left') - count('right'))).toBeLessThanOrEqual(24);
  });
});
