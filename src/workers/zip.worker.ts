import * as Comlink from 'comlink';
import { unzipFiles, ZipProblem } from '@/core/references/pictureZip';

const api = {
  /**
   * Unpack a ZIP of pictures.
   * @param each Receives every file in turn.
   * @returns A sentence when something stopped it, else undefined.
   */
  async unpack(zip: File, each: (file: File) => Promise<void>): Promise<string | undefined> {
    try {
      await unzipFiles(zip, ({ name, content }) => each(new File([content], name)));
      return undefined;
    } catch (error) {
      if (error instanceof ZipProblem) return `“${zip.name}” ${error.message}.`;
      throw error;
    }
  },
};
export type ZipApi = typeof api;
Comlink.expose(api);
