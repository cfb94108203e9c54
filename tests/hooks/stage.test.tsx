// @vitest-environment jsdom
import { Blob as KeptBlob } from 'node:buffer';
import { act, cleanup, renderHook, waitFor } from '@testing-library/react';
import { IDBFactory } from 'fake-indexeddb';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { POINT_COUNT } from '@/core/body/points';
import { freshViewing, type Viewing } from '@/core/journal/viewing';
import { pictureReferenceId } from '@/core/references/picture';
import { useCloseUp } from '@/features/run/stage/useCloseUp';
import { useDrawnKey } from '@/storage/hooks/useDrawnKey';
import { type ReadyPicture, usePictures } from '@/features/run/stage/usePictures';
import { useViewing } from '@/features/run/stage/useViewing';
import { atomically, closeDb, put } from '@/storage/db';
import { addPicture } from '@/storage/pictures/pictures';
import { changeViewing, loadViewing } from '@/storage/sessions/viewings';
import recorded from '../fixtures/bodies.json';
import { pictureOf } from '../pictures';

/** A decoded picture that tells what it is of and whether it was closed. */
interface Decoded {
  of: string;
  width: number;
  mirrored: boolean;
  closed: boolean;
  close: () => void;
}
const workers = vi.hoisted(() => ({
  atSize: vi.fn(),
  draft: vi.fn(),
  render: vi.fn(),
  read: vi.fn(),
  stopped: vi.fn(),
}));
vi.mock('@/workers/clients', () => ({
  startPictureWorker: () => ({ api: { atSize: workers.atSize }, stop: workers.stopped }),
  startFigureWorker: () => ({
    api: { draft: workers.draft, render: workers.render, read: workers.read },
    stop: workers.stopped,
  }),
}));

beforeEach(async () => {
  vi.stubGlobal('Blob', KeptBlob);
  vi.stubGlobal('screen', { width: 1280, height: 800 });
  vi.stubGlobal('devicePixelRatio', 1);
  await closeDb();
  globalThis.indexedDB = new IDBFactory();
  Object.values(workers).forEach((mock) => mock.mockReset());
  workers.atSize.mockImplementation(async (image: Blob, width: number, _height: number, mirrored: boolean) => {
    const decoded: Decoded = { of: await image.text(), width, mirrored, closed: false, close: () => undefined };
    decoded.close = () => void (decoded.closed = true);
    return decoded;
  });
});
afterEach(() => {
  vi.useRealTimers();
  cleanup();
  vi.unstubAllGlobals();
});

async function keep(id: string): Promise<string> {
  await addPicture(pictureOf(id), new Blob([`whole ${id}`]), new Blob([`small ${id}`]));
  return pictureReferenceId(id);
}
const decodedIn = (picture: ReadyPicture | undefined): Decoded | undefined =>
  picture?.kind === 'ready' ? (picture.bitmap as unknown as Decoded) : undefined;
const FIGURE = 'figure/archer-hands-on-hips/heavy/11/10/26';

describe('the pictures of a run', () => {
  it('are decoded ahead at the size of the screen, the shown one and the three that come', async () => {
    const ids = await Promise.all(['a', 'b', 'c', 'd', 'e'].map(keep));
    const { result } = renderHook(() => usePictures(ids));
    await waitFor(() => expect(result.current.size).toBe(4));
    expect([...result.current.values()].map((p) => decodedIn(p)?.of).toSorted()).toEqual([
      'whole a',
      'whole b',
      'whole c',
      'whole d',
    ]);
    expect(decodedIn(result.current.get(ids[0]))?.width).toBe(1280);
    expect(result.current.has(ids[4])).toBe(false);
  });
  it('are let go when they are over, and what stays is not decoded again', async () => {
    const ids = await Promise.all(['a', 'b', 'c'].map(keep));
    const { result, rerender } = renderHook(({ wanted }) => usePictures(wanted), {
      initialProps: { wanted: ids.slice(0, 2) },
    });
    await waitFor(() => expect(result.current.size).toBe(2));
    const [first, second] = ids.map((id) => decodedIn(result.current.get(id)));
    rerender({ wanted: ids.slice(1) });
    await waitFor(() => expect(result.current.has(ids[2])).toBe(true));
    expect([first?.closed, second?.closed]).toEqual([true, false]);
    expect(decodedIn(result.current.get(ids[1]))).toBe(second);
    expect(workers.atSize).toHaveBeenCalledTimes(3);
  });
  it('that are not due wait until the change is painted; once they are due, no longer', async () => {
    const ids = await Promise.all(['a', 'b', 'c', 'd'].map(keep));
    // Only what waits by the clock stands still; what is read from the store comes.
    vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] });
    const turns = (count: number): Promise<void> =>
      act(async () => {
        for (let i = 0; i < count; i++) await new Promise((resolve) => setImmediate(resolve));
      });
    const until = async (holds: () => boolean): Promise<void> => {
      for (let i = 0; i < 500 && !holds(); i++) await turns(1);
      expect(holds()).toBe(true);
    };
    const { result, rerender, unmount } = renderHook(({ wanted }) => usePictures(wanted), {
      initialProps: { wanted: ids },
    });
    await until(() => result.current.size === 2);
    vi.advanceTimersByTime(149);
    await turns(50);
    expect(workers.atSize).toHaveBeenCalledTimes(2);
    // The third is wanted next, the fourth no more: that one is never begun.
    rerender({ wanted: ids.slice(1, 3) });
    await until(() => result.current.has(ids[2]));
    vi.advanceTimersByTime(1000);
    await turns(50);
    expect(workers.atSize).toHaveBeenCalledTimes(3);
    rerender({ wanted: ids });
    await until(() => result.current.has(ids[0]));
    unmount();
    vi.advanceTimersByTime(1000);
    await turns(50);
    expect(workers.atSize).toHaveBeenCalledTimes(4);
  });
  it('are missing where they cannot be had, and the others come all the same', async () => {
    const [a, gone] = [await keep('a'), pictureReferenceId('gone')];
    workers.draft.mockRejectedValue(new Error('no worker'));
    const { result } = renderHook(() => usePictures([gone, a, FIGURE]));
    await waitFor(() => expect(result.current.size).toBe(3));
    expect([result.current.get(gone), result.current.get(FIGURE)]).toEqual([{ kind: 'missing' }, { kind: 'missing' }]);
    expect(decodedIn(result.current.get(a))?.of).toBe('whole a');
  });
  it('of a view that is not there yet are shown rough at once, then finished', async () => {
    let finish: (picture: Blob) => void = () => undefined;
    workers.draft.mockResolvedValue(new Blob(['rough']));
    workers.render.mockReturnValue(new Promise<Blob>((resolve) => (finish = resolve)));
    const { result, unmount } = renderHook(() => usePictures([FIGURE]));
    await waitFor(() => expect(decodedIn(result.current.get(FIGURE))?.of).toBe('rough'));
    await act(() => Promise.resolve(finish(new Blob(['finished']))));
    await waitFor(() => expect(decodedIn(result.current.get(FIGURE))?.of).toBe('finished'));
    unmount();
    expect(workers.stopped).toHaveBeenCalled();
  });
  it('are mirrored where that is asked for', async () => {
    await keep('a');
    const { result } = renderHook(() => usePictures([`${pictureReferenceId('a')}~m`]));
    await waitFor(() => expect(decodedIn([...result.current.values()][0])?.mirrored).toBe(true));
  });
});

describe('a close look', () => {
  it('fetches more of a photograph once it is zoomed into, and nothing for figures', async () => {
    const a = await keep('a');
    const initialProps: { id: string | null; zoom: number } = { id: a, zoom: 1.2 };
    const { result, rerender } = renderHook(({ id, zoom }) => useCloseUp(id, zoom), { initialProps });
    expect(workers.atSize).not.toHaveBeenCalled();
    rerender({ id: a, zoom: 2 });
    await waitFor(() => expect(result.current).toBeDefined());
    expect((result.current as unknown as Decoded).width).toBe(1280 * 2.5);
    rerender({ id: a, zoom: 1 });
    expect(result.current).toBeUndefined();
    rerender({ id: FIGURE, zoom: 4 });
    rerender({ id: null, zoom: 4 });
    expect(workers.atSize).toHaveBeenCalledOnce();
  });
  it('leaves the picture as it is where more cannot be had', async () => {
    workers.atSize.mockRejectedValue(new Error('too large'));
    const a = await keep('a');
    const { result, unmount } = renderHook(() => useCloseUp(a, 3));
    await waitFor(() => expect(workers.atSize).toHaveBeenCalled());
    expect(result.current).toBeUndefined();
    unmount();
    expect(workers.stopped).toHaveBeenCalled();
  });
});

describe('what a teacher would draw over it', () => {
  it('of a figure is read in a worker, only when it is wanted and only once', async () => {
    const key = { of: 'archer' };
    workers.read.mockResolvedValue({ key, sentences: [], facts: {} });
    const { result, rerender } = renderHook(({ wanted }) => useDrawnKey(FIGURE, wanted), {
      initialProps: { wanted: false },
    });
    expect(workers.read).not.toHaveBeenCalled();
    rerender({ wanted: true });
    await waitFor(() => expect(result.current).toBe(key));
    rerender({ wanted: false });
    rerender({ wanted: true });
    expect(result.current).toBe(key);
    expect(workers.read).toHaveBeenCalledOnce();
  });
  it('of a picture comes from the points of its body; without them, or mirrored, there is none', async () => {
    const [a, b] = [await keep('a'), await keep('b')];
    const { points, space } = recorded[0].body as unknown as { points: never[]; space: never[] };
    expect(points).toHaveLength(POINT_COUNT);
    await atomically(['bodies'], (tx) => put(tx, 'bodies', { id: 'a', points, space, score: 1, by: 'model' }));
    const { result, rerender } = renderHook(({ id }) => useDrawnKey(id, true), { initialProps: { id: a } });
    await waitFor(() => expect(result.current).toBeDefined());
    expect(result.current?.envelope.length).toBeGreaterThan(2);
    rerender({ id: b });
    expect(result.current).toBeUndefined();
    rerender({ id: `${a}~m` });
    await act(() => new Promise((resolve) => setTimeout(resolve, 50)));
    expect(result.current).toBeUndefined();
    expect(workers.read).not.toHaveBeenCalled();
  });
});

describe('how a picture is seen', () => {
  const zoomed =
    (zoom: number) =>
    (before: Viewing): Viewing => ({ ...before, zoom });
  it('is as it was left, and kept when it is changed', async () => {
    await changeViewing('a', zoomed(2));
    const { result, unmount } = renderHook(() => useViewing('a', false));
    await waitFor(() => expect(result.current[0].zoom).toBe(2));
    act(() => result.current[1](zoomed(3)));
    expect(result.current[0].zoom).toBe(3);
    unmount();
    await waitFor(async () => expect((await loadViewing('a')).zoom).toBe(3));
  });
  it('loses no change when the next picture comes at once, and is never that of the picture before', async () => {
    const { result, rerender } = renderHook(({ id }) => useViewing(id, false), { initialProps: { id: 'a' } });
    act(() => result.current[1](zoomed(2)));
    rerender({ id: 'b' });
    expect(result.current[0]).toEqual(freshViewing('b'));
    act(() => result.current[1](zoomed(4)));
    rerender({ id: 'c' });
    await waitFor(async () => {
      expect((await loadViewing('a')).zoom).toBe(2);
      expect((await loadViewing('b')).zoom).toBe(4);
    });
  });
  it('changed before what was kept is read stays as it was changed', async () => {
    await changeViewing('a', zoomed(2));
    const { result } = renderHook(() => useViewing('a', false));
    act(() => result.current[1](zoomed(5)));
    await act(() => new Promise((resolve) => setTimeout(resolve, 100)));
    expect(result.current[0].zoom).toBe(5);
  });
  it('brings a small figure to the size of the others, unless it was zoomed by hand', async () => {
    const [a, b] = [await keep('a'), await keep('b')];
    const points = Array.from({ length: POINT_COUNT }, (_, i) => ({
      x: 0.45 + 0.1 * (i % 2),
      y: 0.3 + (0.4 * i) / POINT_COUNT,
      z: 0,
      seen: 1,
    }));
    await atomically(['bodies'], async (tx) => {
      for (const id of ['a', 'b'])
        await put(tx, 'bodies', { id, points, space: points.map(() => [0, 0, 0]), score: 1, by: 'hand' });
    });
    await changeViewing(b, zoomed(1.1));
    const even = renderHook(() => useViewing(a, true));
    await waitFor(() => expect(even.result.current[0].zoom).toBeGreaterThan(1.5));
    const byHand = renderHook(() => useViewing(b, true));
    await waitFor(() => expect(byHand.result.current[0].zoom).toBe(1.1));
    const uneven = renderHook(() => useViewing(a, false));
    await act(() => new Promise((resolve) => setTimeout(resolve, 50)));
    expect(uneven.result.current[0].zoom).toBe(1);
  });
  it('of nothing is not kept', () => {
    const { result } = renderHook(() => useViewing(null, true));
    act(() => result.current[1](zoomed(2)));
    expect(result.current[0].zoom).toBe(1);
  });
});
