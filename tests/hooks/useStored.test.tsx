// @vitest-environment jsdom
import { act, cleanup, renderHook, waitFor } from '@testing-library/react';
import { IDBFactory } from 'fake-indexeddb';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { announce } from '@/storage/changes';
import { closeDb } from '@/storage/db';
import { useKeeping } from '@/storage/hooks/useKeeping';
import { useStored } from '@/storage/hooks/useStored';
import { loadSetting, saveSetting } from '@/storage/settings';

beforeEach(async () => {
  await closeDb();
  globalThis.indexedDB = new IDBFactory();
});
afterEach(() => {
  cleanup();
  vi.useRealTimers();
});

/** Answers by hand, in whatever order. */
function answers() {
  const open = new Map<string, (value: string) => void>();
  const load = vi.fn((key: string) => new Promise<string>((resolve) => open.set(key, resolve)));
  return { load, answer: (key: string, value: string) => act(() => Promise.resolve(open.get(key)?.(value))) };
}

describe('useStored', () => {
  it('has no value the moment its key changes, and never that of the key before', async () => {
    const { load, answer } = answers();
    const seen: (string | undefined)[] = [];
    const { result, rerender } = renderHook(
      ({ key }) => {
        const stored = useStored(() => load(key), ['sets'], [key]);
        seen.push(stored.value);
        return stored;
      },
      { initialProps: { key: 'a' } },
    );
    await answer('a', 'of a');
    expect(result.current.value).toBe('of a');
    const before = seen.length;
    rerender({ key: 'b' });
    expect(result.current.value).toBeUndefined();
    await answer('b', 'of b');
    expect(result.current.value).toBe('of b');
    expect(seen.slice(before)).not.toContain('of a');
  });
  it('takes no late answer of a key that is no longer asked for', async () => {
    const { load, answer } = answers();
    const { result, rerender } = renderHook(({ key }) => useStored(() => load(key), ['sets'], [key]), {
      initialProps: { key: 'a' },
    });
    rerender({ key: 'b' });
    await answer('b', 'of b');
    await answer('a', 'late');
    expect(result.current.value).toBe('of b');
  });
  it('reads again when its stores change, and not when others do', async () => {
    await saveSetting('minutes', 20);
    const { result } = renderHook(() => useStored(() => loadSetting('minutes'), ['settings'], []));
    await waitFor(() => expect(result.current.value).toBe(20));
    await act(() => saveSetting('minutes', 45));
    await waitFor(() => expect(result.current.value).toBe(45));
    const load = vi.fn(() => Promise.resolve(1));
    renderHook(() => useStored(load, ['plans'], []));
    await act(() => Promise.resolve(announce('settings')));
    expect(load).toHaveBeenCalledTimes(1);
  });
  it('keeps what it had and says so when reading it again fails', async () => {
    let fails = false;
    const load = (): Promise<string> => (fails ? Promise.reject(new Error('no')) : Promise.resolve('kept'));
    const { result } = renderHook(() => useStored(load, ['plans'], []));
    await waitFor(() => expect(result.current.value).toBe('kept'));
    fails = true;
    await act(() => Promise.resolve(announce('plans')));
    await waitFor(() => expect(result.current.problem).toMatch(/could not/));
    expect(result.current.value).toBe('kept');
  });
});

describe('useKeeping', () => {
  const keeping = () => renderHook(() => useKeeping('planDraft', () => undefined));
  it('keeps the last of several changes, once, a little later', async () => {
    const { result } = keeping();
    act(() => {
      for (const draft of ['1', '2', '3']) result.current(draft);
    });
    expect(await loadSetting('planDraft')).toBeUndefined();
    await waitFor(async () => expect(await loadSetting('planDraft')).toBe('3'));
  });
  it.each([
    ['its screen goes', (unmount: () => void) => unmount()],
    ['the page is left', () => window.dispatchEvent(new Event('pagehide'))],
  ])('keeps at once what is not kept yet when %s', async (_, leave) => {
    const { result, unmount } = keeping();
    act(() => result.current('unsaved'));
    // Nothing that waits for its time comes to it.
    vi.useFakeTimers({ toFake: ['setTimeout'] });
    leave(unmount);
    let kept: string | undefined;
    for (let i = 0; i < 500 && kept === undefined; i++) {
      await new Promise((resolve) => setImmediate(resolve));
      kept = await loadSetting('planDraft');
    }
    expect(kept).toBe('unsaved');
  });
  it('tells where it could not be kept', async () => {
    const onProblem = vi.fn();
    const { result, unmount } = renderHook(() => useKeeping('planDraft', onProblem));
    act(() => result.current('x'.repeat(5_000_000)));
    unmount();
    await waitFor(() => expect(onProblem).toHaveBeenCalledTimes(1));
    expect(await loadSetting('planDraft')).toBeUndefined();
  });
});
