import { IDBFactory } from 'fake-indexeddb';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { figureReferenceId, SHIPPED_FIGURES } from '@/core/figure/reference';
import type { Picture } from '@/core/references/picture';
import { BUILT_IN_SET_ID } from '@/core/references/picture';
import { closeDb } from '@/storage/db';
import { addPicture } from '@/storage/pictures';
import {
  knownFacts,
  loadReferenceImage,
  referenceFacts,
  referenceName,
  referencesOf,
  shippedPicture,
  smallPictureUrl,
} from '@/storage/references';

const picture: Picture = {
  id: 'a',
  setId: 's',
  name: 'Market.jpg',
  type: 'image/jpeg',
  widthPx: 3,
  heightPx: 4,
  hash: '0'.repeat(64),
  addedAtMs: 1,
  binnedAtMs: null,
};
const shipped = figureReferenceId(SHIPPED_FIGURES[0]);
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
    expect(await (await loadReferenceImage(shipped, never))?.text()).toMatch(/^file \/figures\/stilt-walker-at-rest/);
  });
  it('renders one that is not there to be fetched, as offline', async () => {
    vi.stubGlobal('fetch', () => Promise.resolve(new Response('', { status: 404 })));
    const render = vi.fn(() => Promise.resolve(new Blob(['rendered'])));
    expect(await (await loadReferenceImage(shipped, render))?.text()).toBe('rendered');
  });
  it('renders a view nobody has seen once, and keeps it', async () => {
    const render = vi.fn((id: string) => Promise.resolve(new Blob([id])));
    for (let i = 0; i < 3; i++) expect(await (await loadReferenceImage(unseen, render))?.text()).toBe(unseen);
    expect(render).toHaveBeenCalledTimes(1);
  });
  it('takes a picture from its set, and knows when it is gone', async () => {
    await addPicture(picture, new Blob(['photo']), new Blob(['small']));
    expect(await (await loadReferenceImage('picture/a', never))?.text()).toBe('photo');
    expect(await loadReferenceImage('picture/b', never)).toBeUndefined();
  });
});

describe('facts and names', () => {
  it('are worked out for figures and asked for pictures', async () => {
    await addPicture(picture, new Blob(['photo']), new Blob(['small']));
    expect(referenceFacts(shipped)).toMatchObject({ id: shipped, name: 'Stilt-walker at rest', viewName: 'front' });
    expect(knownFacts(shipped)).toBe(knownFacts(shipped));
    expect(knownFacts('picture/a')).toBeUndefined();
    expect(await Promise.all([referenceName(shipped), referenceName('picture/a'), referenceName('picture/b')])).toEqual(
      ['Stilt-walker at rest', 'Market.jpg', 'A picture no longer here'],
    );
  });
  it('make a set of the shipped figures, and of the pictures of a set', async () => {
    await addPicture(picture, new Blob(['photo']), new Blob(['small']));
    const figures = await referencesOf(BUILT_IN_SET_ID);
    expect(figures.length).toBe(SHIPPED_FIGURES.length);
    expect(figures.every((f) => smallPictureUrl(shippedPicture(f.id)!).startsWith('/figures/small/'))).toBe(true);
    expect(await referencesOf('s')).toEqual([{ id: 'picture/a' }]);
  });
  it('give as many figures that face left as right, within a few', async () => {
    const figures = await referencesOf(BUILT_IN_SET_ID);
    const count = (facing: string): number => figures.filter((f) => f.facing === facing).length;
    expect(Math.abs(count('left') - count('right'))).toBeLessThanOrEqual(6);
  });
});
