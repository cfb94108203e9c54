import { type DBSchema, type IDBPDatabase, type IDBPTransaction, openDB, type StoreNames } from 'idb';
import type * as z from 'zod/mini';
import { mendRecord, mendSettings } from '@/core/interchange/mend';
import { KIND_WORDS, RECORD_KINDS, type RecordKind } from '@/core/interchange/records';
import { isSettingName, SETTINGS, type Settings } from '@/core/settings';
import { counted } from '@/core/words';
import { OldCodeError, SILENT_MS, StorageSilentError, UpgradeError } from './problems';
import { codeIsOld, forgetWhenClosed, isDenied, storageIsSilent } from './availability';
import { type Store, STORE_SCHEMAS, type Stored } from './stores';

type Plain<S extends Store> = { key: string; value: Stored<S> };
export interface FoxDb extends DBSchema {
  sessions: Plain<'sessions'> & { indexes: { byStart: number } };
  pages: Plain<'pages'> & { indexes: { bySession: string } };
  sets: Plain<'sets'>;
  pictures: Plain<'pictures'> & { indexes: { bySet: string; byHash: string } };
  bodies: Plain<'bodies'>;
  batches: Plain<'batches'>;
  waiting: Plain<'waiting'> & { indexes: { byBatch: [string, number] } };
  folders: Plain<'folders'>;
  images: Plain<'images'>;
  renders: Plain<'renders'>;
  plans: Plain<'plans'>;
  viewings: Plain<'viewings'>;
  drawings: Plain<'drawings'> & { indexes: { bySession: string } };
  courses: Plain<'courses'>;
  strokes: Plain<'strokes'> & { indexes: { bySession: string } };
  groups: Plain<'groups'>;
  settings: { key: string; value: Settings[keyof Settings] };
  unreadable: Plain<'unreadable'>;
}

const DB_NAME = 'fox-minute';
const DB_VERSION = 8;

/** A value as its store's schema has it. @throws ZodError for anything the store must not hold. */
function checked(store: Store, value: unknown, key: string | undefined): unknown {
  if (store === 'settings' && (key === undefined || !isSettingName(key)))
    throw new Error(`There is no setting “${key ?? ''}”.`);
  const schema: z.ZodMiniType = store === 'settings' ? SETTINGS[key as keyof Settings] : STORE_SCHEMAS[store];
  return schema.parse(value);
}

/**
 * The one door into the database: a value is written only as its store's schema has it (the linter lets nothing else write).
 * @param key For stores whose records do not carry their own: images, renders, settings.
 * @throws ZodError when the value is not what the store holds.
 */
export async function put<S extends Store>(
  tx: WriteTransaction,
  store: S,
  value: FoxDb[S]['value'],
  key?: string,
): Promise<void> {
  await tx.objectStore(store).put(checked(store, value, key) as never, key);
}

/**
 * Change one record by what it was, in a transaction of its own: two changes at once do not undo each other.
 * @param change Gives the record as it shall be; undefined leaves it.
 */
export async function changeRecord<S extends Store>(
  store: S,
  key: string,
  change: (before: FoxDb[S]['value'] | undefined) => FoxDb[S]['value'] | undefined,
  {
    named = false,
    ...options
  }: IDBTransactionOptions & { /** The record does not carry its key. */ named?: boolean } = {},
): Promise<void> {
  await atomically(
    [store],
    async (tx) => {
      const after = change(await tx.objectStore(store).get(key));
      if (after !== undefined) await put(tx, store, after, named ? key : undefined);
    },
    options,
  );
}

/** Why the last upgrade was given up: the browser itself says only that it was. */
let upgradeCause: unknown;

type Upgrade = IDBPTransaction<FoxDb, StoreNames<FoxDb>[], 'versionchange'>;

/** Records that versions before could write and this one could not read are made readable, or kept apart; what was done is told. */
async function mendKept(tx: Upgrade): Promise<void> {
  const told: string[] = [];
  for (const kind of RECORD_KINDS) told.push(...(await mendStore(tx, kind)));
  const store = tx.objectStore('settings');
  const names = await store.getAllKeys();
  const { value, told: ofSettings } = mendSettings(
    Object.fromEntries(await Promise.all(names.map(async (name) => [name, await store.get(name)] as const))),
  );
  for (const name of names) if (!(name in value)) await store.delete(name);
  told.push(...ofSettings);
  if (told.length > 0) await store.put(JSON.stringify(told), 'mended');
}

async function mendStore(tx: Upgrade, kind: RecordKind): Promise<string[]> {
  const told: string[] = [];
  let unreadable = 0;
  for (let cursor = await tx.objectStore(kind).openCursor(); cursor; cursor = await cursor.continue()) {
    const mended = mendRecord(kind, cursor.value);
    if (!mended) {
      unreadable++;
      await tx.objectStore('unreadable').put({ id: `${kind}/${cursor.key}`, store: kind, value: cursor.value });
      await cursor.delete();
      continue;
    }
    told.push(...mended.told);
    await cursor.update(mended.value as typeof cursor.value);
  }
  if (unreadable > 0)
    told.push(
      `${counted(unreadable, KIND_WORDS[kind])} could not be read and ${unreadable === 1 ? 'is' : 'are'} kept apart.`,
    );
  return told;
}

/** An older version of the program in another tab keeps the database from being brought up to date. */
let blockedListener: (() => void) | undefined;
let isBlocked = false;
/** Told now where it is so already. */
export function onBlocked(listener: () => void): void {
  blockedListener = listener;
  if (isBlocked) listener();
}

let handle: Promise<IDBPDatabase<FoxDb>> | undefined;

/** What must not lose its database to a newer version in another tab: a running session. */
const holders = new Set<object>();
let closeLater: (() => void) | undefined;

/**
 * Keeps the database open, also when a newer version in another tab wants to upgrade it: that tab waits until the session is over.
 * @returns Lets it go again.
 */
export function holdDatabase(): () => void {
  const holder = {};
  holders.add(holder);
  return () => {
    holders.delete(holder);
    if (holders.size > 0) return;
    closeLater?.();
    closeLater = undefined;
  };
}

/** The database, opened once. A later version opened in another tab closes this one, which then opens again on demand. */
export function db(): Promise<IDBPDatabase<FoxDb>> {
  if (handle) return handle;
  const opening = openInTime().catch(async (error: unknown) => {
    if (!isDenied(error)) throw error;
    // Nothing can be kept in this browser: the session runs all the same, in memory.
    await forgetWhenClosed();
    return open(() => undefined);
  });
  handle = opening;
  // What failed is tried anew with the next call.
  opening.catch(() => {
    if (handle === opening) handle = undefined;
  });
  return opening;
}

/** Opens the database, or gives up when the browser does not begin to answer. */
function openInTime(): Promise<IDBPDatabase<FoxDb>> {
  return new Promise((resolve, reject) => {
    let timer: ReturnType<typeof setTimeout> | undefined = setTimeout(() => {
      storageIsSilent();
      reject(new StorageSilentError('the database did not open'));
    }, SILENT_MS);
    const answered = (): void => {
      clearTimeout(timer);
      timer = undefined;
    };
    open(answered).finally(answered).then(resolve, reject);
  });
}

/** @param onAnswer Called when the browser shows a sign of life, however long the rest takes. */
async function open(onAnswer: () => void): Promise<IDBPDatabase<FoxDb>> {
  return openDB<FoxDb>(DB_NAME, DB_VERSION, {
    upgrade(database, oldVersion, _new, tx) {
      onAnswer();
      isBlocked = false;
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
      }
      if (oldVersion < 3) database.createObjectStore('plans', { keyPath: 'id' });
      if (oldVersion < 4) database.createObjectStore('viewings', { keyPath: 'id' });
      if (oldVersion < 5) database.createObjectStore('unreadable', { keyPath: 'id' });
      if (oldVersion < 6)
        database.createObjectStore('drawings', { keyPath: 'id' }).createIndex('bySession', 'sessionId');
      if (oldVersion < 7) database.createObjectStore('courses', { keyPath: 'id' });
      if (oldVersion < 8) {
        database.createObjectStore('strokes', { keyPath: 'id' }).createIndex('bySession', 'sessionId');
        database.createObjectStore('groups', { keyPath: 'id' });
      }
      // One transaction for all of it: whatever fails leaves the database as it was, and the page says so.
      if (oldVersion > 0)
        mendKept(tx).catch((error: unknown) => {
          upgradeCause = error;
          tx.abort();
        });
    },
    blocked: () => {
      onAnswer();
      isBlocked = true;
      blockedListener?.();
    },
    blocking(_current, _blocked, event) {
      const close = (): void => {
        (event.target as IDBDatabase).close();
        handle = undefined;
      };
      if (holders.size > 0) closeLater = close;
      else close();
    },
    terminated() {
      handle = undefined;
    },
  }).catch((error: unknown) => {
    if (error instanceof Error && error.name === 'VersionError') {
      codeIsOld();
      throw new OldCodeError('the database is newer than this page', { cause: error });
    }
    if (error instanceof Error && error.name === 'AbortError') {
      const cause = upgradeCause ?? error;
      upgradeCause = undefined;
      throw new UpgradeError('the database was left as it was', { cause });
    }
    throw error;
  });
}

export type WriteTransaction = IDBPTransaction<FoxDb, Store[], 'readwrite'>;

/** Write to several stores, all or nothing: whatever fails, at once or later, undoes the rest. */
export async function atomically<T>(
  stores: readonly Store[],
  write: (tx: WriteTransaction) => Promise<T>,
  options?: IDBTransactionOptions,
): Promise<T> {
  const tx = (await db()).transaction([...stores], 'readwrite', options);
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

/**
 * Closes the database, for tests and before another takes its place.
 * @param atOnce Without waiting for one that is still being opened.
 */
export async function closeDb(atOnce = false): Promise<void> {
  const opening = handle;
  handle = undefined;
  if (atOnce)
    void opening?.then(
      (open) => open.close(),
      () => undefined,
    );
  else (await opening?.catch(() => undefined))?.close();
}
