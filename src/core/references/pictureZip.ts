import { listZip, ZipError, type ZipLimits } from '../interchange/zip';
import { MAX_FILES } from './imageFile';

/** A file out of a ZIP: a part of the ZIP itself where it is stored as it is, else unpacked. */
export interface ZippedFile {
  name: string;
  content: Blob;
}

/** What a ZIP of pictures may unpack to. Pictures are packed already; what shrinks much more is none. */
export const PICTURE_ZIP_LIMITS: ZipLimits = {
  entries: MAX_FILES,
  entryBytes: 400 * 1024 ** 2,
  totalBytes: 16 * 1024 ** 3,
  ratio: () => 100,
  totalRatio: 100,
};

/** Directories, and what archive programs leave behind. */
const isLitter = (name: string): boolean =>
  name.endsWith('/') || name.startsWith('__MACOSX/') || /(^|\/)\.[^/]*$/.test(name) || /(^|\/)Thumbs\.db$/i.test(name);

/** What stops a ZIP from being gone on with; what came out before stays. */
export class ZipProblem extends Error {
  override name = 'ZipProblem';
}

function words({ fault, at }: ZipError): string {
  switch (fault) {
    case 'not a zip':
      return 'is not a whole ZIP; nothing of it was taken';
    case 'unsafe':
      return 'holds files with paths that lead elsewhere; nothing of it was taken';
    case 'too large':
      return 'would unpack to far more than it should, or to more than can be taken at once; nothing of it was taken';
    case 'damaged':
      return `is damaged at “${at}”; what came before was taken`;
    case 'cannot be read':
      return `is packed in a way that cannot be read here, at “${at}”; unpack it and choose its folder`;
  }
}

/**
 * Files of a ZIP one after another, one in memory at a time. Bombs are told by the ZIP's own list, before anything is unpacked, and
 * files that hold more than that list says end the unpacking.
 * @param each Called with each file; awaited before more is read.
 * @returns How many there were.
 * @throws ZipProblem with a sentence for the learner; AbortError when the signal says so.
 */
export async function unzipFiles(
  zip: Blob,
  each: (file: ZippedFile) => Promise<void>,
  { signal, limits = PICTURE_ZIP_LIMITS }: { signal?: AbortSignal; limits?: ZipLimits } = {},
): Promise<number> {
  try {
    const files = await listZip(zip, limits, (path) => !isLitter(path));
    for (const { path, read, stored } of files) {
      signal?.throwIfAborted();
      const at = await stored();
      await each({ name: path, content: at ? zip.slice(at.from, at.to) : new Blob([await read(signal)]) });
    }
    return files.length;
  } catch (error) {
    throw error instanceof ZipError ? new ZipProblem(words(error)) : error;
  }
}
