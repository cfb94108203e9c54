import { BlobReader, Uint8ArrayReader, ZipWriter } from '@zip.js/zip.js/lib/zip-core-native.js';
import * as z from 'zod/mini';
import { counted } from '../words';
import { digestOf, digestOfBlob, type NewDigest } from './digest';
import { fileEnding } from './fileEnding';
import { mendRecord, mendSettings } from './mend';
import { KIND_WORDS, noRecords, RECORD_KINDS, type RecordKind, type Records } from './records';
import { listZip, ZIP_OPTIONS, ZipError, type ZipFile, type ZipLimits } from './zip';

const FORMAT = 'fox-minute archive';
/**
 * Version 1 knew one set a picture and no facts, version 2 no plans, version 3 no reflections and viewings, version 4 kept all records
 * in one file without a checksum of its own; all are still read.
 */
const VERSION = 5;
/** Records of one kind in one file at most, so that no file of any archive has to be read in pieces. */
const RECORDS_EACH = 500;

const checksum = { bytes: z.int().check(z.minimum(0)), sha256: z.string().check(z.regex(/^[0-9a-f]{64}$/)) };
const fileSchema = z.object({
  path: z.string().check(z.regex(/^images\/(page|picture|thumbnail)\/[A-Za-z0-9-]+\.[a-z0-9]+$/)),
  type: z.string().check(z.regex(/^image\/[a-z0-9.+-]+$/)),
  ...checksum,
});
const recordFileSchema = z.object({ path: z.string().check(z.regex(/^records\/[a-z]+(-\d+)?\.json$/)), ...checksum });
const manifestSchema = z.object({
  format: z.literal(FORMAT),
  version: z.int().check(z.minimum(1)),
  exportedAtMs: z.int(),
  files: z.array(fileSchema),
  /** Since version 5. */
  records: z._default(z.array(recordFileSchema), []),
});
type Manifest = z.infer<typeof manifestSchema>;

export interface ArchivedImage {
  /** `page/<id>`, `picture/<id>` or `thumbnail/<id>`. */
  key: string;
  image: Blob;
}

const pathOf = (key: string, type: string): string => `images/${key}.${fileEnding(type)}`;
const keyOf = (path: string): string => path.slice('images/'.length, path.lastIndexOf('.'));

const toBytes = (value: unknown): Uint8Array<ArrayBuffer> => new TextEncoder().encode(JSON.stringify(value, null, 1));

/** Records as files: every kind by so many, and the settings. */
function* recordFiles(records: Records): Generator<{ path: string; value: unknown }> {
  for (const kind of RECORD_KINDS)
    for (let from = 0; from < records[kind].length; from += RECORDS_EACH)
      yield {
        path: `records/${kind}-${String(from / RECORDS_EACH + 1)}.json`,
        value: records[kind].slice(from, from + RECORDS_EACH),
      };
  yield { path: 'records/settings.json', value: records.settings };
}

/**
 * Write an archive as a stream, a piece of a file in memory at a time, of any size (ZIP64 where it is needed).
 * @param into Receives the ZIP's bytes in order; closed at the end.
 * @throws AbortError when the signal says so; the stream is then of no use.
 */
export async function writeArchive(
  records: Records,
  images: AsyncIterable<ArchivedImage>,
  exportedAtMs: number,
  newDigest: NewDigest,
  into: WritableStream<Uint8Array>,
  signal?: AbortSignal,
): Promise<void> {
  const zip = new ZipWriter(into, { ...ZIP_OPTIONS, extendedTimestamp: false, lastModDate: new Date(exportedAtMs) });
  const add = async (path: string, bytes: Uint8Array<ArrayBuffer>): Promise<void> => {
    signal?.throwIfAborted();
    await zip.add(path, new Uint8ArrayReader(bytes), { level: 6 });
  };
  const manifest: Manifest = { format: FORMAT, version: VERSION, exportedAtMs, files: [], records: [] };
  for await (const { key, image } of images) {
    const path = pathOf(key, image.type);
    signal?.throwIfAborted();
    const sha256 = await digestOfBlob(image, newDigest);
    await zip.add(path, new BlobReader(image), { level: 0 });
    manifest.files.push({ path, type: image.type, bytes: image.size, sha256 });
  }
  for (const { path, value } of recordFiles(records)) {
    const bytes = toBytes(value);
    manifest.records.push({ path, bytes: bytes.length, sha256: digestOf(bytes, newDigest) });
    await add(path, bytes);
  }
  await add('manifest.json', toBytes(manifest));
  await zip.close();
}

export type ArchiveProblem = 'not a zip' | 'not ours' | 'unsafe' | 'too large' | 'newer' | 'damaged';

/** Why an archive cannot be read; its message is for the learner. */
export class ArchiveError extends Error {
  override name = 'ArchiveError';
  constructor(readonly problem: ArchiveProblem) {
    super(archiveProblemSentence(problem));
  }
}

/** What is wrong with a file that was to be put back, and what is safe. */
export function archiveProblemSentence(problem: ArchiveProblem): string {
  const safe = 'Nothing kept here was changed.';
  switch (problem) {
    case 'not a zip':
      return `This file is not a whole ZIP: it is something else, or it breaks off before its end. ${safe} Choose the ZIP that Fox Minute gave you, or copy it again.`;
    case 'not ours':
      return `This ZIP was not made by Fox Minute: it holds no Fox Minute records. ${safe} Choose the ZIP you took out on the Data page.`;
    case 'unsafe':
      return `This ZIP holds files that do not belong in a Fox Minute archive, some with paths that lead elsewhere. It was not opened. ${safe}`;
    case 'too large':
      return `This ZIP would unpack to far more than it should, so it was not opened. ${safe}`;
    case 'newer':
      return `This ZIP was made by a newer Fox Minute. ${safe} Update this one and try again.`;
    case 'damaged':
      return `Something in this ZIP is damaged: its contents do not match its own list. ${safe} Copy the file again from where it was kept.`;
  }
}

/** Images are stored as they are: only the JSON files can shrink much, and no file is larger than memory takes easily. */
const LIMITS: ZipLimits = {
  entries: 2_000_000,
  entryBytes: 256 * 1024 ** 2,
  totalBytes: Number.MAX_SAFE_INTEGER,
  ratio: (path) => (path.endsWith('.json') ? 400 : 50),
  totalRatio: 400,
};

const OURS =
  /^(manifest\.json|records\.json|records\/[a-z]+(-\d+)?\.json|images\/(page|picture|thumbnail)\/[A-Za-z0-9-]+\.[a-z0-9]+)$/;
/** The archive's own files by path; litter of archive programs is passed over, anything suspect stops the whole. */
async function ownFiles(zip: Blob): Promise<Map<string, ZipFile>> {
  try {
    const files = await listZip(zip, LIMITS, (path) => OURS.test(path));
    return new Map(files.map((file) => [file.path, file]));
  } catch (error) {
    if (!(error instanceof ZipError)) throw error;
    throw new ArchiveError(error.fault === 'too large' || error.fault === 'unsafe' ? error.fault : 'not a zip');
  }
}

async function bytesOf(file: ZipFile | undefined, signal?: AbortSignal): Promise<Uint8Array<ArrayBuffer>> {
  if (!file) throw new ArchiveError('damaged');
  try {
    return await file.read(signal);
  } catch (error) {
    throw error instanceof ZipError ? new ArchiveError('damaged') : error;
  }
}

function parseJson(bytes: Uint8Array): unknown {
  try {
    return JSON.parse(new TextDecoder('utf-8', { fatal: true }).decode(bytes));
  } catch {
    throw new ArchiveError('damaged');
  }
}

function parseManifest(value: unknown): Manifest {
  const header = z.looseObject({ format: z.unknown(), version: z.unknown() }).safeParse(value);
  if (!header.success) throw new ArchiveError('damaged');
  if (header.data.format !== FORMAT) throw new ArchiveError('not ours');
  if (typeof header.data.version === 'number' && header.data.version > VERSION) throw new ArchiveError('newer');
  const parsed = manifestSchema.safeParse(value);
  if (!parsed.success) throw new ArchiveError('damaged');
  return parsed.data;
}

/** Records as their files hold them, by kind: as they are kept now, or all in one file as up to version 4. */
async function rawRecords(
  files: ReadonlyMap<string, ZipFile>,
  { records: listed, version }: Manifest,
  newDigest: NewDigest,
  signal?: AbortSignal,
): Promise<Record<string, unknown>> {
  if (version < 5) {
    const all = parseJson(await bytesOf(files.get('records.json'), signal));
    if (typeof all !== 'object' || all === null) throw new ArchiveError('damaged');
    return all as Record<string, unknown>;
  }
  const out: Record<string, unknown[]> & { settings?: unknown } = {};
  for (const { path, bytes: length, sha256 } of listed) {
    const bytes = await bytesOf(files.get(path), signal);
    if (bytes.length !== length || digestOf(bytes, newDigest) !== sha256) throw new ArchiveError('damaged');
    const value = parseJson(bytes);
    const [kind] = path.slice('records/'.length).split(/[-.]/);
    if (kind === 'settings') out.settings = value;
    else if (Array.isArray(value)) (out[kind] ??= []).push(...(value as unknown[]));
    else throw new ArchiveError('damaged');
  }
  return out;
}

/** What an archive holds: read whole and checked, nothing of it put in yet. */
export interface ReadArchive {
  exportedAtMs: number;
  records: Records;
  /** Images stored as they are stay in the ZIP: a part of it each. */
  images: ArchivedImage[];
  imageBytes: number;
  /** What had to be mended or left out, in sentences. */
  told: string[];
}

function readRecords(raw: Readonly<Record<string, unknown>>): { records: Records; told: string[] } {
  const records = noRecords();
  const told: string[] = [];
  for (const kind of RECORD_KINDS) {
    const list = raw[kind] ?? [];
    if (!Array.isArray(list)) throw new ArchiveError('damaged');
    const read = list.map((value) => mendRecord(kind, value));
    const out = read.filter((m) => m === undefined).length;
    (records[kind] as unknown[]) = read.flatMap((m) => (m ? [m.value] : []));
    told.push(...read.flatMap((m) => m?.told ?? []));
    if (out > 0) told.push(`${leftOut(kind, out)} of no use as ${out === 1 ? 'it is' : 'they are'} and left out.`);
  }
  const settings = raw['settings'] ?? {};
  if (typeof settings !== 'object' || settings === null) throw new ArchiveError('damaged');
  const mended = mendSettings(settings as Record<string, unknown>);
  return { records: { ...records, settings: mended.value }, told: [...told, ...mended.told] };
}
const leftOut = (kind: RecordKind, n: number): string => `${counted(n, KIND_WORDS[kind])} ${n === 1 ? 'is' : 'are'}`;

/**
 * Read an archive completely and check every file of it against its checksum; a piece of an image in memory at a time.
 * @param onFile Called after each file with how many are done of how many.
 * @throws ArchiveError; AbortError when the signal says so
 */
export async function readArchive(
  zip: Blob,
  newDigest: NewDigest,
  { signal, onFile }: { signal?: AbortSignal; onFile?: (done: number, total: number) => void } = {},
): Promise<ReadArchive> {
  const files = await ownFiles(zip);
  if (!files.has('manifest.json') || (!files.has('records.json') && !files.has('records/settings.json')))
    throw new ArchiveError('not ours');
  const manifest = parseManifest(parseJson(await bytesOf(files.get('manifest.json'), signal)));
  const { records, told } = readRecords(await rawRecords(files, manifest, newDigest, signal));
  const images: ArchivedImage[] = [];
  let imageBytes = 0;
  for (const [i, { path, type, bytes: length, sha256 }] of manifest.files.entries()) {
    signal?.throwIfAborted();
    const file = files.get(path);
    if (file?.bytes !== length) throw new ArchiveError('damaged');
    const at = await file.stored();
    // What is stored as it is stays where it is.
    const image = at ? zip.slice(at.from, at.to, type) : new Blob([await bytesOf(file, signal)], { type });
    if (image.size !== length || (await digestOfBlob(image, newDigest)) !== sha256) throw new ArchiveError('damaged');
    images.push({ key: keyOf(path), image });
    imageBytes += length;
    onFile?.(i + 1, manifest.files.length);
  }
  return { exportedAtMs: manifest.exportedAtMs, records, images, imageBytes, told };
}
