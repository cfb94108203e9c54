import { IDBFactory } from 'fake-indexeddb';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { Sheet } from '@/core/desk/sheet';
import { NO_SESSION, type Page } from '@/core/journal/session';
import type * as FlatSheets from '@/storage/sessions/flatSheets';
import type * as Images from '@/storage/images';
import type * as Pages from '@/storage/sessions/pages';
import { WHOLE } from '../core/pages';

/** What the worker was asked, and whether it was stopped again. */
const asked = { shapes: [] as unknown[], running: 0, most: 0, fails: false };
vi.mock('@/workers/clients', () => ({
  startSheetWorker: () => {
    asked.running++;
    asked.most = Math.max(asked.most, asked.running);
    return {
      api: {
        flatten: async (_photo: Blob, shape: unknown) => {
          asked.shapes.push(shape);
          await new Promise((resolve) => setTimeout(resolve, 5));
          if (asked.fails) throw new Error('no memory');
          return { small: new Blob(['small']) };
        },
      },
      stop: () => asked.running--,
    };
  },
}));

let flat: typeof FlatSheets;
let images: typeof Images;
let pages: typeof Pages;
const SHAPE: Pick<Sheet, 'corners' | 'quarters' | 'aspect'> = {
  corners: WHOLE,
  quarters: 1,
  aspect: 0.7,
};
const page = (id: string, more: Partial<Page> = {}): Page => ({
  id,
  sessionId: NO_SESSION,
  widthPx: 10,
  heightPx: 10,
  addedAtMs: 1,
  binnedAtMs: null,
  ...more,
});
const load = (id: string, shape = SHAPE, gone = new AbortController().signal): Promise<Blob | undefined> =>
  flat.loadFlatSheet(flat.flatSheetKey(id, shape), gone);
beforeEach(async () => {
  vi.resetModules();
  globalThis.indexedDB = new IDBFactory();
  Object.assign(asked, { shapes: [], running: 0, most: 0, fails: false });
  [flat, images, pages] = await Promise.all([
    import('@/storage/sessions/flatSheets'),
    import('@/storage/images'),
    import('@/storage/sessions/pages'),
  ]);
});

describe('the small picture of a straightened sheet', () => {
  it('is made once, one sheet after another, and another where the corners are others', async () => {
    for (const id of ['a', 'b']) await pages.addPage(page(id), new Blob(['photo']), new Blob(['thumb']));
    const made = await Promise.all([load('a'), load('a'), load('b')]);
    expect(made.every((blob) => blob !== undefined)).toBe(true);
    expect([asked.shapes.length, asked.most, asked.running]).toEqual([2, 1, 0]);
    await load('a');
    expect(asked.shapes).toHaveLength(2);
    await load('a', { ...SHAPE, quarters: 2 });
    expect(asked.shapes[2]).toEqual({ ...SHAPE, quarters: 2 });
  });
  it('that was asked for last is made next, whatever waits', async () => {
    const ids = ['a', 'b', 'c', 'd'];
    for (const id of ids) await pages.addPage(page(id), new Blob(['photo']), new Blob(['thumb']));
    const order: string[] = [];
    await Promise.all(ids.map((id) => load(id).then(() => order.push(id))));
    expect([...order].sort()).toEqual(ids);
    // The first was under way when the others came.
    expect(order).toEqual(['a', 'd', 'c', 'b']);
  });
  it('is what the Desk made, where it lay there', async () => {
    await pages.addPage(page('a'), new Blob(['photo']), new Blob(['thumb']));
    await flat.keepFlatSheet(flat.flatSheetKey('a', SHAPE), new Blob(['by the desk']));
    expect(await load('a')).toBeDefined();
    expect(asked.shapes).toEqual([]);
  });
  it('is not there without its photograph, nor made for somebody who left', async () => {
    expect(await load('gone')).toBeUndefined();
    await pages.addPage(page('a'), new Blob(['photo']), new Blob(['thumb']));
    expect(await load('a', SHAPE, AbortSignal.abort())).toBeUndefined();
    expect(asked.shapes).toEqual([]);
  });
  it('that fails stops its worker, and the next one is made', async () => {
    await pages.addPage(page('a'), new Blob(['photo']), new Blob(['thumb']));
    asked.fails = true;
    await expect(load('a')).rejects.toThrow('no memory');
    expect(asked.running).toBe(0);
    asked.fails = false;
    expect(await load('a')).toBeDefined();
  });
});

describe('a page of no session', () => {
  it('is given to one with its boxes as they are, and none of them said to be a drawing of it', async () => {
    const box = { x: 0.1, y: 0.1, width: 0.2, height: 0.3 };
    const sheet: Sheet = {
      ...SHAPE,
      drawings: [
        { ...box, drawing: '0:0' },
        { ...box, drawing: null, notOne: 'note' },
      ],
    };
    await pages.addPage(page('a', { sheet }), new Blob(['photo']), new Blob(['thumb']));
    await pages.addPage(page('b'), new Blob(['photo']), new Blob(['thumb']));
    expect((await pages.listPages(NO_SESSION)).map(({ id }) => id)).toEqual(['a', 'b']);
    for (const id of ['a', 'b']) await pages.movePage(id, 's1');
    expect(await pages.listPages(NO_SESSION)).toEqual([]);
    const [a, b] = await pages.listPages('s1');
    expect(a.sheet?.drawings).toEqual([
      { ...box, drawing: null },
      { ...box, drawing: null, notOne: 'note' },
    ]);
    expect(b.sheet).toBeUndefined();
    expect(await images.loadImage(images.imageKey('page', 'a'))).toBeDefined();
  });
});
