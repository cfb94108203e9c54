import { afterEach, describe, expect, it, vi } from 'vitest';
import { STUDIO } from '@/core/figure/picture/appearance';
import { figureQueue } from '@/features/run/stage/figureQueue';
import type { Client } from '@/workers/clients';
import type { FigureApi } from '@/workers/figure.worker';

/** A worker that answers when told to, and remembers what it was asked. */
function standIn() {
  const asked: string[] = [];
  const waiting: (() => void)[] = [];
  const answer = (what: string) => (id: string) =>
    new Promise<Blob>((resolve) => {
      asked.push(`${what} ${id}`);
      waiting.push(() => resolve(new Blob([id])));
    });
  let stopped = 0;
  const start = () =>
    ({
      api: { draft: answer('draft'), render: answer('finish') },
      stop: () => stopped++,
    }) as unknown as Client<FigureApi>;
  const tick = async () => {
    for (let i = 0; i < 5; i++) await Promise.resolve();
  };
  return { asked, start, tick, release: () => waiting.shift()?.(), stopped: () => stopped };
}

describe('the queue of figures in a run', () => {
  afterEach(() => void vi.useRealTimers());
  it('draws a draft while a finished picture is still being made', async () => {
    const worker = standIn();
    const queue = figureQueue(() => 'due', worker.start);
    void queue.finish('a', STUDIO);
    void queue.draft('b', STUDIO);
    await worker.tick();
    expect(worker.asked).toEqual(['finish a', 'draft b']);
  });
  it('takes one after another, and passes over what is no longer wanted', async () => {
    const worker = standIn();
    const wanted = new Set(['a', 'b', 'c']);
    const queue = figureQueue((id) => (wanted.has(id) ? 'due' : 'no'), worker.start);
    const [a, b, c] = ['a', 'b', 'c'].map((id) => queue.finish(id, STUDIO));
    await worker.tick();
    expect(worker.asked).toEqual(['finish a']);
    wanted.delete('b');
    worker.release();
    expect(await (await a).text()).toBe('a');
    await expect(b).rejects.toThrow('no longer wanted');
    await worker.tick();
    expect(worker.asked).toEqual(['finish a', 'finish c']);
    worker.release();
    expect(await (await c).text()).toBe('c');
    queue.stop();
    expect(worker.stopped()).toBe(1);
  });
  it('leaves the machine alone for as long as a picture took, unless the next is due', async () => {
    vi.useFakeTimers();
    const worker = standIn();
    const due = new Set<string>();
    const queue = figureQueue((id) => (due.has(id) ? 'due' : 'later'), worker.start);
    ['a', 'b', 'c'].forEach((id) => void queue.finish(id, STUDIO));
    await vi.advanceTimersByTimeAsync(0);
    expect(worker.asked).toEqual(['finish a']);
    await vi.advanceTimersByTimeAsync(3000);
    worker.release();
    await vi.advanceTimersByTimeAsync(2600);
    expect(worker.asked).toEqual(['finish a']);
    await vi.advanceTimersByTimeAsync(600);
    expect(worker.asked).toEqual(['finish a', 'finish b']);
    await vi.advanceTimersByTimeAsync(60_000);
    worker.release();
    // However long it took; and at once when it has become due.
    await vi.advanceTimersByTimeAsync(5000);
    expect(worker.asked).toHaveLength(2);
    due.add('c');
    await vi.advanceTimersByTimeAsync(300);
    expect(worker.asked).toEqual(['finish a', 'finish b', 'finish c']);
  });
});
