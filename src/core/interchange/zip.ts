import {
  BlobReader,
  ERR_OVERLAPPING_ENTRY,
  ERR_UNSAFE_FILENAME,
  type FileEntry,
  ZipReader,
  type ZipWriterConstructorOptions,
} from '@zip.js/zip.js/lib/zip-core-native.js';

/** What a ZIP may unpack to. All of it is summed up from the ZIP's own list before anything is unpacked, and again while it is. */
export interface ZipLimits {
  entries: number;
  /** Bytes of any one file, and of all together. */
  entryBytes: number;
  totalBytes: number;
  /** Unpacked against packed bytes of one file; small files may be anything. */
  ratio: (path: string) => number;
  /** The same of all together. */
  totalRatio: number;
}

/** Below this a file may shrink as well as it can: even all of them together fill no memory. */
const SMALL_BYTES = 64 * 1024;

export type ZipFault = 'not a zip' | 'unsafe' | 'too large' | 'damaged' | 'cannot be read';
/** What is wrong with a ZIP. */
export class ZipError extends Error {
  override name = 'ZipError';
  constructor(
    readonly fault: ZipFault,
    /** The file in it that it was found at. */
    readonly at = '',
  ) {
    super(`${fault}${at && `: ${at}`}`);
  }
}

/** A file within a ZIP, not unpacked yet. */
export interface ZipFile {
  path: string;
  /** Unpacked, as the ZIP says. */
  bytes: number;
  /**
   * Unpack it, checked against its own checksum and never beyond the size that was declared.
   * @throws ZipError; AbortError when the signal says so
   */
  read: (signal?: AbortSignal) => Promise<Uint8Array<ArrayBuffer>>;
  /** Where its bytes stand in the ZIP itself; undefined where they are packed. */
  stored: () => Promise<{ from: number; to: number } | undefined>;
}

/** Without workers of the library's own: what reads a ZIP here is in one already. */
export const ZIP_OPTIONS: ZipWriterConstructorOptions = { useWebWorkers: false };

/** Below this all of them together may shrink as well as they can. */
const SMALL_TOTAL_BYTES = 8 * 1024 ** 2;

/**
 * The files in a ZIP by its own list, however many and large (ZIP64 too); nothing is unpacked yet, and nothing is held but names.
 * Directories are left out.
 * @param wanted Files that are looked at; what is not wanted is neither counted nor checked.
 * @throws ZipError when it is no ZIP, breaks off, or would unpack to more than the limits allow.
 */
export async function listZip(
  zip: Blob,
  limits: ZipLimits,
  wanted: (path: string) => boolean = () => true,
): Promise<ZipFile[]> {
  const reader = new ZipReader(new BlobReader(zip), {
    ...ZIP_OPTIONS,
    checkSignature: true,
    checkOverlappingEntry: true,
  });
  const files: ZipFile[] = [];
  let packed = 0;
  let total = 0;
  try {
    for await (const entry of reader.getEntriesGenerator()) {
      if (entry.directory || !wanted(entry.filename)) continue;
      const { filename: path, compressedSize, uncompressedSize: bytes } = entry;
      packed += compressedSize;
      total += bytes;
      if (
        files.length >= limits.entries ||
        bytes > limits.entryBytes ||
        total > limits.totalBytes ||
        packed > zip.size ||
        (bytes > SMALL_BYTES && bytes > compressedSize * limits.ratio(path))
      )
        throw new ZipError('too large', path);
      files.push({ path, bytes, read: (signal) => readEntry(entry, signal), stored: () => storedAt(zip, entry) });
    }
  } catch (error) {
    throw error instanceof ZipError ? error : new ZipError(faultOf(error));
  }
  if (total > SMALL_TOTAL_BYTES && total > packed * limits.totalRatio) throw new ZipError('too large');
  return files;
}

/** What the reader found: a path that leads elsewhere, files that lie over one another as only bombs have them, or no ZIP at all. */
function faultOf(error: unknown): ZipFault {
  const words = error instanceof Error ? error.message : '';
  return words === ERR_UNSAFE_FILENAME ? 'unsafe' : words === ERR_OVERLAPPING_ENTRY ? 'too large' : 'not a zip';
}

/** Stops an unpacking that gives more than was declared. */
class Overflow extends Error {}

async function readEntry(entry: FileEntry, signal: AbortSignal | undefined): Promise<Uint8Array<ArrayBuffer>> {
  if (entry.encrypted) throw new ZipError('cannot be read', entry.filename);
  const bytes = new Uint8Array(entry.uncompressedSize);
  let at = 0;
  const into = new WritableStream<Uint8Array>({
    write(chunk) {
      if (at + chunk.length > bytes.length) throw new Overflow();
      bytes.set(chunk, at);
      at += chunk.length;
    },
  });
  try {
    await entry.getData(into, { ...ZIP_OPTIONS, checkSignature: true, ...(signal && { signal }) });
  } catch (error) {
    if (signal?.aborted) throw new DOMException('canceled', 'AbortError');
    throw new ZipError(isUnsupported(error) ? 'cannot be read' : 'damaged', entry.filename);
  }
  if (at !== bytes.length) throw new ZipError('damaged', entry.filename);
  return bytes;
}

const isUnsupported = (error: unknown): boolean =>
  error instanceof Error && /not supported|encrypt/i.test(error.message);

const LOCAL_HEADER_BYTES = 30;
/** The bytes of a file that is stored as it is, behind its local header (APPNOTE 4.3.7: name and extra lengths at 26 and 28). */
async function storedAt(zip: Blob, entry: FileEntry): Promise<{ from: number; to: number } | undefined> {
  if (entry.compressionMethod !== 0 || entry.encrypted) return undefined;
  const header = new DataView(await zip.slice(entry.offset, entry.offset + LOCAL_HEADER_BYTES).arrayBuffer());
  const from = entry.offset + LOCAL_HEADER_BYTES + header.getUint16(26, true) + header.getUint16(28, true);
  return { from, to: from + entry.uncompressedSize };
}
