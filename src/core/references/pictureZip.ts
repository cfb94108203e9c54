import { Unzip, UnzipInflate, UnzipPassThrough } from 'fflate';
import { MAX_FILES } from './imageFile';

/** A file out of a ZIP. */
export interface ZippedFile {
  name: string;
  bytes: Uint8Array<ArrayBuffer>;
}

/** What a ZIP may unpack to, bytes: any one file, and all together. */
const LIMITS = { entry: 400 * 1024 ** 2, total: 8 * 1024 ** 3 };

/** Directories, and what archive programs leave behind. */
const isLitter = (name: string): boolean =>
  name.endsWith('/') || name.startsWith('__MACOSX/') || /(^|\/)\.[^/]*$/.test(name) || /(^|\/)Thumbs\.db$/i.test(name);

/** What stops a ZIP from being gone on with; what came out before stays. */
export class ZipProblem extends Error {
  override name = 'ZipProblem';
}

/**
 * Files of a ZIP as they come out, one in memory at a time.
 * @param chunks The ZIP's bytes in order.
 * @param each Called with each file; awaited before more is read.
 * @throws ZipProblem with a sentence for the learner.
 */
export async function unzipFiles(
  chunks: AsyncIterable<Uint8Array>,
  each: (file: ZippedFile) => Promise<void>,
  limits = LIMITS,
): Promise<number> {
  const ready: ZippedFile[] = [];
  let entries = 0;
  let total = 0;
  let failure: Error | undefined;
  let seen = 0;
  const unzip = new Unzip((entry) => {
    if (isLitter(entry.name) || failure) return;
    entries++;
    if (entries > MAX_FILES) {
      failure = new ZipProblem(`holds more than ${MAX_FILES.toLocaleString('en')} files; the first were taken`);
      return;
    }
    const parts: Uint8Array[] = [];
    let size = 0;
    entry.ondata = (error, part, final) => {
      if (failure) return;
      if (error) {
        failure = new ZipProblem(`is damaged at “${entry.name}”; what came before was taken`);
        return;
      }
      size += part.length;
      total += part.length;
      if (size > limits.entry || total > limits.total) {
        entry.terminate();
        failure = new ZipProblem('would unpack to far more than it should, so it was not gone on with');
        return;
      }
      parts.push(part);
      if (!final) return;
      const bytes = new Uint8Array(size);
      let at = 0;
      for (const p of parts) {
        bytes.set(p, at);
        at += p.length;
      }
      ready.push({ name: entry.name, bytes });
    };
    entry.start();
  });
  unzip.register(UnzipInflate);
  unzip.register(UnzipPassThrough);
  const handOn = async (): Promise<void> => {
    for (let file = ready.shift(); file; file = ready.shift()) await each(file);
    if (failure) throw failure;
  };
  for await (const chunk of chunks) {
    if (seen === 0 && !(chunk[0] === 0x50 && chunk[1] === 0x4b)) throw new ZipProblem('is not a ZIP');
    seen += chunk.length;
    try {
      unzip.push(chunk);
    } catch {
      failure ??= new ZipProblem('is packed in a way that cannot be read here; unpack it and choose its folder');
    }
    await handOn();
  }
  try {
    unzip.push(new Uint8Array(0), true);
  } catch {
    failure ??= new ZipProblem('breaks off before its end; what came before was taken');
  }
  await handOn();
  return entries;
}
