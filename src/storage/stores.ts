import * as z from 'zod/mini';
import { RECORD_SCHEMAS } from '@/core/interchange/records';
import { momentSchema } from '@/core/moment';
import { imageProblemSchema } from '@/core/references/imageProblem';
import { inFolderSchema, rightsSchema } from '@/core/references/picture';

const id = z.string().check(z.minLength(1), z.maxLength(64));
/** Files that were given together. */
const batchSchema = z.object({
  id,
  /** The set they go into; null for the library alone. */
  setId: z.nullable(id),
  startedAtMs: momentSchema,
  total: z.int().check(z.minimum(0)),
  /** Looked at: added, already there or left out. */
  done: z.int().check(z.minimum(0)),
  added: z.int().check(z.minimum(0)),
  /** Added ones, for undoing and for setting rights of all at once. */
  pictureIds: z.array(id),
  problems: z.array(z.object({ name: z.string(), problem: imageProblemSchema })),
  /** Sentences about files that were taken in but are worth a word. */
  notes: z.array(z.string()),
  state: z.enum(['running', 'paused', 'canceled', 'done']),
  rights: z.nullable(rightsSchema),
  /** The learner has read the report. */
  seen: z.boolean(),
});
export type Batch = z.infer<typeof batchSchema>;

const blob = z.custom<Blob>((value) => value instanceof Blob);
/** A file that waits to be prepared. */
const waitingSchema = z.object({
  id,
  batchId: id,
  position: z.int().check(z.minimum(0)),
  name: z.string().check(z.minLength(1)),
  /** Missing for one that was not copied in time: it cannot be read any more after a reload. */
  file: z.optional(z.custom<File>((value) => value instanceof File)),
  /** Its place in a folder that stays on disk. */
  inFolder: z.optional(inFolderSchema),
});
export type Waiting = z.infer<typeof waitingSchema>;

/** An image within the record: for thumbnails, since browsers keep each blob as a file of its own. */
const smallImageSchema = z.object({
  type: z.string().check(z.maxLength(100)),
  bytes: z.custom<ArrayBuffer>((value) => Object.prototype.toString.call(value) === '[object ArrayBuffer]'),
});
export type SmallImage = z.infer<typeof smallImageSchema>;

/** A folder on disk that a set mirrors. */
const folderSchema = z.object({
  id,
  name: z.string(),
  setId: id,
  handle: z.custom<FileSystemDirectoryHandle>((value) => typeof value === 'object' && value !== null),
});
export type Folder = z.infer<typeof folderSchema>;

/** A record that could not be read by this version: kept apart as it was, and taken out as it is. */
const unreadableSchema = z.object({
  /** Its store and its key there, however long: no two are ever one. */
  id: z.string(),
  /** The store it was in. */
  store: z.string(),
  value: z.unknown(),
});

/** What each store holds. Nothing is written past these: see `put` in db.ts. */
export const STORE_SCHEMAS = {
  ...RECORD_SCHEMAS,
  /** Images apart from records: `page/<id>`, `picture/<id>`, `thumbnail/<id>`. */
  images: z.union([blob, smallImageSchema]),
  /** Rendered views of figures by reference id; a cache, rebuilt at will. */
  renders: z.object({ image: blob, usedAtMs: momentSchema }),
  settings: z.union([z.number(), z.string(), z.boolean()]),
  batches: batchSchema,
  waiting: waitingSchema,
  folders: folderSchema,
  unreadable: unreadableSchema,
} as const;
export type Store = keyof typeof STORE_SCHEMAS;
export const STORES = Object.keys(STORE_SCHEMAS) as Store[];
export type Stored<S extends Store> = z.output<(typeof STORE_SCHEMAS)[S]>;
