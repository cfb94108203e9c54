// @vitest-environment jsdom
import { act, cleanup, renderHook, waitFor } from '@testing-library/react';
import { IDBFactory } from 'fake-indexeddb';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Body } from '@/core/body/body';
import { templateBody } from '@/core/body/lift';
import { pointOf } from '@/core/body/points';
import { STUDIO } from '@/core/figure/picture/appearance';
import { CATALOGUE } from '@/core/figure/catalogue/catalogue';
import { isPartFamily } from '@/core/figure/catalogue/families';
import { BUILT_IN_SET_ID, pictureReferenceId } from '@/core/references/picture';
import { useFigure } from '@/features/figure/useFigure';
import { blockActs } from '@/features/plan/blockActs';
import { usePlanEditor } from '@/features/plan/usePlanEditor';
import { usePools } from '@/features/plan/usePools';
import { usePoints } from '@/features/poses/picture/usePoints';
import { type PickSettings, type PickSource, usePicks } from '@/features/poses/pick/usePicks';
import { posesBlock } from '@/core/practice/edit/newBlock';
import { atomically, closeDb, put } from '@/storage/db';
import { loadBody } from '@/storage/pictures/bodies';
import { undoLast } from '@/storage/pictures/history';
import { addPicture, saveSet } from '@/storage/pictures/pictures';
import { shippedReferences } from '@/core/references/referenceFacts';
import { planOf, poses } from '../core/plans';
import { level, recipeWith } from '../core/recipes';
import { sessionOf } from '../core/sessions';
import { pictureOf } from '../pictures';
import { stubBlobs } from './objectUrls';

const NOW = new Date(2026, 10, 25, 19).getTime();
const told = vi.hoisted(() => ({ toast: vi.fn(), problem: vi.fn() }));
vi.mock('@/ui/toast/toast', () => ({ toast: told.toast, toastProblem: told.problem }));
const figures = vi.hoisted(() => ({ draft: vi.fn(), render: vi.fn(), read: vi.fn(), stop: vi.fn() }));
const find = vi.hoisted(() => vi.fn());
vi.mock('@/workers/clients', () => ({
  callback: (f: unknown) => f,
  startFigureWorker: () => ({
    api: { draft: figures.draft, render: figures.render, read: figures.read },
    stop: figures.stop,
  }),
  startLandmarksWorker: () => ({ api: { find }, stop: () => undefined }),
}));

/** Addresses that were given out and not taken back. */
let open: Map<string, Blob>;
beforeEach(async () => {
  open = stubBlobs();
  await closeDb();
  globalThis.indexedDB = new IDBFactory();
  [told.toast, told.problem, find, ...Object.values(figures)].forEach((mock) => mock.mockReset());
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
  vi.useRealTimers();
});

describe("a session's pictures from a pool", () => {
  const pool = (shippedReferences(BUILT_IN_SET_ID) ?? []).slice(0, 60);
  const source: PickSource = { pool, elsewhere: [], drawn: [], sessions: [], pins: [], byHand: false };
  const settings: PickSettings = {
    minutes: 20,
    order: 'shuffled',
    level: false,
    mirror: false,
    odd: false,
    seed: 7,
  };
  const picks = (more: Partial<PickSource> = {}, how: Partial<PickSettings> = {}) =>
    renderHook(() => usePicks({ ...source, ...more }, { ...settings, ...how }, NOW));
  const idsOf = (hook: ReturnType<typeof picks>): string[] => hook.result.current.picked.map((p) => p.id);

  it('fill the plan that the minutes make, none twice, and say why', () => {
    const hook = picks();
    const ids = idsOf(hook);
    const { plan, reasons } = hook.result.current;
    const inPlan = plan?.blocks.flatMap((b) => (b.kind === 'poses' ? b.poses.map((p) => p.referenceId) : []));
    expect(inPlan).toEqual(ids);
    expect(new Set(ids).size).toBe(ids.length);
    expect(reasons.length).toBeGreaterThan(0);
    expect(picks({}, { minutes: 5 }).result.current.picked.length).toBeLessThan(ids.length);
  });
  it('stay the same for the same seed, and are others for another', () => {
    expect(idsOf(picks())).toEqual(idsOf(picks()));
    expect(idsOf(picks({}, { seed: 8 }))).not.toEqual(idsOf(picks()));
  });
  it('are replaced one by one, the others left alone', () => {
    const hook = picks();
    const before = idsOf(hook);
    let done = false;
    act(() => void (done = hook.result.current.replace(1)));
    expect(done).toBe(true);
    const after = idsOf(hook);
    expect(after[1]).not.toBe(before[1]);
    expect(before).not.toContain(after[1]);
    expect(after.filter((_, i) => i !== 1)).toEqual(before.filter((_, i) => i !== 1));
    act(() => void hook.result.current.replace(1));
    expect(idsOf(hook)[1]).not.toBe(after[1]);
  });
  it('cannot be replaced where there is nothing else, and are none of an empty pool', () => {
    const hook = picks({ pool: pool.slice(0, 2) }, { minutes: 5 });
    let done = true;
    act(() => void (done = hook.result.current.replace(0)));
    expect(done).toBe(false);
    const none = picks({ pool: [] }).result.current;
    expect([none.picked, none.reasons, none.plan, none.surplus]).toEqual([[], [], undefined, []]);
  });
  it('keep what is pinned: in its place when pinned there, anywhere when pinned in the set', () => {
    const hook = picks();
    const kept = idsOf(hook)[2];
    act(() => hook.result.current.togglePin(2));
    expect(hook.result.current.pinned.has(kept)).toBe(true);
    expect(idsOf(hook)[2]).toBe(kept);
    act(() => hook.result.current.togglePin(2));
    expect(hook.result.current.pinned.size).toBe(0);
    const pinned = pool[50].id;
    const inSet = picks({ pins: [pinned] });
    expect(idsOf(inSet)).toContain(pinned);
    expect(inSet.result.current.pinned.has(pinned)).toBe(true);
  });
  it('chosen by hand that find no place are kept for later', () => {
    const hook = picks({ byHand: true }, { minutes: 5 });
    const ids = idsOf(hook);
    expect(hook.result.current.surplus).toEqual(pool.map((r) => r.id).filter((id) => !ids.includes(id)));
  });
  it('end with one from elsewhere when that is asked for', () => {
    const elsewhere = (shippedReferences(BUILT_IN_SET_ID) ?? []).slice(100, 110);
    const hook = picks({ elsewhere }, { odd: true });
    const { picked, facing } = hook.result.current;
    const last = picked[picked.length - 1];
    expect(last.odd).toBe(true);
    expect(elsewhere.map((r) => r.id)).toContain(last.id);
    expect(facing(last)).toBe(elsewhere.find((r) => r.id === last.id)?.facing);
  });
});

describe('what the blocks of a plan may be drawn from', () => {
  const recipe = recipeWith([level('a', 4, 60_000)], { setId: BUILT_IN_SET_ID });
  it('is what ships and what was drawn before, and is not ready before it is read', async () => {
    const plan = planOf(poses(2));
    const [block] = plan.blocks;
    if (block.kind === 'poses') block.poses.forEach((p) => (p.referenceId = CATALOGUE[0].id));
    const sessions = [sessionOf(plan, [], { startedAtMs: NOW - 86_400_000 })];
    const { result } = renderHook(() => usePools(recipe, sessions, NOW));
    expect(result.current).toMatchObject({ ready: false, pools: { bySet: new Map() } });
    await waitFor(() => expect(result.current.ready).toBe(true));
    const { bySet, timesDrawn, recent } = result.current.pools;
    expect(bySet.get(BUILT_IN_SET_ID)).toHaveLength(CATALOGUE.filter(({ family }) => !isPartFamily(family)).length);
    expect(timesDrawn.get(CATALOGUE[0].id)).toBe(2);
    expect(recent?.map((r) => r.id)).toEqual([CATALOGUE[0].id, CATALOGUE[0].id]);
  });
  it('is not ready while another set is read, and leaves out a set that is in the bin', async () => {
    const set = { id: 'own', name: 'Own', createdAtMs: 1, binnedAtMs: null };
    await saveSet(set);
    await addPicture(pictureOf('a', { setIds: ['own'] }), new Blob(['a']), new Blob(['s']));
    const { result, rerender } = renderHook(({ of }) => usePools(of, [], NOW), { initialProps: { of: recipe } });
    await waitFor(() => expect(result.current.ready).toBe(true));
    rerender({ of: { ...recipe, setId: 'own' } });
    expect(result.current.ready).toBe(false);
    await waitFor(() => expect(result.current.ready).toBe(true));
    expect(result.current.pools.bySet.get('own')?.map((r) => r.id)).toEqual([pictureReferenceId('a')]);
    await act(() => saveSet({ ...set, binnedAtMs: 5 }));
    await waitFor(() => expect(result.current.pools.bySet.has('own')).toBe(false));
  });
});

describe('what is done with the blocks chosen', () => {
  const three = recipeWith([level('a', 4, 60_000), level('b', 1, 120_000), level('c', 2, 30_000)], {
    setId: BUILT_IN_SET_ID,
  });
  function chosen(...ids: string[]) {
    const said: string[] = [];
    const hook = renderHook(() => usePlanEditor(three, [], NOW));
    act(() => hook.result.current.select(ids));
    const does = (what: (acts: ReturnType<typeof blockActs>) => void): void =>
      act(() => what(blockActs(hook.result.current, (words) => said.push(words))));
    const shape = (): string[] =>
      hook.result.current.recipe.blocks.map((b) =>
        b.kind === 'poses' ? `${String(b.count)}×${String(b.lengths.fromMs / 1000)}` : b.kind,
      );
    return { hook, said, does, shape };
  }
  it('is longer and shorter, more and fewer, one for each press', () => {
    const { does, shape } = chosen('a');
    does((on) => on.longer());
    expect(shape()[0]).toBe('4×90');
    does((on) => on.shorter());
    does((on) => on.more());
    expect(shape()).toEqual(['5×60', '1×120', '2×30']);
    for (let i = 0; i < 9; i++) does((on) => on.fewer());
    expect(shape()[0]).toBe('1×60');
  });
  it('moves them, doubles them, splits them and takes them out, and says what it could not do', () => {
    const { does, shape, said, hook } = chosen('c');
    does((on) => on.move(-1));
    expect(shape()).toEqual(['4×60', '2×30', '1×120']);
    does((on) => on.duplicate());
    expect(shape().filter((s) => s === '2×30')).toHaveLength(2);
    does((on) => on.remove());
    expect(said.at(-1)).toMatch(/^1 block deleted\. Ctrl\+Z brings it back\.$/);
    act(() => hook.result.current.undo());
    expect(shape()).toHaveLength(4);
    const one = chosen('b');
    one.does((on) => on.split());
    expect(one.said).toEqual(['This block has nothing to split: it needs at least two poses or pages, for one hand.']);
    const four = chosen('a');
    four.does((on) => on.split());
    expect(four.shape()).toEqual(['2×60', '2×60', '1×120', '2×30']);
  });
  it('can be emptied, and one undo brings everything back', () => {
    const { does, said, shape, hook } = chosen('a', 'b', 'c');
    does((on) => on.remove());
    expect(said).toEqual(['3 blocks deleted. Ctrl+Z brings them back.']);
    expect(shape()).toHaveLength(0);
    act(() => hook.result.current.undo());
    expect(shape()).toHaveLength(3);
  });
  it('are copied, and the copies are chosen', () => {
    const { does, hook } = chosen('a');
    does((on) => on.duplicate());
    const [first, second] = hook.result.current.recipe.blocks.map(({ id }) => id);
    expect(first).toBe('a');
    expect(hook.result.current.selected).toEqual([second]);
  });
  it('are called what they are once none is left that the title was about', () => {
    const { does, hook } = chosen('a', 'b', 'c');
    does((on) => on.remove());
    const block = { ...posesBlock('new', 'contour', 2, 300_000) };
    act(() => hook.result.current.change('Added', (r) => ({ ...r, blocks: [block] })));
    expect(hook.result.current.recipe.title).toBe('2 x 5 min contour');
    act(() => hook.result.current.change('Name', (r) => ({ ...r, title: 'Mine' })));
    act(() => hook.result.current.change('Deleted', (r) => ({ ...r, blocks: [{ ...block, id: 'other' }] })));
    expect(hook.result.current.recipe.title).toBe('Mine');
  });
  it('pins all of them, and unpins them only where all are', () => {
    const { does, hook } = chosen('a', 'b');
    const pins = (): boolean[] => hook.result.current.recipe.blocks.map((b) => b.pinned);
    does((on) => on.pin());
    expect(pins()).toEqual([true, true, false]);
    does((on) => on.pin());
    expect(pins()).toEqual([false, false, false]);
  });
  it('moves nothing beyond the ends', () => {
    const { does, shape } = chosen('a');
    does((on) => on.move(-1));
    expect(shape()[0]).toBe('4×60');
    does((on) => on.move(1));
    expect(shape()[1]).toBe('4×60');
  });
});

describe('the points of a body', () => {
  const picture = pictureOf('a', { widthPx: 300, heightPx: 400, readBy: 99 });
  const { points, space } = templateBody(0.75);
  const found: Body = { id: 'a', points, space, score: 0.9, by: 'model' };
  const ready = async () => {
    await addPicture(picture, new Blob(['a']), new Blob(['s']));
    await atomically(['bodies'], (tx) => put(tx, 'bodies', found));
    const hook = renderHook(() => usePoints(picture));
    await waitFor(() => expect(hook.result.current.body).toBeDefined());
    return hook;
  };
  const knee = (body: Body | undefined): number | undefined => body && pointOf(body.points, 'left knee').x;
  it('are moved by hand, shown at once, kept when the hand rests, and undone', async () => {
    const { result } = await ready();
    const before = knee(found) as number;
    act(() => result.current.move('left knee', 0.1, 0.7));
    act(() => result.current.move('left knee', 0.2, 0.7));
    expect(knee(result.current.body)).toBeCloseTo(0.2, 6);
    expect((await loadBody('a'))?.by).toBe('model');
    await waitFor(async () => expect(await loadBody('a')).toMatchObject({ by: 'hand' }));
    expect(knee(await loadBody('a'))).toBeCloseTo(0.2, 6);
    // One step, however long it was dragged.
    await act(async () => {
      await undoLast();
    });
    await waitFor(() => expect(knee(result.current.body)).toBeCloseTo(before, 6));
    expect((await loadBody('a'))?.by).toBe('model');
  });
  it('moved a moment before leaving are kept', async () => {
    const { result, unmount } = await ready();
    act(() => result.current.move('left knee', 0.2, 0.7));
    unmount();
    await waitFor(async () => expect(knee(await loadBody('a'))).toBeCloseTo(0.2, 6));
  });
  it('change sides, turn toward and away, and are placed where none were found', async () => {
    const { result } = await ready();
    const right = pointOf(found.points, 'right knee').x;
    act(() => result.current.swap());
    expect(knee(result.current.body)).toBeCloseTo(right, 6);
    const before = result.current.body?.space;
    act(() => result.current.flip('left knee'));
    expect(result.current.body?.space).not.toEqual(before);
    expect(result.current.body?.points).toHaveLength(points.length);
    act(() => result.current.place());
    expect(result.current.body?.points).toEqual(templateBody(0.75).points);
  });
});

describe("a figure's view", () => {
  const UNSHIPPED = 'figure/archer-hands-on-hips/heavy/11/10/26';
  const TURNED = 'figure/archer-hands-on-hips/heavy/22/10/26';
  const blob = (text: string): Blob => new Blob([text]);
  const shownBy = (state: { url: string | undefined }) => open.get(state.url ?? '')?.text();
  beforeEach(() => {
    figures.draft.mockImplementation((id: string) => Promise.resolve(blob(`draft ${id}`)));
    figures.render.mockImplementation((id: string) => Promise.resolve(blob(`finished ${id}`)));
    figures.read.mockImplementation((id: string) => Promise.resolve({ key: id, sentences: [], facts: {} }));
  });
  it('is shown rough, then finished, with what is known of it', async () => {
    const { result } = renderHook(() => useFigure(UNSHIPPED, STUDIO));
    await waitFor(async () => expect(await shownBy(result.current)).toBe(`draft ${UNSHIPPED}`));
    expect(result.current.busy).toBe(true);
    await waitFor(async () => expect(await shownBy(result.current)).toBe(`finished ${UNSHIPPED}`));
    expect(result.current).toMatchObject({ busy: false, failed: false, reading: { key: UNSHIPPED } });
  });
  it('that is turned on is not finished, and what was read of it holds no longer', async () => {
    const { result, rerender } = renderHook(({ id }) => useFigure(id, STUDIO), { initialProps: { id: UNSHIPPED } });
    await waitFor(() => expect(result.current.reading).toBeDefined());
    rerender({ id: TURNED });
    expect(result.current).toMatchObject({ reading: undefined, busy: true });
    // The picture before stays until there is another.
    expect(await shownBy(result.current)).toBe(`draft ${UNSHIPPED}`);
    await waitFor(async () => expect(await shownBy(result.current)).toBe(`finished ${TURNED}`));
    expect(figures.render.mock.calls.map(([id]: unknown[]) => id)).toEqual([TURNED]);
  });
  it('seen lately is there at once', async () => {
    const { result, rerender } = renderHook(({ id }) => useFigure(id, STUDIO), { initialProps: { id: UNSHIPPED } });
    await waitFor(() => expect(result.current.busy).toBe(false));
    rerender({ id: TURNED });
    await waitFor(() => expect(result.current.busy).toBe(false));
    figures.draft.mockClear();
    figures.read.mockClear();
    rerender({ id: UNSHIPPED });
    // With what is known of it, and without any waiting.
    expect(await shownBy(result.current)).toBe(`finished ${UNSHIPPED}`);
    expect(result.current).toMatchObject({ busy: false, reading: { key: UNSHIPPED } });
    expect(figures.draft).not.toHaveBeenCalled();
    expect(figures.read).not.toHaveBeenCalled();
  });
  it('takes its addresses back', async () => {
    const { result, rerender, unmount } = renderHook(({ id }) => useFigure(id, STUDIO), {
      initialProps: { id: UNSHIPPED },
    });
    for (let i = 0; i < 14; i++) {
      rerender({ id: `figure/archer-hands-on-hips/heavy/${String(i)}/10/26` });
      await waitFor(() => expect(result.current.busy).toBe(false));
    }
    // Twelve views are at hand; drafts and older ones go a second after they were replaced.
    await waitFor(() => expect(open.size).toBe(12));
    expect(open.has(result.current.url ?? '')).toBe(true);
    unmount();
    expect(open.size).toBe(0);
  });
  it('that cannot be drawn is told to have failed, and another is tried', async () => {
    figures.draft.mockRejectedValueOnce(new Error('no graphics'));
    const { result, rerender } = renderHook(({ id }) => useFigure(id, STUDIO), { initialProps: { id: UNSHIPPED } });
    await waitFor(() => expect(result.current.failed).toBe(true));
    rerender({ id: TURNED });
    await waitFor(() => expect(result.current).toMatchObject({ failed: false, busy: false }));
  });
  it('leaves no worker behind', async () => {
    const { result, unmount } = renderHook(() => useFigure(UNSHIPPED, STUDIO));
    await waitFor(() => expect(result.current.busy).toBe(false));
    unmount();
    expect(figures.stop).toHaveBeenCalledTimes(2);
  });
});
