import {
  type DBSchema,
  type IDBPDatabase,
  type IDBPObjectStore,
  type IDBPTransaction,
  openDB,
  type StoreNames,
} from 'idb';
import type { Page, Session } from '@/core/journal/session';
import type { Viewing } from '@/core/journal/viewing';
import type { Body } from '@/core/body/body';
import type { ImageProblem } from '@/core/references/imageFile';
import type { SavedPlan } from '@/core/practice/plan/savedPlan';
import { type Picture, pictureSchema, type PictureSet, type Rights } from '@/core/references/picture';

export interface Settings {
  /** Minutes chosen last on Today. */
  minutes: number;
  /** The set chosen last on Today. */
  setId: string;
  /** 0 to 1. */
  volume: number;
  /** The demo learner was put in (or deliberately left out): never again by itself. */
  seeded: boolean;
  /** Figures wear close-fitting cover everywhere: for shared screens. */
  covered: boolean;
  /** How the figure's page was left, as JSON. */
  figurePage: string;
  /** How the library was left, as JSON. */
  libraryPage: string;
  /** Time spent choosing pictures since the last session, ms. */
  choosingMs: number;
  /** The plan being built, as JSON. */
  planDraft: string;
  /** What was asked for on the Plan page, as JSON. */
  planAsk: string;
  /** The room drawn in: how sessions look, sound and are steered, as JSON. */
  room: string;
}

/** Files that were given together. */
export interface Batch {
  id: string;
  /** The set they go into; null for the library alone. */
  setId: string | null;
  startedAtMs: number;
  total: number;
  /** Looked at: added, already there or left out. */
  done: number;
  added: number;
  /** Added ones, for undoing and for setting rights of all at once. */
  pictureIds: string[];
  problems: { name: string; problem: ImageProblem }[];
  /** Sentences about files that were taken in but are worth a word. */
  notes: string[];
  state: 'running' | 'paused' | 'canceled' | 'done';
  rights: Rights | null;
  /** The learner has read the report. */
  seen: boolean;
}

/** A file that waits to be prepared. */
export interface Waiting {
  id: string;
  batchId: string;
  position: number;
  name: string;
  /** Missing for one that was not copied in time: it cannot be read any more after a reload. */
  file?: File;
  /** Its place in a folder that stays on disk. */
  inFolder?: Picture['inFolder'];
}

/** An image within the record: for thumbnails, since browsers keep each blob as a file of its own. */
export interface SmallImage {
  type: string;
  bytes: ArrayBuffer;
}

/** A folder on disk that a set mirrors. */
export interface Folder {
  id: string;
  name: string;
  setId: string;
  handle: FileSystemDirectoryHandle;
}

interface Render {
  image: Blob;
  usedAtMs: number;
}

export interface FoxDb extends DBSchema {
  sessions: { key: string; value: Session; indexes: { byStart: number } };
  pages: { key: string; value: Page; indexes: { bySession: string } };
  sets: { key: string; value: PictureSet };
  pictures: { key: string; value: Picture; indexes: { bySet: string; byHash: string } };
  /** Bodies found or set in pictures, by the picture's id. */
  bodies: { key: string; value: Body };
  batches: { key: string; value: Batch };
  waiting: { key: string; value: Waiting; indexes: { byBatch: [string, number] } };
  folders: { key: string; value: Folder };
  /** Images apart from records: `page/<id>`, `picture/<id>`, `thumbnail/<id>`. */
  images: { key: string; value: Blob | SmallImage };
  /** Rendered views of figures by reference id; a cache, rebuilt at will. */
  renders: { key: string; value: Render };
  /** Plans the learner keeps. */
  plans: { key: string; value: SavedPlan };
  /** How references were seen last, by the reference's id. */
  viewings: { key: string; value: Viewing };
  settings: { key: string; value: Settings[keyof Settings] };
}
export const STORES = [
  'sessions',
  'pages',
  'sets',
  'pictures',
  'bodies',
  'images',
  'renders',
  'settings',
  'batches',
  'waiting',
  'folders',
  'plans',
  'viewings',
] as const;
export type Store = (typeof STORES)[number];

const DB_NAME = 'fox-minute';
const DB_VERSION = 4;

type PicturesUpgraded = IDBPObjectStore<FoxDb, StoreNames<FoxDb>[], 'pictures', 'versionchange'>;
async function upgradePictures(pictures: PicturesUpgraded): Promise<void> {
  for (let cursor = await pictures.openCursor(); cursor; cursor = await cursor.continue())
    await cursor.update(pictureSchema.parse(cursor.value));
}

let handle: Promise<IDBPDatabase<FoxDb>> | undefined;

/** The database, opened once. A later version opened in another tab closes this one, which then opens again on demand. */
export function db(): Promise<IDBPDatabase<FoxDb>> {
  handle ??= openDB<FoxDb>(DB_NAME, DB_VERSION, {
    upgrade(database, oldVersion, _new, tx) {
      if (oldVersion < 1) {
        database.createObjectStore('sessions', { keyPath: 'id' }).createIndex('byStart', 'startedAtMs');
        database.createObjectStore('pages', { keyPath: 'id' }).createIndex('bySession', 'sessionId');
        database.createObjectStore('sets', { keyPath: 'id' });
        database.createObjectStore('pictures', { keyPath: 'id' }).createIndex('bySet', 'setId');
        database.createObjectStore('images');
        database.createObjectStore('renders');
        database.createObjectStore('settings');
      }
      if (oldVersion < 2) {
        database.createObjectStore('bodies', { keyPath: 'id' });
        database.createObjectStore('batches', { keyPath: 'id' });
        database.createObjectStore('waiting', { keyPath: 'id' }).createIndex('byBatch', ['batchId', 'position']);
        database.createObjectStore('folders', { keyPath: 'id' });
        // A picture can be in several sets now. Nothing else is read before the upgrade is done.
        const pictures = tx.objectStore('pictures');
        pictures.deleteIndex('bySet');
        pictures.createIndex('bySet', 'setIds', { multiEntry: true });
        pictures.createIndex('byHash', 'hash');
        void upgradePictures(pictures);
      }
      if (oldVersion < 3) database.createObjectStore('plans', { keyPath: 'id' });
      if (oldVersion < 4) database.createObjectStore('viewings', { keyPath: 'id' });
    },
    blocking(_current, _blocked, event) {
      (event.target as IDBDatabase).close();
      handle = undefined;
    },
    terminated() {
      handle = undefined;
    },
  }).catch((error: unknown) => {
    handle = undefined;
    throw error;
  });
  return handle;
}

export type WriteTransaction = IDBPTransaction<FoxDb, Store[], 'readwrite'>;

/** Write to several stores, all or nothing: whatever fails, at once or later, undoes the rest. */
export async function atomically<T>(stores: readonly Store[], write: (tx: WriteTransaction) => Promise<T>): Promise<T> {
  const tx = (await db()).transaction([...stores], 'readwrite');
  try {
    const result = await write(tx);
    await tx.done;
    return result;
  } catch (error) {
    tx.done.catch(() => undefined);
    try {
      tx.abort();
    } catch {
      // it has aborted by itself
    }
    throw error;
  }
}

/** Close the database, for tests and before deleting it. */
export async function closeDb(): Promise<void> {
  const open = await handle;
  open?.close();
  handle = undefined;
}
