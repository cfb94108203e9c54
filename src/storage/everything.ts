import type { ArchivedImage } from '@/core/interchange/archive';
import { noRecords, RECORD_KINDS, type Records } from '@/core/interchange/records';
import { announce } from './changes';
import { atomically, db, put } from './db';
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

/** Ids of an archive's records that are here already. */
export async function countHere(records: Records): Promise<number> {
  const tx = (await db()).transaction(RECORD_KINDS);
  const found = await Promise.all(
    RECORD_KINDS.flatMap((kind) => records[kind].map(({ id }) => tx.objectStore(kind).getKey(id))),
  );
  return found.filter((key) => key !== undefined).length;
}

export interface PutBack {
  added: number;
  /** Already here under the same id; what was here stays. */
  kept: number;
}

/**
 * Put records and images back in one transaction: all or nothing, and nothing that is already here is touched.
 * @param onImage Called after each image with how many are in of how many.
 * @throws AbortError when the signal says so before the last image is in; nothing was put in then.
 */
export async function putRecords(
  records: Records,
  images: readonly ArchivedImage[],
  { signal, onImage }: { signal?: AbortSignal; onImage?: (done: number, total: number) => void } = {},
): Promise<PutBack> {
  const result = await atomically(KEPT, async (tx): Promise<PutBack> => {
    const counts: PutBack = { added: 0, kept: 0 };
    for (const kind of RECORD_KINDS)
      for (const record of records[kind]) {
        const here = (await tx.objectStore(kind).getKey(record.id)) !== undefined;
        if (!here) await put(tx, kind, record);
        counts[here ? 'kept' : 'added']++;
      }
    for (const [i, { key, image }] of images.entries()) {
      signal?.throwIfAborted();
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

/** Delete everything in one transaction. Stays empty: the demo learner does not come back by itself. */
export async function wipeEverything(): Promise<void> {
  await atomically(STORES, async (tx) => {
    for (const store of STORES) await tx.objectStore(store).clear();
    await put(tx, 'settings', true, 'seeded');
  });
  announce(...STORES);
}
