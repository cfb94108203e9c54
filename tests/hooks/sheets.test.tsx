// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { IDBFactory } from 'fake-indexeddb';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Session } from '@/core/journal/session';
import type * as FindModule from '@/features/journal/FindSheet';
import type * as SourceModule from '@/features/journal/sheetSource';

const push = vi.fn();
vi.mock('next/navigation', () => ({ useRouter: () => ({ push }) }));
const pages = vi.hoisted(() => ({ list: [] as { id: string }[] }));
vi.mock('@/storage/sessions/pages', () => ({ listPages: () => Promise.resolve(pages.list) }));

let FindSheet: typeof FindModule.FindSheet;
let source: typeof SourceModule;
beforeEach(async () => {
  globalThis.indexedDB = new IDBFactory();
  push.mockReset();
  pages.list = [{ id: 'p1' }];
  [{ FindSheet }, source] = await Promise.all([
    import('@/features/journal/FindSheet'),
    import('@/features/journal/sheetSource'),
  ]);
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

describe('a sheet by its code', () => {
  const session = { id: 's1', startedAtMs: new Date(2026, 3, 17, 19).getTime() } as Session;
  const find = (code: string): void => {
    fireEvent.change(screen.getByLabelText('Code on a sheet'), { target: { value: code } });
    fireEvent.click(screen.getByRole('button', { name: 'Find it' }));
  };
  it('is found on the desk; without a photograph its session is', async () => {
    render(<FindSheet sessions={[session]} />);
    find('0417-1-1');
    await waitFor(() => expect(push).toHaveBeenCalledWith('/desk?session=s1&page=p1'));
    find('0417-1-2');
    await screen.findByText('That sheet was not photographed yet: here is its session.');
    expect(push).toHaveBeenLastCalledWith('/journal?session=s1');
  });
  it('that is none, or of no session here, is told', async () => {
    render(<FindSheet sessions={[session]} />);
    find('the red one');
    await screen.findByText(/A code is month and day/);
    find('0418-1-1');
    await screen.findByText('There is no session of that day and number here.');
    expect(push).not.toHaveBeenCalled();
  });
});

describe('where pictures of a sheet come from', () => {
  const context = () => {
    const calls: string[] = [];
    return {
      calls,
      context: new Proxy({} as CanvasRenderingContext2D, {
        get: (_, name) => () => calls.push(String(name)),
        set: () => true,
      }),
    };
  };
  it('a made-up camera is restless first and comes to rest', async () => {
    const close = vi.fn();
    vi.stubGlobal('fetch', () => Promise.resolve(new Response(new Uint8Array(3))));
    vi.stubGlobal('createImageBitmap', () => Promise.resolve({ width: 900, height: 1200, close }));
    const now = vi.spyOn(performance, 'now').mockReturnValue(1000);
    const camera = await source.openSimulated();
    expect(camera.size()).toEqual({ width: 900, height: 1200 });
    const first = context();
    camera.paint(first.context, 90, 120);
    expect(first.calls.filter((name) => name === 'fillRect')).toHaveLength(2);
    now.mockReturnValue(9000);
    const last = context();
    camera.paint(last.context, 90, 120);
    // No shadow passes over it any more.
    expect(last.calls.filter((name) => name === 'fillRect')).toHaveLength(1);
    expect(last.calls).toContain('drawImage');
    camera.stop();
    expect(close).toHaveBeenCalled();
    now.mockRestore();
  });
  it('one that is not to be had says so', async () => {
    vi.stubGlobal('fetch', () => Promise.resolve(new Response(null, { status: 404 })));
    await expect(source.openSimulated()).rejects.toThrow('made-up sheet');
    vi.stubGlobal('navigator', {
      mediaDevices: { getUserMedia: () => Promise.reject(new DOMException('no', 'NotFoundError')) },
    });
    await expect(source.openCamera()).rejects.toThrow();
  });
});
