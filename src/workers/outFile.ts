/** Files on their way out, in the browser's private file system: written to disk as they grow, whatever their size. */
const FOLDER = 'taking-out';
/** A download has read its file by then. */
const KEPT_MS = 3600_000;

export interface OutFile {
  into: WritableStream<Uint8Array>;
  /** The file as it was written, once the stream is closed. */
  done: () => Promise<Blob>;
}

/** Deletes exported files that are older than an hour; younger ones may still be downloading. */
export async function tidyOutFiles(nowMs: number): Promise<void> {
  const root = await navigator.storage.getDirectory();
  const folder = await root.getDirectoryHandle(FOLDER).catch(() => undefined);
  if (!folder) return;
  for await (const [name, handle] of folder as unknown as AsyncIterable<[string, FileSystemFileHandle]>) {
    const { lastModified } = await handle.getFile();
    if (nowMs - lastModified >= KEPT_MS) await folder.removeEntry(name);
  }
}

/** Deletes every exported file that is still in the private file system. */
export async function deleteOutFiles(): Promise<void> {
  if (typeof navigator === 'undefined' || !navigator.storage?.getDirectory) return;
  await tidyOutFiles(Infinity);
}

/** A file to write to; where the browser has no file system of its own, in its memory for blobs. */
export async function openOutFile(name: string): Promise<OutFile> {
  try {
    const root = await navigator.storage.getDirectory();
    const folder = await root.getDirectoryHandle(FOLDER, { create: true });
    const handle = await folder.getFileHandle(name, { create: true });
    return { into: await handle.createWritable(), done: () => handle.getFile() };
  } catch {
    return inBlobs();
  }
}

/** So much is handed over to the browser's blobs at a time, which keep it on disk. */
const PART_BYTES = 16 * 1024 ** 2;

function inBlobs(): OutFile {
  const parts: Blob[] = [];
  let chunks: Uint8Array<ArrayBuffer>[] = [];
  let bytes = 0;
  const flush = (): void => {
    parts.push(new Blob(chunks));
    chunks = [];
    bytes = 0;
  };
  return {
    into: new WritableStream<Uint8Array>({
      write(chunk) {
        chunks.push(new Uint8Array(chunk));
        bytes += chunk.length;
        if (bytes >= PART_BYTES) flush();
      },
      close: flush,
    }),
    done: () => Promise.resolve(new Blob(parts)),
  };
}
