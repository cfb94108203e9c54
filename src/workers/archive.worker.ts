import * as Comlink from 'comlink';
import {
  type ArchivedImage,
  ArchiveError,
  type ReadArchive,
  readArchive,
  writeArchive,
} from '@/core/interchange/archive';
import { countRecords, type Records } from '@/core/interchange/records';
import { newDigests } from './digests';
import { openOutFile, tidyOutFiles } from './outFile';

export type ReadResult = { ok: true; archive: ReadArchive } | { ok: false; sentence: string };

/** How far it is: `reading` is looking through what was written, or what is to be put in; `putting` is putting it in. */
export interface Progress {
  stage: 'writing' | 'reading' | 'putting';
  done: number;
  total: number;
}

const api = {
  /**
   * Write an archive, then read it back and check it.
   * @param load Fetches one image by its key from the storage of the page.
   * @throws when what was written is not what was to be written
   */
  async write(
    records: Records,
    imageKeys: string[],
    nowMs: number,
    load: (key: string) => Promise<Blob | undefined>,
    onProgress: (progress: Progress) => void,
  ): Promise<Blob> {
    await tidyOutFiles(nowMs).catch(() => undefined);
    let images = 0;
    async function* loadAll(): AsyncGenerator<ArchivedImage> {
      for (const [i, key] of imageKeys.entries()) {
        const image = await load(key);
        if (image) {
          images++;
          yield { key, image };
        }
        onProgress({ stage: 'writing', done: i + 1, total: imageKeys.length });
      }
    }
    const out = await openOutFile(`fox-minute-${String(nowMs)}.zip`);
    const newDigest = await newDigests();
    await writeArchive(records, loadAll(), nowMs, newDigest, out.into);
    const zip = (await out.done()).slice(0, undefined, 'application/zip');
    const back = await readArchive(zip, newDigest, {
      onFile: (done, total) => onProgress({ stage: 'reading', done, total }),
    });
    if (back.images.length !== images || countRecords(back.records) !== countRecords(records))
      throw new ArchiveError('damaged');
    return zip;
  },
  async read(zip: Blob, onProgress: (progress: Progress) => void): Promise<ReadResult> {
    try {
      const archive = await readArchive(zip, await newDigests(), {
        onFile: (done, total) => onProgress({ stage: 'reading', done, total }),
      });
      return { ok: true, archive };
    } catch (error) {
      if (error instanceof ArchiveError) return { ok: false, sentence: error.message };
      throw error;
    }
  },
};
export type ArchiveApi = typeof api;
Comlink.expose(api);
