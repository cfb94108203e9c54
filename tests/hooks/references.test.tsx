// @vitest-environment jsdom
import { act, cleanup, renderHook, waitFor } from '@testing-library/react';
import { IDBFactory } from 'fake-indexeddb';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { POINT_COUNT } from '@/core/body/points';
import { CATALOGUE } from '@/core/figure/catalogue/catalogue';
import { type Picture, pictureReferenceId } from '@/core/references/picture';
import { useImageOf } from '@/features/poses/picture/useImageOf';
import { useReferenceName } from '@/storage/hooks/useReferenceName';
import { announce } from '@/storage/changes';
import { atomically, closeDb, put } from '@/storage/db';
import { useCovered } from '@/storage/hooks/useCovered';
import { usePictureShapes } from '@/storage/hooks/usePictureShapes';
import { useReferenceImage } from '@/storage/hooks/useReferenceImage';
import { useSmallPictureUrl } from '@/storage/hooks/useSmallPictureUrl';
import { useImageUrl, useReferenceThumbnail } from '@/storage/hooks/useThumbnail';
import { imageKey } from '@/storage/images';
import { addPicture } from '@/storage/pictures/pictures';
import { saveSession } from '@/storage/sessions/sessions';
import { saveSetting } from '@/storage/settings';
import { planOf, poses } from '../core/plans';
import { sessionOf } from '../core/sessions';
import { pictureOf } from '../pictures';
import { stubBlobs } from './objectUrls';

const worker = vi.hoisted(() => ({ render: vi.fn(), stop: vi.fn() }));
vi.mock('@/workers/clients', () => ({
  startFigureWorker: () => ({ api: { render: worker.render }, stop: worker.stop }),
}));

/** Addresses that were given out and not taken back. */
let open: Map<string, Blob>;
beforeEach(async () => {
  open = stubBlobs();
  await closeDb();
  globalThis.indexedDB = new IDBFactory();
  worker.render.mockReset();
  worker.stop.mockReset();
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const blobOf = (text: string): Blob => new Blob([text], { type: 'image/png' });
async function keep(id: string, more: Parameters<typeof pictureOf>[1] = {}): Promise<string> {
  await addPicture(pictureOf(id, more), blobOf(`whole ${id}`), blobOf(`small ${id}`));
  return pictureReferenceId(id);
}
async function keepImages(...keys: string[]): Promise<void> {
  await atomically(['images'], async (tx) => {
    for (const key of keys) await put(tx, 'images', blobOf(key), key);
  });
}
const [shipped] = CATALOGUE;
const UNSHIPPED = 'figure/archer-hands-on-hips/heavy/11/10/26';

describe('the address of an image', () => {
  it('is taken back when it is no longer shown', async () => {
    await keepImages(imageKey('page', 'a'));
    const { result, unmount } = renderHook(() => useImageUrl(imageKey('page', 'a')));
    await waitFor(() => expect(result.current).toBeDefined());
    expect(await open.get(result.current as string)?.text()).toBe('page/a');
    unmount();
    expect(open.size).toBe(0);
  });
  it('is never that of the image before', async () => {
    await keepImages('page/a', 'page/b');
    const seen: (string | undefined)[] = [];
    const initialProps: { key: string | undefined } = { key: 'page/a' };
    const { result, rerender } = renderHook(
      ({ key }: { key: string | undefined }) => {
        const url = useImageUrl(key);
        seen.push(url);
        return url;
      },
      { initialProps },
    );
    await waitFor(() => expect(result.current).toBeDefined());
    const ofA = result.current;
    const before = seen.length;
    rerender({ key: 'page/b' });
    await waitFor(() => expect(result.current).toBeDefined());
    expect(seen.slice(before)).not.toContain(ofA);
    expect([...open.keys()]).toEqual([result.current]);
    rerender({ key: undefined });
    expect(result.current).toBeUndefined();
  });
  it('is none where there is no image', async () => {
    const { result } = renderHook(() => useImageUrl('page/nowhere'));
    await act(() => new Promise((resolve) => setTimeout(resolve, 50)));
    expect(result.current).toBeUndefined();
  });
});

describe('a small picture', () => {
  it('of a shipped figure is the file that ships, covered where that is wanted', async () => {
    const { result } = renderHook(() => useReferenceThumbnail(shipped.id));
    await waitFor(() => expect(result.current).toBe(`/figures/small/${shipped.file}.webp`));
    await act(() => saveSetting('covered', true));
    await waitFor(() => expect(result.current).toBe(`/figures/covered/${shipped.file}.webp`));
    await act(() => saveSetting('covered', false));
    await waitFor(() => expect(result.current).toBe(`/figures/small/${shipped.file}.webp`));
  });
  it('of a picture is its thumbnail', async () => {
    const reference = await keep('a');
    const { result } = renderHook(() => useReferenceThumbnail(reference));
    await waitFor(() => expect(result.current).toBeDefined());
    expect(await open.get(result.current as string)?.text()).toBe('small a');
  });
  it('is none for nothing, and none while it is drawn from memory', async () => {
    const plan = planOf(poses(1, 600_000, { lookMs: 1000, exercise: 'look-then-draw' }));
    const [block] = plan.blocks;
    if (block.kind === 'poses') block.poses[0].referenceId = shipped.id;
    const now = Date.now();
    await saveSession(sessionOf(plan, [], { status: 'running', startedAtMs: now - 60_000, lastSeenMs: 60_000 }));
    const seen = renderHook(() => useReferenceThumbnail(shipped.id));
    const all = renderHook(() => useSmallPictureUrl());
    const other = CATALOGUE.find((entry) => entry.poseId !== shipped.poseId)?.id as string;
    await waitFor(() => expect(all.result.current(other)).toBeDefined());
    await waitFor(() => expect([seen.result.current, all.result.current(shipped.id)]).toEqual([undefined, undefined]));
    // Seen from elsewhere, or in a mirror, it is the same pose.
    const [, pose, ...view] = shipped.id.split('/');
    expect(all.result.current(['figure', pose, view[0], '5', '5', '26'].join('/'))).toBeUndefined();
    expect(renderHook(() => useReferenceThumbnail(null)).result.current).toBeUndefined();
    const whole = renderHook(() => useReferenceImage(shipped.id));
    await waitFor(() => expect(whole.result.current).toBeNull());
    await act(() => saveSession(sessionOf(plan, [], { status: 'kept', startedAtMs: now - 60_000 })));
    await waitFor(() => expect(seen.result.current).toBeDefined());
  });
});

describe('whether figures are covered', () => {
  it('is read once for all who ask, and told to all when it changes', async () => {
    await saveSetting('covered', true);
    const asking = [1, 2, 3].map(() => renderHook(() => useCovered()));
    await waitFor(() => expect(asking.map((a) => a.result.current)).toEqual([true, true, true]));
    await act(() => saveSetting('covered', false));
    await waitFor(() => expect(asking.map((a) => a.result.current)).toEqual([false, false, false]));
  });
});

describe('the whole picture of a reference', () => {
  it('is the kept file of a picture', async () => {
    const reference = await keep('a');
    const { result, unmount } = renderHook(() => useReferenceImage(reference));
    expect(result.current).toBeUndefined();
    await waitFor(() => expect(result.current).toEqual(expect.any(String)));
    expect(await open.get(result.current as string)?.text()).toBe('whole a');
    unmount();
    expect(open.size).toBe(0);
  });
  it('is drawn where a figure did not ship, once, and the worker is let go', async () => {
    worker.render.mockResolvedValue(blobOf('drawn'));
    const first = renderHook(() => useReferenceImage(UNSHIPPED));
    await waitFor(() => expect(first.result.current).toEqual(expect.any(String)));
    expect(worker.render).toHaveBeenCalledOnce();
    first.unmount();
    expect(worker.stop).toHaveBeenCalled();
    const again = renderHook(() => useReferenceImage(UNSHIPPED));
    await waitFor(() => expect(again.result.current).toEqual(expect.any(String)));
    expect(await open.get(again.result.current as string)?.text()).toBe('drawn');
    expect(worker.render).toHaveBeenCalledOnce();
  });
  it('is null for nothing, for what cannot be had, and for what cannot be drawn', async () => {
    expect(renderHook(() => useReferenceImage(null)).result.current).toBeNull();
    const gone = renderHook(() => useReferenceImage(pictureReferenceId('gone')));
    await waitFor(() => expect(gone.result.current).toBeNull());
    worker.render.mockRejectedValue(new Error('no graphics'));
    const undrawn = renderHook(() => useReferenceImage(UNSHIPPED));
    await waitFor(() => expect(undrawn.result.current).toBeNull());
  });
  it('is not for one moment that of the reference before', async () => {
    const [a, b] = [await keep('a'), await keep('b')];
    const { result, rerender } = renderHook(({ id }) => useReferenceImage(id), { initialProps: { id: a } });
    await waitFor(() => expect(result.current).toEqual(expect.any(String)));
    rerender({ id: b });
    expect(result.current).toBeUndefined();
    await waitFor(() => expect(result.current).toEqual(expect.any(String)));
    expect(await open.get(result.current as string)?.text()).toBe('whole b');
  });
});

describe('the image a picture page looks at', () => {
  it('is its file with an address, null where it cannot be had, and stays while facts change', async () => {
    await keep('a');
    const initialProps: { picture: Picture | undefined } = { picture: pictureOf('a') };
    const { result, rerender, unmount } = renderHook(({ picture }) => useImageOf(picture), { initialProps });
    expect(result.current).toBeUndefined();
    await waitFor(() => expect(result.current?.url).toBeDefined());
    const made = result.current;
    rerender({ picture: pictureOf('a', { tags: ['rope'] }) });
    expect(result.current).toBe(made);
    rerender({ picture: pictureOf('gone') });
    expect(result.current).toBeUndefined();
    await waitFor(() => expect(result.current).toBeNull());
    expect(open.size).toBe(0);
    rerender({ picture: undefined });
    expect(result.current).toBeUndefined();
    unmount();
  });
});

describe('the name of a reference', () => {
  it('is known at once for figures and read for pictures, and never that of the one before', async () => {
    const [a, b] = [await keep('a', { name: 'rope.jpg' }), await keep('b', { name: 'bell.jpg' })];
    const initialProps: { id: string | null } = { id: shipped.id };
    const { result, rerender } = renderHook(({ id }) => useReferenceName(id), { initialProps });
    expect(result.current).toBe(shipped.name);
    rerender({ id: a });
    expect(result.current).toBe('');
    await waitFor(() => expect(result.current).toBe('rope.jpg'));
    rerender({ id: b });
    expect(result.current).toBe('');
    await waitFor(() => expect(result.current).toBe('bell.jpg'));
    rerender({ id: pictureReferenceId('gone') });
    await waitFor(() => expect(result.current).toBe('A picture no longer here'));
    rerender({ id: 'figure/chance.71/lean/0/6/26' });
    expect(result.current).toBe('Chance pose 71');
    rerender({ id: null });
    expect(result.current).toBe('');
  });
});

describe('the shape of pictures on paper', () => {
  const point = (x: number, y: number, seen = 1) => ({ x, y, z: 0, seen });
  it('is that of the person where the points are known, else of the whole picture', async () => {
    const [a, b] = [await keep('a', { widthPx: 1000, heightPx: 500 }), await keep('b', { widthPx: 100, heightPx: 50 })];
    const ids = [a, b, shipped.id, pictureReferenceId('gone')];
    const { result } = renderHook(() => usePictureShapes(ids));
    await waitFor(() => expect([...result.current.keys()]).toEqual([a, b]));
    expect(result.current.get(b)?.width).toBeCloseTo(112, 6);
    expect(result.current.get(b)?.height).toBeCloseTo(56, 6);
    // A person from a fifth to three fifths of the width, upright over all of the height; what is not seen does not count.
    const points = Array.from({ length: POINT_COUNT }, (_, i) =>
      i < 6 ? point(i % 2 ? 0.6 : 0.2, i / 5) : point(2, 2, 0.1),
    );
    await atomically(['bodies'], (tx) =>
      put(tx, 'bodies', { id: 'a', points, space: points.map(() => [0, 0, 0]), score: 1, by: 'hand' }),
    );
    act(() => announce('bodies'));
    await waitFor(() => expect(result.current.get(a)?.width).toBeCloseTo(0.4 * 1.12 * 1000, 6));
    expect(result.current.get(a)?.height).toBeCloseTo(1.12 * 500, 6);
  });
});
