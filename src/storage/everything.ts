import type { Records } from '@/core/interchange/archive';
import { announce } from './changes';
import { atomically, db, STORES } from './db';

/** What goes out and comes back: everything but caches and what is under way. */
const KEPT = ['sessions', 'pages', 'sets', 'pictures', 'bodies', 'plans', 'viewings', 'settings', 'images'] as const;

/** All records, the bin included; images are read one by one with their keys. */
export async function readRecords(): Promise<{ records: Records; imageKeys: string[] }> {
  const tx = (await db()).transaction(KEPT);
  const [sessions, pages, sets, pictures, bodies, plans, viewings, names, values, imageKeys] = await Promise.all([
    tx.objectStore('sessions').getAll(),
    tx.objectStore('pages').getAll(),
    tx.objectStore('sets').getAll(),
    tx.objectStore('pictures').getAll(),
    tx.objectStore('bodies').getAll(),
    tx.objectStore('plans').getAll(),
    tx.objectStore('viewings').getAll(),
    tx.objectStore('settings').getAllKeys(),
    tx.objectStore('settings').getAll(),
    tx.objectStore('images').getAllKeys(),
  ]);
  const settings = Object.fromEntries(names.map((name, i) => [name, values[i]]));
  return { records: { sessions, pages, sets, pictures, bodies, plans, viewings, settings }, imageKeys };
}

export interface PutBack {
  added: number;
  /** Already here under the same id; what was here stays. */
  kept: number;
}

/** Put records and images back in one transaction: all or nothing, and nothing that is already here is touched. */
export async function putRecords(records: Records, images: readonly { key: string; image: Blob }[]): Promise<PutBack> {
  const result = await atomically(KEPT, async (tx): Promise<PutBack> => {
    const counts: PutBack = { added: 0, kept: 0 };
    for (const store of ['sessions', 'pages', 'sets', 'pictures', 'plans'] as const)
      for (const record of records[store]) {
        const here = (await tx.objectStore(store).getKey(record.id)) !== undefined;
        if (!here) await tx.objectStore(store).put(record);
        counts[here ? 'kept' : 'added']++;
      }
    for (const body of records.bodies)
      if ((await tx.objectStore('bodies').getKey(body.id)) === undefined) await tx.objectStore('bodies').put(body);
    for (const viewing of records.viewings)
      if ((await tx.objectStore('viewings').getKey(viewing.id)) === undefined)
        await tx.objectStore('viewings').put(viewing);
    for (const { key, image } of images)
      if ((await tx.objectStore('images').getKey(key)) === undefined) await tx.objectStore('images').put(image, key);
    for (const [name, value] of Object.entries(records.settings))
      if ((await tx.objectStore('settings').getKey(name)) === undefined)
        await tx.objectStore('settings').put(value, name);
    return counts;
  });
  announce('sessions', 'pages', 'sets', 'pictures', 'bodies', 'plans', 'viewings', 'settings');
  return result;
}

/** Delete everything in one transaction. Stays empty: the demo learner does not come back by itself. */
export async function wipeEverything(): Promise<void> {
  const tx = (await db()).transaction(STORES, 'readwrite');
  for (const store of STORES) await tx.objectStore(store).clear();
  await tx.objectStore('settings').put(true, 'seeded');
  await tx.done;
  announce(...STORES);
}
