// @vitest-environment jsdom
import { act, cleanup, renderHook, waitFor } from '@testing-library/react';
import { IDBFactory } from 'fake-indexeddb';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { atomically, closeDb } from '@/storage/db';
import { useStart } from '@/storage/hooks/useStart';
import { listSessions, runningSession, saveSession } from '@/storage/sessions/sessions';
import { loadSetting, saveSetting } from '@/storage/settings';
import { planOf, poses } from '../core/plans';
import { sessionOf } from '../core/sessions';

const push = vi.hoisted(() => vi.fn());
const router = { push };
vi.mock('next/navigation', () => ({ useRouter: () => router }));

const onProblem = vi.fn();
const starting = () => renderHook(() => useStart(onProblem));
const plan = planOf(poses(2));
beforeEach(async () => {
  await closeDb();
  globalThis.indexedDB = new IDBFactory();
  push.mockReset();
  onProblem.mockReset();
});
afterEach(cleanup);

it('keeps the session, goes to it, and has the time spent choosing go with it once', async () => {
  await saveSetting('choosingMs', 90_000);
  const { result } = starting();
  act(() => result.current.start(plan));
  expect(result.current.starting).toBe(true);
  await waitFor(() => expect(push).toHaveBeenCalledExactlyOnceWith('/run'));
  expect(await runningSession()).toMatchObject({ plan, status: 'running', choosingMs: 90_000 });
  expect(await loadSetting('choosingMs')).toBe(0);
});
it('keeps one that was cut off as far as it went', async () => {
  await saveSession(sessionOf(plan, [], { id: 'cut off', status: 'running', lastSeenMs: 7000 }));
  const { result } = starting();
  act(() => result.current.start(plan));
  await waitFor(() => expect(push).toHaveBeenCalled());
  const cut = (await listSessions()).find((s) => s.id === 'cut off');
  expect(cut?.status).toBe('kept');
  expect(cut?.log.at(-1)).toEqual({ type: 'stop', atMs: 7000 });
});
it('does first what is to be done first, and starts nothing where that fails', async () => {
  const { result } = starting();
  act(() => result.current.start(plan, () => Promise.reject(new DOMException('full', 'QuotaExceededError'))));
  await waitFor(() => expect(onProblem).toHaveBeenCalledOnce());
  expect(onProblem.mock.calls[0][0]).toMatch(/kept so far is safe/);
  expect([push.mock.calls.length, result.current.starting]).toEqual([0, false]);
  expect(await runningSession()).toBeUndefined();
  const order: string[] = [];
  push.mockImplementation(() => order.push('gone to it'));
  act(() =>
    result.current.start(plan, async () => {
      await atomically(['sessions'], () => Promise.resolve());
      order.push('first');
    }),
  );
  await waitFor(() => expect(order).toEqual(['first', 'gone to it']));
});
