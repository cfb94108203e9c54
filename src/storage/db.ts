import { type DBSchema, type IDBPDatabase, type IDBPTransaction, openDB } from 'idb';
import type { Page, Session } from '@/core/journal/session';
import type { Picture, PictureSet } from '@/core/references/picture';

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
}

interface Render {
  image: Blob;
  usedAtMs: number;
}

export interface FoxDb extends DBSchema {
  sessions: { key: string; value: Session; indexes: { byStart: number } };
  pages: { key: string; value: Page; indexes: { bySession: string } };
  sets: { key: string; value: PictureSet };
  pictures: { key: string; value: Picture; indexes: { bySet: string } };
  /** Blobs apart from records: `page/<id>`, `picture/<id>`, `thumbnail/<id>`. */
  images: { key: string; value: Blob };
  /** Rendered views of figures by reference id; a cache, rebuilt at will. */
  renders: { key: string; value: Render };
  settings: { key: string; value: Settings[keyof Settings] };
}
export type Store = 'sessions' | 'pages' | 'sets' | 'pictures' | 'images' | 'renders' | 'settings';
export const STORES: readonly Store[] = ['sessions', 'pages', 'sets', 'pictures', 'images', 'renders', 'settings'];

const DB_NAME = 'fox-minute';
const DB_VERSION = 1;

let handle: Promise<IDBPDatabase<FoxDb>> | undefined;

/** The database, opened once. A later version opened in another tab closes this one, which then opens again on demand. */
export function db(): Promise<IDBPDatabase<FoxDb>> {
  handle ??= openDB<FoxDb>(DB_NAME, DB_VERSION, {
    upgrade(database, oldVersion) {
      if (oldVersion < 1) {
        database.createObjectStore('sessions', { keyPath: 'id' }).createIndex('byStart', 'startedAtMs');
        database.createObjectStore('pages', { keyPath: 'id' }).createIndex('bySession', 'sessionId');
        database.createObjectStore('sets', { keyPath: 'id' });
        database.createObjectStore('pictures', { keyPath: 'id' }).createIndex('bySet', 'setId');
        database.createObjectStore('images');
        database.createObjectStore('renders');
        database.createObjectStore('settings');
      }
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
