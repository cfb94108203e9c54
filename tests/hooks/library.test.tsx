// @vitest-environment jsdom
import { act, cleanup, fireEvent, renderHook, waitFor } from '@testing-library/react';
import { IDBFactory } from 'fake-indexeddb';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { LATER_ID, LIBRARY_ID, type Picture, type PictureSet } from '@/core/references/picture';
import { EVERYTHING } from '@/core/references/query';
import { useAlike } from '@/features/poses/library/useAlike';
import { useDropAndPaste } from '@/features/poses/library/useDropAndPaste';
import { told as tellOf, useLibraryActions } from '@/features/poses/library/useLibraryActions';
import { useLibraryView } from '@/features/poses/library/useLibraryView';
import { useSelection } from '@/features/poses/library/useSelection';
import { useUndoKeys } from '@/features/poses/library/useUndoKeys';
import { announce } from '@/storage/changes';
import { atomically, closeDb, put } from '@/storage/db';
import { alterPictures, undoLast } from '@/storage/pictures/history';
import { loadPicture, loadSet, saveSet } from '@/storage/pictures/pictures';
import { saveSession } from '@/storage/sessions/sessions';
import { planOf, poses } from '../core/plans';
import { sessionOf } from '../core/sessions';
import { pictureOf } from '../pictures';

const shown = vi.hoisted(() => ({ toast: vi.fn(), problem: vi.fn() }));
vi.mock('@/ui/toast/toast', () => ({ toast: shown.toast, toastProblem: shown.problem }));
const alike = vi.hoisted(() => ({ groups: vi.fn(), stopped: vi.fn() }));
vi.mock('@/workers/clients', () => ({
  startAlikeWorker: () => ({ api: { groups: alike.groups }, stop: alike.stopped }),
}));

beforeEach(async () => {
  // What was done before is of another database.
  while (await undoLast().catch(() => undefined));
  await closeDb();
  globalThis.indexedDB = new IDBFactory();
  [shown.toast, shown.problem, alike.groups, alike.stopped].forEach((mock) => mock.mockReset());
});
afterEach(() => {
  cleanup();
  vi.useRealTimers();
});

async function keep(...pictures: Picture[]): Promise<void> {
  await atomically(['pictures'], async (tx) => {
    for (const picture of pictures) await put(tx, 'pictures', picture);
  });
  announce('pictures');
}
const setOf = (id: string, more: Partial<PictureSet> = {}): PictureSet => ({
  id,
  name: `Set ${id}`,
  createdAtMs: 1,
  binnedAtMs: null,
  ...more,
});
const idsOf = (pictures: readonly Picture[]): string[] => pictures.map((p) => p.id);

describe('what of the library is shown', () => {
  const viewOf = (placeId: string, set?: PictureSet) => renderHook(() => useLibraryView(placeId, set));
  it('is what the place holds: the library, the later shelf, a set in its order; never what is in the bin', async () => {
    await keep(
      pictureOf('a', { setIds: ['s'], addedAtMs: 1 }),
      pictureOf('b', { laterAtMs: 5, addedAtMs: 2 }),
      pictureOf('c', { setIds: ['s'], addedAtMs: 3 }),
      pictureOf('d', { setIds: ['s'], binnedAtMs: 9 }),
    );
    const library = viewOf(LIBRARY_ID);
    await waitFor(() => expect(idsOf(library.result.current.all ?? [])).toEqual(['a', 'b', 'c']));
    expect(idsOf(library.result.current.found)).toEqual(['c', 'b', 'a']);
    const shelf = viewOf(LATER_ID);
    await waitFor(() => expect(idsOf(shelf.result.current.found)).toEqual(['b']));
    const set = viewOf('s', setOf('s', { order: ['c', 'a'] }));
    await waitFor(() => expect(idsOf(set.result.current.found)).toEqual(['c', 'a']));
  });
  it('of a set by a rule is what the rule finds, also what comes in later', async () => {
    await keep(pictureOf('a', { tags: ['rope'] }), pictureOf('b'));
    const rule = { ...EVERYTHING, wanted: { theme: ['rope'] } };
    const { result } = viewOf('ruled', setOf('ruled', { rule }));
    await waitFor(() => expect(idsOf(result.current.here)).toEqual(['a']));
    await keep(pictureOf('c', { tags: ['rope'] }));
    await waitFor(() => expect(idsOf(result.current.here).toSorted()).toEqual(['a', 'c']));
  });
  it('is searched by the query of the place, which is found again later and asked nowhere else', async () => {
    await keep(pictureOf('rope'), pictureOf('bell'));
    const first = viewOf(LIBRARY_ID);
    await waitFor(() => expect(first.result.current.all).toHaveLength(2));
    act(() => first.result.current.setQuery({ ...first.result.current.query, text: 'rope' }));
    await waitFor(() => expect(idsOf(first.result.current.found)).toEqual(['rope']));
    expect(first.result.current.isAll).toBe(false);
    act(() => first.result.current.setView({ view: 'board', tilePx: 200 }));
    first.unmount();
    const again = viewOf(LIBRARY_ID);
    await waitFor(() => expect(again.result.current.query.text).toBe('rope'));
    expect([again.result.current.view, again.result.current.tilePx]).toEqual(['board', 200]);
    const elsewhere = viewOf(LATER_ID);
    await waitFor(() => expect(elsewhere.result.current.all).toHaveLength(2));
    expect(elsewhere.result.current.query.text).toBe(EVERYTHING.text);
  });
  it('counts how often each was drawn by the learner', async () => {
    await keep(pictureOf('a'), pictureOf('b'));
    const block = poses(2);
    const plan = planOf(
      block.kind === 'poses'
        ? { ...block, poses: block.poses.map((p) => ({ ...p, referenceId: 'picture/a' })) }
        : block,
    );
    await saveSession(sessionOf(plan, [], { id: 'own' }));
    const { result } = viewOf(LIBRARY_ID);
    await waitFor(() => expect([...result.current.timesDrawn]).toEqual([['a', 2]]));
  });
});

describe('choosing pictures', () => {
  const pictures = ['a', 'b', 'c', 'd', 'e'].map((id) => pictureOf(id));
  it('goes one by one, in ranges, all at once, and back', () => {
    const { result } = renderHook(() => useSelection(pictures));
    act(() => result.current.toggle(1, false));
    act(() => result.current.toggle(3, true));
    expect([...result.current.chosen]).toEqual(['b', 'c', 'd']);
    act(() => result.current.toggle(2, false));
    expect([...result.current.chosen]).toEqual(['b', 'd']);
    // Backward from the one touched last.
    act(() => result.current.toggle(0, true));
    expect([...result.current.chosen]).toEqual(['a', 'b', 'c', 'd']);
    act(() => result.current.all());
    expect(result.current.chosen.size).toBe(5);
    act(() => result.current.clear());
    expect(result.current.chosen.size).toBe(0);
  });
  it('forgets none that is only out of sight, and counts none that is', () => {
    const { result, rerender } = renderHook(({ seen }) => useSelection(seen), { initialProps: { seen: pictures } });
    act(() => result.current.all());
    rerender({ seen: pictures.slice(0, 2) });
    expect([...result.current.chosen]).toEqual(['a', 'b']);
    rerender({ seen: pictures });
    expect(result.current.chosen.size).toBe(5);
  });
});

describe('undoing by keys', () => {
  const press = (key: string, more: KeyboardEventInit = {}, on: Element = document.body): boolean =>
    fireEvent.keyDown(on, { key, ctrlKey: true, ...more });
  it('takes back what was done to pictures and does it again, and says what', async () => {
    await keep(pictureOf('a'));
    await alterPictures('1 picture put in the bin', ['a'], () => ({ binnedAtMs: 7 }));
    renderHook(() => useUndoKeys());
    expect(press('z')).toBe(false);
    await waitFor(() => expect(shown.toast).toHaveBeenLastCalledWith('Undone: 1 picture put in the bin.'));
    expect((await loadPicture('a'))?.binnedAtMs).toBeNull();
    press('y');
    await waitFor(() => expect(shown.toast).toHaveBeenLastCalledWith('Done again: 1 picture put in the bin.'));
    expect((await loadPicture('a'))?.binnedAtMs).toBe(7);
    press('z');
    await waitFor(async () => expect((await loadPicture('a'))?.binnedAtMs).toBeNull());
    press('Z', { shiftKey: true });
    await waitFor(async () => expect((await loadPicture('a'))?.binnedAtMs).toBe(7));
  });
  it('leaves a field that is written in alone, and other keys', () => {
    renderHook(() => useUndoKeys());
    const field = document.body.appendChild(document.createElement('textarea'));
    expect(press('z', {}, field)).toBe(true);
    expect(press('a')).toBe(true);
    expect(press('z', { ctrlKey: false })).toBe(true);
    field.remove();
    expect(shown.toast).not.toHaveBeenCalled();
  });
  it('says so where there is nothing', async () => {
    renderHook(() => useUndoKeys());
    press('z');
    await waitFor(() => expect(shown.toast).toHaveBeenCalledWith('There is nothing to undo.'));
  });
});

describe('what is done to pictures', () => {
  const act1 = async (does: (actions: ReturnType<typeof useLibraryActions>) => void): Promise<Picture | undefined> => {
    const before = shown.toast.mock.calls.length;
    does(renderHook(() => useLibraryActions()).result.current);
    await waitFor(() => expect(shown.toast.mock.calls.length).toBe(before + 1));
    return loadPicture('a');
  };
  it('is done to the picture, told, and undone from where it was told', async () => {
    await keep(pictureOf('a'), pictureOf('b'));
    expect((await act1((on) => on.addTheme(['a'], 'rope')))?.tags).toEqual(['rope']);
    const [words, { action }] = shown.toast.mock.calls[0] as [string, { action: { onClick: () => void } }];
    expect(words).toBe('1 picture given the theme rope.');
    action.onClick();
    await waitFor(async () => expect((await loadPicture('a'))?.tags).toEqual([]));
    await waitFor(() => expect(shown.toast).toHaveBeenLastCalledWith('Undone: 1 picture given the theme rope.'));
  });
  it('changes what it says it does and nothing besides', async () => {
    const start = pictureOf('a', { tags: ['net'], found: { family: 'seated' } });
    await keep(start, pictureOf('b'));
    expect((await act1((on) => on.correct(['a'], 'family', 'reclining')))?.corrected).toEqual({ family: 'reclining' });
    expect((await act1((on) => on.correct(['a'], 'family', undefined)))?.corrected).toEqual({});
    expect((await act1((on) => on.removeTheme(['a'], 'net')))?.tags).toEqual([]);
    expect((await act1((on) => on.setLicense(['a'], 'own')))?.rights.license).toBe('own');
    expect((await act1((on) => on.setRights(['a'], { credit: 'me' })))?.rights).toMatchObject({
      license: 'own',
      credit: 'me',
    });
    expect((await act1((on) => on.felt(['a'], 1)))?.felt).toBe(1);
    expect((await act1((on) => on.felt(['a'], -1)))?.felt).toBe(0);
    expect((await act1((on) => on.later(['a'], true)))?.laterAtMs).not.toBeNull();
    expect((await act1((on) => on.later(['a'], false)))?.laterAtMs).toBeNull();
    expect((await act1((on) => on.bin(['a'])))?.binnedAtMs).not.toBeNull();
    expect((await act1((on) => on.putBack(['a'])))?.binnedAtMs).toBeNull();
    expect((await act1((on) => on.keepBeside([start, pictureOf('b')])))?.keptBeside).toEqual(['b']);
    expect(await loadPicture('a')).toEqual({
      ...start,
      tags: [],
      rights: { ...start.rights, license: 'own', credit: 'me' },
      keptBeside: ['b'],
    });
  });
  it('puts into sets, takes out of them, and pins', async () => {
    await keep(pictureOf('a'));
    const set = setOf('s', { pins: ['z'] });
    await saveSet(set);
    expect((await act1((on) => on.putIntoSet(['a', 'a'], set)))?.setIds).toEqual(['s']);
    await act1((on) => on.pin(set, ['a'], true));
    expect((await loadSet('s'))?.pins).toEqual(['z', 'a']);
    await act1((on) => on.pin({ ...set, pins: ['z', 'a'] }, ['z'], false));
    expect((await loadSet('s'))?.pins).toEqual(['a']);
    expect((await act1((on) => on.takeOutOfSet(['a'], set)))?.setIds).toEqual([]);
    renderHook(() => useLibraryActions()).result.current.order(set, ['a', 'b']);
    await waitFor(async () => expect((await loadSet('s'))?.order).toEqual(['a', 'b']));
  });
  it('tells in a sentence when it could not be', async () => {
    tellOf(Promise.reject(new DOMException('full', 'QuotaExceededError')), 'Never done');
    await waitFor(() => expect(shown.problem).toHaveBeenCalledOnce());
    expect(shown.problem.mock.calls[0][0]).toMatch(/\.$/);
    expect(shown.toast).not.toHaveBeenCalled();
  });
});

describe('pictures dropped and pasted', () => {
  const transferOf = (...files: File[]) => ({ types: ['Files'], items: [], files });
  it('are given on, wherever they are dropped, and hovering shows while it lasts', async () => {
    const give = vi.fn();
    const { result } = renderHook(() => useDropAndPaste(give));
    const file = new File(['x'], 'rope.jpg', { type: 'image/jpeg' });
    fireEvent.dragOver(document.body, { dataTransfer: transferOf(file) });
    expect(result.current).toBe(true);
    act(() => void document.body.dispatchEvent(new MouseEvent('dragleave', { bubbles: true, relatedTarget: null })));
    expect(result.current).toBe(false);
    fireEvent.dragOver(document.body, { dataTransfer: transferOf(file) });
    fireEvent.drop(document.body, { dataTransfer: transferOf(file) });
    expect(result.current).toBe(false);
    await waitFor(() => expect(give).toHaveBeenCalledWith([{ file, name: 'rope.jpg' }]));
    const pasted = new File(['y'], '', { type: 'image/png' });
    fireEvent.paste(document.body, { clipboardData: transferOf(pasted) });
    await waitFor(() => expect(give).toHaveBeenLastCalledWith([{ file: pasted, name: 'Pasted picture' }]));
  });
  it('do not hover when it is words that are dragged', () => {
    const { result } = renderHook(() => useDropAndPaste(vi.fn()));
    fireEvent.dragOver(document.body, { dataTransfer: { types: ['text/plain'], items: [], files: [] } });
    expect(result.current).toBe(false);
  });
  it('of a folder come with their paths, without what is hidden in it', async () => {
    const give = vi.fn();
    renderHook(() => useDropAndPaste(give));
    const fileEntry = (name: string) => ({
      name,
      isFile: true,
      isDirectory: false,
      file: (done: (file: File) => void) => done(new File(['x'], name)),
    });
    const directory = (name: string, inside: unknown[]) => ({
      name,
      isFile: false,
      isDirectory: true,
      createReader: () => {
        // Handed out one by one, as browsers do by the hundred.
        const left = [...inside];
        return { readEntries: (done: (entries: unknown[]) => void) => done(left.splice(0, 1)) };
      },
    });
    const folder = directory('poses', [
      fileEntry('a.jpg'),
      fileEntry('.hidden'),
      directory('more', [fileEntry('b.jpg'), fileEntry('c.jpg')]),
    ]);
    fireEvent.drop(document.body, {
      dataTransfer: { types: ['Files'], items: [{ webkitGetAsEntry: () => folder }], files: [] },
    });
    await waitFor(() => expect(give).toHaveBeenCalledOnce());
    const given = give.mock.calls[0][0] as { name: string }[];
    expect(given.map((g) => g.name)).toEqual(['poses/a.jpg', 'poses/more/b.jpg', 'poses/more/c.jpg']);
  });
});

describe('pictures that look alike', () => {
  beforeEach(() => void vi.useFakeTimers());
  it('are looked for once pictures have stopped coming, and given by their records as they are now', async () => {
    alike.groups.mockResolvedValue([
      ['a', 'b'],
      ['c', 'gone'],
    ]);
    const [a, b, c] = ['a', 'b', 'c'].map((id) => pictureOf(id));
    const { result, rerender } = renderHook(({ pictures }) => useAlike(pictures), {
      initialProps: { pictures: [a, b] },
    });
    await act(() => vi.advanceTimersByTimeAsync(400));
    rerender({ pictures: [a, b, c] });
    await act(() => vi.advanceTimersByTimeAsync(400));
    expect(alike.groups).not.toHaveBeenCalled();
    await act(() => vi.advanceTimersByTimeAsync(400));
    expect(alike.groups).toHaveBeenCalledOnce();
    // Of the second group one is no longer here, and one alone is like nothing.
    expect(result.current).toEqual([[a, b]]);
    const renamed = { ...a, name: 'other.jpg' };
    rerender({ pictures: [renamed, b, c] });
    expect(result.current[0][0]).toBe(renamed);
    await act(() => vi.advanceTimersByTimeAsync(2000));
    expect(alike.groups).toHaveBeenCalledOnce();
    expect(alike.stopped).toHaveBeenCalled();
  });
  it('are not looked for among one, and no longer after leaving', async () => {
    alike.groups.mockReturnValue(new Promise(() => undefined));
    renderHook(() => useAlike([pictureOf('a')]));
    await act(() => vi.advanceTimersByTimeAsync(2000));
    expect(alike.groups).not.toHaveBeenCalled();
    const { unmount } = renderHook(() => useAlike([pictureOf('a'), pictureOf('b')]));
    await act(() => vi.advanceTimersByTimeAsync(2000));
    unmount();
    expect(alike.stopped).toHaveBeenCalledOnce();
  });
});
