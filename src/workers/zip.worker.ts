import * as Comlink from 'comlink';
import { unzipFiles, ZipProblem } from '@/core/references/pictureZip';

/** A stream as an async iterable: not every browser's streams are one. */
async function* chunksOf(stream: ReadableStream<Uint8Array>): AsyncGenerator<Uint8Array> {
  const reader = stream.getReader();
  for (let part = await reader.read(); !part.done; part = await reader.read()) yield part.value;
}

const api = {
  /**
   * Unpack a ZIP of pictures.
   * @param each Receives every file in turn.
   * @returns A sentence when something stopped it, else undefined.
   */
  async unpack(zip: File, each: (file: File) => Promise<void>): Promise<string | undefined> {
    try {
      await unzipFiles(chunksOf(zip.stream()), ({ name, bytes }) => each(new File([bytes], name)));
      return undefined;
    } catch (error) {
      if (error instanceof ZipProblem) return `“${zip.name}” ${error.message}.`;
      throw error;
    }
  },
};
export type ZipApi = typeof api;
Comlink.expose(api);
