import { strFromU8, strToU8, unzipSync, type UnzipFileInfo, Zip, ZipDeflate, ZipPassThrough } from 'fflate';
import * as z from 'zod/mini';
import { bodySchema } from '../body/body';
import { pageSchema, sessionSchema } from '../journal/session';
import { viewingSchema } from '../journal/viewing';
import { savedPlanSchema } from '../practice/plan/savedPlan';
import { pictureSchema, pictureSetSchema } from '../references/picture';

/** Everything that is kept, without images. */
const recordsSchema = z.object({
  sessions: z.array(sessionSchema),
  pages: z.array(pageSchema),
  sets: z.array(pictureSetSchema),
  pictures: z.array(pictureSchema),
  bodies: z._default(z.array(bodySchema), []),
  plans: z._default(z.array(savedPlanSchema), []),
  viewings: z._default(z.array(viewingSchema), []),
  settings: z.record(z.string(), z.union([z.number(), z.string(), z.boolean()])),
});
export type Records = z.infer<typeof recordsSchema>;

const FORMAT = 'fox-minute archive';
/** Version 1 knew one set a picture and no facts, version 2 no plans, version 3 no reflections and viewings; all are still read. */
const VERSION = 4;
const fileSchema = z.object({
  path: z.string().check(z.regex(/^images\/(page|picture|thumbnail)\/[A-Za-z0-9-]+\.[a-z0-9]+$/)),
  type: z.string().check(z.regex(/^image\/[a-z0-9.+-]+$/)),
  bytes: z.int().check(z.minimum(0)),
  sha256: z.string().check(z.regex(/^[0-9a-f]{64}$/)),
});
const manifestSchema = z.object({
  format: z.literal(FORMAT),
  version: z.int().check(z.minimum(1)),
  exportedAtMs: z.int(),
  files: z.array(fileSchema),
});
type Manifest = z.infer<typeof manifestSchema>;

/** SHA-256 in hexadecimal; passed in, since platforms differ in where it is found. */
export type Digest = (bytes: Uint8Array<ArrayBuffer>) => Promise<string>;

export interface ArchivedImage {
  /** `page/<id>`, `picture/<id>` or `thumbnail/<id>`. */
  key: string;
  type: string;
  bytes: Uint8Array<ArrayBuffer>;
}

const EXTENSIONS: Record<string, string> = { 'image/jpeg': 'jpg', 'image/svg+xml': 'svg' };
const pathOf = (key: string, type: string): string =>
  `images/${key}.${EXTENSIONS[type] ?? type.slice('image/'.length)}`;
const keyOf = (path: string): string => path.slice('images/'.length, path.lastIndexOf('.'));

/**
 * Write an archive, one image in memory at a time.
 * @param emit Receives the ZIP's bytes in order.
 */
export async function writeArchive(
  records: Records,
  images: AsyncIterable<ArchivedImage>,
  exportedAtMs: number,
  digest: Digest,
  emit: (chunk: Uint8Array) => void,
): Promise<void> {
  let failure: Error | undefined;
  const zip = new Zip((error, chunk) => {
    if (error) failure = error;
    else emit(chunk);
  });
  const mtime = new Date(exportedAtMs);
  const add = (path: string, bytes: Uint8Array, compress: boolean): void => {
    const entry = compress ? new ZipDeflate(path, { level: 6 }) : new ZipPassThrough(path);
    entry.mtime = mtime;
    zip.add(entry);
    entry.push(bytes, true);
    if (failure) throw failure;
  };
  const files: Manifest['files'] = [];
  for await (const { key, type, bytes } of images) {
    const path = pathOf(key, type);
    files.push({ path, type, bytes: bytes.length, sha256: await digest(bytes) });
    add(path, bytes, false);
  }
  const manifest: Manifest = { format: FORMAT, version: VERSION, exportedAtMs, files };
  add('records.json', strToU8(JSON.stringify(records, null, 1)), true);
  add('manifest.json', strToU8(JSON.stringify(manifest, null, 1)), true);
  zip.end();
}

export type ArchiveProblem = 'not a zip' | 'not ours' | 'unsafe' | 'too large' | 'newer' | 'damaged';

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

/** Limits of what is unpacked. Images are stored as they are, so only the two small JSON files can shrink much. */
const MAX_ENTRIES = 60_000;
const MAX_TOTAL_BYTES = 4 * 1024 ** 3;
const MAX_JSON_BYTES = 256 * 1024 ** 2;
const MAX_JSON_RATIO = 1200;
const MAX_IMAGE_RATIO = 50;

const OURS = /^(manifest\.json|records\.json|images\/(page|picture|thumbnail)\/[A-Za-z0-9-]+\.[a-z0-9]+)$/;
const leadsElsewhere = (name: string): boolean => /(^|[\\/])\.\.([\\/]|$)|^[\\/]|^[A-Za-z]:|\\/.test(name);

/** Decides entry by entry what is unpacked: ours yes, litter of archive programs no; anything suspect stops the whole. */
function guard(): (info: UnzipFileInfo) => boolean {
  let entries = 0;
  let total = 0;
  return ({ name, size, originalSize }) => {
    if (leadsElsewhere(name)) throw new ArchiveError('unsafe');
    if (!OURS.test(name)) return false;
    entries++;
    total += originalSize;
    const json = name.endsWith('.json');
    const ratio = originalSize / Math.max(size, 64);
    const bomb = ratio > (json ? MAX_JSON_RATIO : MAX_IMAGE_RATIO) || (json && originalSize > MAX_JSON_BYTES);
    if (bomb || entries > MAX_ENTRIES || total > MAX_TOTAL_BYTES) throw new ArchiveError('too large');
    return true;
  };
}

function parseJson<T>(bytes: Uint8Array, schema: z.ZodMiniType<T>): T {
  let value: unknown;
  try {
    value = JSON.parse(strFromU8(bytes));
  } catch {
    throw new ArchiveError('damaged');
  }
  const parsed = schema.safeParse(value);
  if (!parsed.success) throw new ArchiveError('damaged');
  return parsed.data;
}

/**
 * Read an archive completely and check it before anything is handed on.
 * @throws ArchiveError
 */
export async function readArchive(
  bytes: Uint8Array,
  digest: Digest,
): Promise<{ records: Records; images: ArchivedImage[] }> {
  let entries: Record<string, Uint8Array<ArrayBuffer>>;
  try {
    entries = unzipSync(bytes, { filter: guard() });
  } catch (error) {
    throw error instanceof ArchiveError ? error : new ArchiveError('not a zip');
  }
  if (!('manifest.json' in entries) || !('records.json' in entries)) throw new ArchiveError('not ours');
  const header = parseJson(entries['manifest.json'], z.looseObject({ format: z.unknown(), version: z.unknown() }));
  if (header.format !== FORMAT) throw new ArchiveError('not ours');
  if (typeof header.version === 'number' && header.version > VERSION) throw new ArchiveError('newer');
  const manifest = parseJson(entries['manifest.json'], manifestSchema);
  const records = parseJson(entries['records.json'], recordsSchema);
  const images: ArchivedImage[] = [];
  for (const { path, type, bytes: length, sha256 } of manifest.files) {
    const image = Object.hasOwn(entries, path) ? entries[path] : undefined;
    if (image?.length !== length || (await digest(image)) !== sha256) throw new ArchiveError('damaged');
    images.push({ key: keyOf(path), type, bytes: image });
  }
  return { records, images };
}
