import * as Comlink from 'comlink';
import { type ArchivedImage, ArchiveError, readArchive, type Records, writeArchive } from '@/core/interchange/archive';
import { sha256 } from './sha256';

export type ReadResult =
  { ok: true; records: Records; images: { key: string; image: Blob }[] } | { ok: false; sentence: string };

const api = {
  /**
   * @param load Fetches one image by its key from the storage of the page.
   * @param onImage Called after each image with how many are done.
   */
  async write(
    records: Records,
    imageKeys: string[],
    exportedAtMs: number,
    load: (key: string) => Promise<Blob | undefined>,
    onImage: (done: number) => void,
  ): Promise<Blob> {
    async function* images(): AsyncGenerator<ArchivedImage> {
      for (const [i, key] of imageKeys.entries()) {
        const blob = await load(key);
        if (blob) yield { key, type: blob.type, bytes: new Uint8Array(await blob.arrayBuffer()) };
        onImage(i + 1);
      }
    }
    const chunks: BlobPart[] = [];
    await writeArchive(records, images(), exportedAtMs, sha256, (chunk) => chunks.push(chunk.slice()));
    return new Blob(chunks, { type: 'application/zip' });
  },
  async read(file: Blob): Promise<ReadResult> {
    try {
      const { records, images } = await readArchive(new Uint8Array(await file.arrayBuffer()), sha256);
      return {
        ok: true,
        records,
        images: images.map(({ key, type, bytes }) => ({ key, image: new Blob([bytes], { type }) })),
      };
    } catch (error) {
      if (error instanceof ArchiveError) return { ok: false, sentence: error.message };
      throw error;
    }
  },
};
export type ArchiveApi = typeof api;
Comlink.expose(api);
