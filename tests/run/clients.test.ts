import { afterEach, describe, expect, it, vi } from 'vitest';
import { startPictureWorker } from '@/workers/clients';

/** Stands in for a worker: it answers nothing, and fails when it is told to. */
class SilentWorker extends EventTarget {
  static last: SilentWorker;
  constructor() {
    super();
    SilentWorker.last = this;
  }
  postMessage = vi.fn();
  terminate = vi.fn();
}
const failure = (message: string): Event => Object.assign(new Event('error'), { message });

afterEach(() => vi.unstubAllGlobals());

describe('a worker that can not be started', () => {
  it('fails the calls that wait for it, and all after them', async () => {
    vi.stubGlobal('Worker', SilentWorker);
    const { api } = startPictureWorker();
    const waiting = api.atSize(new Blob(), 1, 1, false, []);
    SilentWorker.last.dispatchEvent(failure(''));
    await expect(waiting).rejects.toMatchObject({
      message: 'a worker could not be started',
      cause: 'its script was not loaded',
    });
    await expect(api.atSize(new Blob(), 1, 1, false, [])).rejects.toThrow('could not be started');
  });
  it('is told from an error of one that has answered before', async () => {
    vi.stubGlobal('Worker', SilentWorker);
    const { api } = startPictureWorker();
    const waiting = api.atSize(new Blob(), 1, 1, false, []);
    SilentWorker.last.dispatchEvent(new MessageEvent('message', { data: {} }));
    SilentWorker.last.dispatchEvent(failure('one picture was too large'));
    let outcome = 'still waiting';
    waiting.catch(() => (outcome = 'failed'));
    await new Promise((resolve) => setTimeout(resolve, 10));
    expect(outcome).toBe('still waiting');
  });
});
