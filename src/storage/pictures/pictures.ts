import { LATER_ID, LIBRARY_ID, type Picture, type PictureSet } from '@/core/references/picture';
import { announce, announceRecords } from '@/storage/changes';
import { atomically, changeRecord, db, put, type WriteTransaction } from '@/storage/db';
import type { SmallImage } from '@/storage/stores';
import { imageKey, smallImage } from '@/storage/images';

/** Sets in the order they were made, without those in the bin. */
export async function listSets(): Promise<PictureSet[]> {
  const sets = await (await db()).getAll('sets');
  return sets.filter((s) => s.binnedAtMs === null).sort((a, b) => a.createdAtMs - b.createdAtMs);
}

export async function loadSet(id: string): Promise<PictureSet | undefined> {
  return (await db()).get('sets', id);
}

export async function saveSet(set: PictureSet): Promise<void> {
  await atomically(['sets'], (tx) => put(tx, 'sets', set));
  announce('sets');
}

/** Put a set into the bin, or take it out with null. Its pictures stay in the library. */
export async function binSet(id: string, binnedAtMs: number | null): Promise<void> {
  await changeRecord('sets', id, (set) => set && { ...set, binnedAtMs });
  announce('sets');
}

/** Pictures in the learner's own order where there is one, then as they were added. */
export function inSetOrder(pictures: readonly Picture[], order: readonly string[] = []): Picture[] {
  const place = new Map(order.map((id, i) => [id, i]));
  const of = ({ id }: Picture): number => place.get(id) ?? Infinity;
  return [...pictures].sort((a, b) => {
    const [p, q] = [of(a), of(b)];
    return p === q ? a.addedAtMs - b.addedAtMs : p - q;
  });
}

/** Pictures of a set, of the library or of the later shelf, without those in the bin. A set made by a rule is asked of `ruleSet`. */
export async function listPictures(setId: string): Promise<Picture[]> {
  const database = await db();
  const everything = setId === LIBRARY_ID || setId === LATER_ID;
  const [pictures, set] = await Promise.all([
    everything ? database.getAll('pictures') : database.getAllFromIndex('pictures', 'bySet', setId),
    everything ? undefined : database.get('sets', setId),
  ]);
  const here = pictures.filter((p) => p.binnedAtMs === null && (setId !== LATER_ID || p.laterAtMs !== null));
  return inSetOrder(here, set?.order);
}

export async function loadPicture(id: string): Promise<Picture | undefined> {
  return (await db()).get('pictures', id);
}

/** Write a picture with its image, if it is not in a folder on disk, and its thumbnail, as part of a transaction. */
export async function putPicture(
  tx: WriteTransaction,
  picture: Picture,
  image: Blob | undefined,
  thumbnail: SmallImage,
): Promise<void> {
  // One after another: the first that fails ends the transaction, and nothing is left unheard.
  await put(tx, 'pictures', picture);
  if (image) await put(tx, 'images', image, imageKey('picture', picture.id));
  await put(tx, 'images', thumbnail, imageKey('thumbnail', picture.id));
}

/** Keep a picture with its image and thumbnail, all or nothing. */
export async function addPicture(picture: Picture, image: Blob, thumbnail: Blob): Promise<void> {
  const small = await smallImage(thumbnail);
  await atomically(['pictures', 'images'], (tx) => putPicture(tx, picture, image, small));
  announceRecords('pictures', [picture.id]);
}

/** What changed of a picture: its fields as they were and as they are. */
export interface PictureChange {
  id: string;
  before: Partial<Picture>;
  after: Partial<Picture>;
}

/**
 * Change pictures in one transaction. Those that no longer exist are left out.
 * @returns The fields that changed, so that they alone can be put back.
 */
export async function changePictures(
  ids: readonly string[],
  update: (picture: Picture) => Partial<Picture>,
): Promise<PictureChange[]> {
  const changes: PictureChange[] = [];
  await atomically(['pictures'], async (tx) => {
    const store = tx.objectStore('pictures');
    for (const id of ids) {
      const picture = await store.get(id);
      if (!picture) continue;
      const after = update(picture);
      const before = Object.fromEntries(
        Object.keys(after).map((key) => [key, picture[key as keyof Picture]]),
      ) as Partial<Picture>;
      await put(tx, 'pictures', { ...picture, ...after });
      changes.push({ id, before, after });
    }
  });
  if (changes.length > 0)
    announceRecords(
      'pictures',
      changes.map((c) => c.id),
    );
  return changes;
}

/** Put pictures into the bin, or take them out with null. */
export async function binPictures(ids: readonly string[], binnedAtMs: number | null): Promise<void> {
  await changePictures(ids, () => ({ binnedAtMs }));
}

/** Sets in the bin, the latest first. */
export async function listBinnedSets(): Promise<PictureSet[]> {
  const sets = await (await db()).getAll('sets');
  return sets.filter((s) => s.binnedAtMs !== null).sort((a, b) => (b.binnedAtMs ?? 0) - (a.binnedAtMs ?? 0));
}
