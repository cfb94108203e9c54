import { IDBFactory } from 'fake-indexeddb';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { readFileSync } from 'node:fs';
import type * as KeptDrawings from '@/storage/sessions/keptDrawings';
import type * as DemoPages from '@/storage/demoPages';
import type * as Seed from '@/storage/seed';
import type * as Pages from '@/storage/sessions/pages';
import { soon } from '../soon';

let kept: typeof KeptDrawings;
let demo: typeof DemoPages;
let seed: typeof Seed;
let pages: typeof Pages;
beforeEach(async () => {
  vi.resetModules();
  globalThis.indexedDB = new IDBFactory();
  [kept, demo, seed, pages] = await Promise.all([
    import('@/storage/sessions/keptDrawings'),
    import('@/storage/demoPages'),
    import('@/storage/seed'),
    import('@/storage/sessions/pages'),
  ]);
});
afterEach(() => vi.unstubAllGlobals());

describe('what is said of drawings', () => {
  it('is kept by session and drawing, and gone when nothing is said any more', async () => {
    await kept.changeKeptDrawing('s1', '0:1', (before) => ({ ...before, finished: true }));
    await kept.changeKeptDrawing('s1', '0:1', (before) => ({ ...before, surprised: true }));
    await kept.changeKeptDrawing('s2', '0:1', (before) => ({ ...before, surprised: true }));
    expect(await kept.keptDrawingsOf('s1')).toEqual([
      { id: 's1/0:1', sessionId: 's1', drawing: '0:1', finished: true, surprised: true },
    ]);
    expect(await kept.allKeptDrawings()).toHaveLength(2);
    await kept.changeKeptDrawing('s1', '0:1', ({ id, sessionId, drawing }) => ({ id, sessionId, drawing }));
    expect(await kept.keptDrawingsOf('s1')).toEqual([]);
  });
  it('tells nobody where the same is said', async () => {
    await kept.changeKeptDrawing('s1', '0:1', (before) => ({ ...before, finished: true }));
    const told = vi.fn();
    const { onChange } = await import('@/storage/changes');
    const stop = onChange(told);
    await kept.changeKeptDrawing('s1', '0:1', (before) => before);
    expect(told).not.toHaveBeenCalled();
    await kept.changeKeptDrawing('s1', '0:1', (before) => ({ ...before, finished: false }));
    expect(told.mock.calls).toEqual([['drawings', undefined]]);
    stop();
  });
  it('drawings of a page are thrown away together; what was said before stays', async () => {
    await kept.changeKeptDrawing('s1', 'a', (before) => ({ ...before, finished: true }));
    await kept.throwAway('s1', ['a', 'b']);
    const all = await kept.keptDrawingsOf('s1');
    expect(all.map(({ drawing, thrownAway, finished }) => [drawing, thrownAway, finished])).toEqual([
      ['a', true, true],
      ['b', true, undefined],
    ]);
  });
  it('what must not be kept is not', async () => {
    await expect(
      kept.changeKeptDrawing('s1', 'a', (before) => ({ ...before, continued: [{ atMs: 0, spentMs: -5 }] })),
    ).rejects.toThrow();
    expect(await kept.allKeptDrawings()).toEqual([]);
  });
});

describe('the demo learner’s pages', () => {
  const served = (path: string): Response => {
    try {
      return new Response(readFileSync(`public${path}`), { headers: { 'content-type': 'image/jpeg' } });
    } catch {
      return new Response(null, { status: 404 });
    }
  };
  it('lie beside her sessions, once, and stay in the bin where they were put', async () => {
    const asked: string[] = [];
    vi.stubGlobal('fetch', (path: string) => {
      asked.push(path);
      return Promise.resolve(served(path));
    });
    await demo.addDemoPages();
    expect(asked).toEqual(['/demo/pages.json']);
    await seed.addDemoLearner(Date.UTC(2026, 3, 3));
    await demo.addDemoPages();
    const all = await pages.allPages();
    expect(all.map(({ id }) => id)).toEqual([
      'demo-page-1',
      'demo-page-2',
      'demo-page-3',
      'demo-page-4',
      'demo-page-5',
      'demo-page-6',
    ]);
    expect(all.filter(({ sheet }) => sheet === undefined)).toHaveLength(1);
    await pages.binPage('demo-page-2', 1);
    const before = asked.length;
    await demo.addDemoPages();
    expect(asked).toHaveLength(before + 1);
    expect(await pages.allPages()).toHaveLength(5);
  });
  it('go with her, with what was said of her drawings, and come back with her', async () => {
    vi.stubGlobal('fetch', (path: string) => Promise.resolve(served(path)));
    await seed.addDemoLearner(Date.UTC(2026, 3, 3));
    await demo.addDemoPages();
    await kept.changeKeptDrawing('demo-1', '0:1', (before) => ({ ...before, finished: true }));
    await kept.changeKeptDrawing('mine', '0:1', (before) => ({ ...before, finished: true }));
    await seed.removeDemoLearner();
    expect(await pages.allPages()).toEqual([]);
    expect((await kept.allKeptDrawings()).map(({ sessionId }) => sessionId)).toEqual(['mine']);
    await seed.addDemoLearner(Date.UTC(2026, 3, 3));
    demo.demoPagesOnce();
    await soon(async () => expect(await pages.allPages()).toHaveLength(6));
  });
  it('are simply not there without the network', async () => {
    vi.stubGlobal('fetch', () => Promise.resolve(new Response(null, { status: 503 })));
    await seed.addDemoLearner(Date.UTC(2026, 3, 3));
    await expect(demo.addDemoPages()).rejects.toThrow('503');
    demo.demoPagesOnce();
    expect(await pages.allPages()).toEqual([]);
  });
});
