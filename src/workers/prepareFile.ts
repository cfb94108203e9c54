import { type Client, startPictureWorker } from './clients';
import type { PictureApi, Preparation } from './picture.worker';

/** Files beyond this are not even read. */
const MAX_FILE_BYTES = 400 * 1024 ** 2;

/** Files prepared at once, each in a worker of its own. */
const WORKERS = 2;
/** Begun at once: while one is decoded, the other of its worker is made small. */
const AHEAD = 2 * WORKERS;

export interface Preparer {
  /**
   * Prepare files, a little ahead of the one that is handed on.
   * @param each Called with every result in order and awaited before the next; throwing stops the rest.
   */
  all: <T extends { file: File; name: string }>(
    files: readonly T[],
    signal: AbortSignal,
    each: (given: T, preparation: Preparation) => Promise<void>,
  ) => Promise<void>;
  stop: () => void;
}

/** Workers that prepare files, until stopped. */
export function startPreparer(): Preparer {
  let clients: Client<PictureApi>[] = [];
  const stop = (): void => {
    clients.forEach((client) => client.stop());
    clients = [];
  };
  return {
    stop,
    async all(files, signal, each) {
      const aborted = new Promise<undefined>((resolve) => {
        signal.addEventListener('abort', () => resolve(undefined), { once: true });
      });
      const begin = (index: number): Promise<Preparation> | undefined => {
        if (index >= files.length) return undefined;
        const client = (clients[index % WORKERS] ??= startPictureWorker());
        return prepareOne(client, files[index].file, files[index].name);
      };
      const coming = Array.from({ length: AHEAD }, (_, i) => begin(i));
      for (const [index, given] of files.entries()) {
        const preparation = await Promise.race([coming[index], aborted]);
        if (!preparation || signal.aborted) return stop();
        coming.push(begin(index + AHEAD));
        await each(given, preparation);
      }
    },
  };
}

/** A file that cannot be read at all (moved away meanwhile, a folder) is gone; one far too big is not even read. */
async function prepareOne(client: Client<PictureApi>, file: File, name: string): Promise<Preparation> {
  if (file.size > MAX_FILE_BYTES)
    return { ok: false, problem: { kind: 'too heavy', megabytes: Math.round(file.size / 1024 ** 2) } };
  try {
    return await client.api.prepare(file, name);
  } catch (error) {
    if (error instanceof Error && ['NotReadableError', 'NotFoundError'].includes(error.name))
      return { ok: false, problem: { kind: 'gone' } };
    console.error(`Preparing ${name} failed`, error);
    return { ok: false, problem: { kind: 'failed' } };
  }
}
