import { type Client, startPictureWorker } from './clients';
import type { PictureApi, Preparation } from './picture.worker';

/** Files beyond this are not even read. */
const MAX_FILE_BYTES = 400 * 1024 ** 2;

/**
 * Prepare files one after another in a worker.
 * @param each Called with every result in order and awaited before the next; throwing stops the batch.
 */
export async function prepareFiles(
  files: readonly File[],
  signal: AbortSignal,
  each: (file: File, preparation: Preparation, index: number) => Promise<void>,
): Promise<void> {
  let client: Client<PictureApi> | undefined;
  const stop = (): void => client?.stop();
  signal.addEventListener('abort', stop);
  try {
    for (const [index, file] of files.entries()) {
      if (signal.aborted) return;
      client ??= startPictureWorker();
      const aborted = new Promise<undefined>((resolve) => {
        signal.addEventListener('abort', () => resolve(undefined), { once: true });
      });
      const tooBig = file.size > MAX_FILE_BYTES;
      const preparation = await Promise.race([
        tooBig ? ({ ok: false, problem: { kind: 'not a picture' } } as const) : prepareOne(client, file),
        aborted,
      ]);
      if (!preparation) return;
      await each(file, preparation, index);
    }
  } finally {
    signal.removeEventListener('abort', stop);
    stop();
  }
}

/** A file that cannot be read at all (moved away meanwhile, a folder) counts as damaged. */
async function prepareOne(client: Client<PictureApi>, file: File): Promise<Preparation> {
  try {
    return await client.api.prepare(file);
  } catch {
    return { ok: false, problem: { kind: 'damaged' } };
  }
}
