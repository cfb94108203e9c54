import type { ArchivedImage } from '@/core/interchange/archive';
import { noRecords, RECORD_KINDS, type Records } from '@/core/interchange/records';
import { countMerge, type Mergeable, mergeable, type MergeCounts } from '@/core/interchange/merge';
import { deleteOutFiles } from '@/workers/outFile';
import { announce } from './changes';
import { atomically, db, put, type WriteTransaction } from './db';
import { STORES } from './stores';

/** What goes out and comes back: everything but caches and what is under way. */
const KEPT = [...RECORD_KINDS, 'settings', 'images'] as const;

/** All records, the bin included; images are read one by one with their keys. */
export async function readRecords(): Promise<{ records: Records; imageKeys: string[] }> {
  const tx = (await db()).transaction(KEPT);
  const [kinds, names, values, imageKeys] = await Promise.all([
    Promise.all(RECORD_KINDS.map(async (kind) => [kind, await tx.objectStore(kind).getAll()] as const)),
    tx.objectStore('settings').getAllKeys(),
    tx.objectStore('settings').getAll(),
    tx.objectStore('images').getAllKeys(),
  ]);
  const settings = Object.fromEntries(names.map((name, i) => [name, values[i]]));
  return { records: { ...noRecords(), ...Object.fromEntries(kinds), settings }, imageKeys };
}

/** How much is kept: records of each kind, and what could not be read by this version and is kept apart. */
export async function countKept(): Promise<Record<(typeof RECORD_KINDS)[number] | 'unreadable', number>> {
  const kinds = [...RECORD_KINDS, 'unreadable'] as const;
  const tx = (await db()).transaction(kinds);
  const counts = await Promise.all(kinds.map((kind) => tx.objectStore(kind).count()));
  return Object.fromEntries(kinds.map((kind, i) => [kind, counts[i]])) as Awaited<ReturnType<typeof countKept>>;
}

/** Records that could not be read, as they were, as JSON. */
export async function unreadableJson(): Promise<string> {
  return JSON.stringify(await (await db()).getAll('unreadable'), null, 1);
}

/** Pictures in this browser by the hash of their file. */
async function picturesByHash(): Promise<Map<string, string>> {
  const pictures = await (await db()).getAll('pictures');
  return new Map(pictures.map(({ hash, id }) => [hash, id]));
}

/** Counts which of an archive's records are new here, the same here, and different here. Nothing is written. */
export async function surveyMerge(records: Records): Promise<MergeCounts> {
  const ready = mergeable(records, await picturesByHash());
  const database = await db();
  return countMerge(ready.records, (kind, id) => database.get(kind, id));
}

export interface PutBack {
  added: number;
  /** Already here under the same id, and left as they were. */
  kept: number;
  /** Different here, and taken from the archive because that was asked for. */
  replaced: number;
}

/**
 * Imports records and images in one transaction: all or nothing.
 * @param prefer Which version of a record stays where both sides have one: the one here, or the archive's.
 * @param onImage Called after each image with how many are in of how many.
 * @throws AbortError when the signal says so before the last image is in; nothing was put in then.
 */
export async function putRecords(
  records: Records,
  images: readonly ArchivedImage[],
  {
    signal,
    onImage,
    prefer = 'here',
  }: { signal?: AbortSignal; onImage?: (done: number, total: number) => void; prefer?: 'here' | 'archive' } = {},
): Promise<PutBack> {
  const ready = mergeable(records, await picturesByHash());
  const result = await atomically(KEPT, async (tx): Promise<PutBack> => {
    const counts: PutBack = { added: 0, kept: 0, replaced: 0 };
    for (const kind of RECORD_KINDS)
      for (const record of ready.records[kind]) {
        const here = (await tx.objectStore(kind).getKey(record.id)) !== undefined;
        if (!here || prefer === 'archive') await put(tx, kind, record);
        counts[!here ? 'added' : prefer === 'archive' ? 'replaced' : 'kept']++;
      }
    await joinSets(tx, ready);
    for (const [i, { key, image }] of images.entries()) {
      signal?.throwIfAborted();
      // A picture that is here already brings its image along.
      if (ready.known.has(key.slice(key.indexOf('/') + 1))) continue;
      if ((await tx.objectStore('images').getKey(key)) === undefined) await put(tx, 'images', image, key);
      onImage?.(i + 1, images.length);
    }
    for (const [name, value] of Object.entries(records.settings))
      if ((await tx.objectStore('settings').getKey(name)) === undefined) await put(tx, 'settings', value, name);
    return counts;
  });
  announce(...KEPT);
  return result;
}

/** Pictures that were here already join the sets they are in on the other side. */
async function joinSets(tx: WriteTransaction, { joins }: Mergeable): Promise<void> {
  for (const [id, setIds] of joins) {
    const picture = await tx.objectStore('pictures').get(id);
    const missing = setIds.filter((set) => !picture?.setIds.includes(set));
    if (picture && missing.length > 0)
      await put(tx, 'pictures', { ...picture, setIds: [...picture.setIds, ...missing] });
  }
}

/** Delete everything in one transaction. Stays empty: the demo learner does not come back by itself. */
export async function wipeEverything(): Promise<void> {
  await atomically(STORES, async (tx) => {
    for (const store of STORES) await tx.objectStore(store).clear();
    await put(tx, 'settings', true, 'seeded');
  });
  announce(...STORES);
  // What was exported lies outside the database; the learner's own copy is where it was downloaded to.
  await deleteOutFiles();
}
