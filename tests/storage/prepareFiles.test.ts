import { describe, expect, it, vi } from 'vitest';
import type { Preparation } from '@/workers/picture.worker';

const workers: { stopped: boolean; jobs: string[] }[] = [];
/** Each file takes as long as its content says. */
vi.mock('@/workers/clients', () => ({
  startPictureWorker: () => {
    const record = { stopped: false, jobs: [] as string[] };
    workers.push(record);
    return {
      api: {
        prepare: async (file: File): Promise<Preparation> => {
          record.jobs.push(file.name);
          const ms = Number(await file.text());
          if (ms < 0) throw new Error('cannot be read');
          await new Promise((r) => setTimeout(r, ms));
          return { ok: false, problem: { kind: 'empty' } };
        },
      },
      stop: () => {
        record.stopped = true;
      },
    };
  },
}));
const { startPreparer } = await import('@/workers/prepareFile');

const files = (...lengthsMs: number[]): { file: File; name: string }[] =>
  lengthsMs.map((ms, i) => ({ file: new File([String(ms)], String(i)), name: String(i) }));
const never = new AbortController().signal;

describe('startPreparer', () => {
  it('hands results on in order, however long each takes, from two workers', async () => {
    workers.length = 0;
    const seen: string[] = [];
    const preparer = startPreparer();
    await preparer.all(files(30, 1, 20, 1, 1), never, ({ name }) => {
      seen.push(name);
      return Promise.resolve();
    });
    expect(seen).toEqual(['0', '1', '2', '3', '4']);
    expect(workers.map((w) => w.jobs)).toEqual([
      ['0', '2', '4'],
      ['1', '3'],
    ]);
    // They are kept for the next files, until stopped.
    expect(workers.some((w) => w.stopped)).toBe(false);
    preparer.stop();
    expect(workers.every((w) => w.stopped)).toBe(true);
  });
  it('goes on after a file that cannot be read', async () => {
    const kinds: string[] = [];
    await startPreparer().all(files(1, -1, 1), never, (_given, preparation) => {
      if (!preparation.ok) kinds.push(preparation.problem.kind);
      return Promise.resolve();
    });
    expect(kinds).toEqual(['empty', 'failed', 'empty']);
  });
  it('stops at once when it is aborted, also in the middle of a file', async () => {
    workers.length = 0;
    const controller = new AbortController();
    const seen: string[] = [];
    await startPreparer().all(files(1, 100_000, 1), controller.signal, ({ name }) => {
      seen.push(name);
      setTimeout(() => controller.abort(), 5);
      return Promise.resolve();
    });
    expect(seen).toEqual(['0']);
    expect(workers.every((w) => w.stopped)).toBe(true);
  });
  it('goes no further when what is done with a result fails', async () => {
    await expect(startPreparer().all(files(1, 1), never, () => Promise.reject(new Error('no disk')))).rejects.toThrow(
      'no disk',
    );
  });
  it('starts no worker for no files', async () => {
    workers.length = 0;
    await startPreparer().all([], never, () => Promise.reject(new Error('nothing to do')));
    expect(workers).toEqual([]);
  });
});
