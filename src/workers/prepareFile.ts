import { type Client, startPictureWorker } from './clients';
import type { PictureApi, Preparation } from './picture.worker';

/** Files beyond this are not even read. */
const MAX_FILE_BYTES = 400 * 1024 ** 2;

/** Files prepared at once, each in a worker of its own. */
const WORKERS = 2;

/**
 * Prepare files in workers, a little ahead of the one that is handed on.
 * @param each Called with every result in order and awaited before the next; throwing stops the batch.
 */
export async function prepareFiles(
  files: readonly File[],
  signal: AbortSignal,
  each: (file: File, preparation: Preparation, index: number) => Promise<void>,
): Promise<void> {
  const clients: Client<PictureApi>[] = [];
  const stop = (): void => clients.forEach((client) => client.stop());
  const aborted = new Promise<undefined>((resolve) => {
    signal.addEventListener('abort', () => resolve(undefined), { once: true });
  });
  const begin = (index: number): Promise<Preparation> | undefined => {
    if (index >= files.length) return undefined;
    clients[index % WORKERS] ??= startPictureWorker();
    return prepareOne(clients[index % WORKERS], files[index]);
  };
  const coming = Array.from({ length: WORKERS }, (_, i) => begin(i));
  try {
    for (const [index, file] of files.entries()) {
      const preparation = await Promise.race([coming[index], aborted]);
      if (!preparation || signal.aborted) return;
      coming.push(begin(index + WORKERS));
      await each(file, preparation, index);
    }
  } finally {
    stop();
  }
}

/** A file that cannot be read at all (moved away meanwhile, a folder) counts as damaged; one far too big is not even read. */
async function prepareOne(client: Client<PictureApi>, file: File): Promise<Preparation> {
  if (file.size > MAX_FILE_BYTES) return { ok: false, problem: { kind: 'not a picture' } };
  try {
    return await client.api.prepare(file);
  } catch {
    return { ok: false, problem: { kind: 'damaged' } };
  }
}
