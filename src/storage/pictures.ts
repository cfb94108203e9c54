import { type Picture, pictureSchema, type PictureSet, pictureSetSchema } from '@/core/references/picture';
import { announce } from './changes';
import { atomically, db } from './db';
import { imageKey } from './images';

/** Sets in the order they were made, without those in the bin. */
export async function listSets(): Promise<PictureSet[]> {
  const sets = await (await db()).getAll('sets');
  return sets.filter((s) => s.binnedAtMs === null).sort((a, b) => a.createdAtMs - b.createdAtMs);
}

export async function saveSet(set: PictureSet): Promise<void> {
  await (await db()).put('sets', pictureSetSchema.parse(set));
  announce('sets');
}

/** Put a set into the bin, or take it out with null. Its pictures stay with it. */
export async function binSet(id: string, binnedAtMs: number | null): Promise<void> {
  const tx = (await db()).transaction('sets', 'readwrite');
  const set = await tx.store.get(id);
  if (set) await tx.store.put({ ...set, binnedAtMs });
  await tx.done;
  announce('sets');
}

/** Pictures of a set in the order they were added, without those in the bin. */
export async function listPictures(setId: string): Promise<Picture[]> {
  const pictures = await (await db()).getAllFromIndex('pictures', 'bySet', setId);
  return pictures.filter((p) => p.binnedAtMs === null).sort((a, b) => a.addedAtMs - b.addedAtMs);
}

export async function loadPicture(id: string): Promise<Picture | undefined> {
  return (await db()).get('pictures', id);
}

/** Keep a picture with its image and thumbnail, all or nothing. */
export async function addPicture(picture: Picture, image: Blob, thumbnail: Blob): Promise<void> {
  await atomically(['pictures', 'images'], (tx) =>
    Promise.all([
      tx.objectStore('pictures').put(pictureSchema.parse(picture)),
      tx.objectStore('images').put(image, imageKey('picture', picture.id)),
      tx.objectStore('images').put(thumbnail, imageKey('thumbnail', picture.id)),
    ]),
  );
  announce('pictures');
}

/** Put pictures into the bin, or take them out with null. */
export async function binPictures(ids: readonly string[], binnedAtMs: number | null): Promise<void> {
  const tx = (await db()).transaction('pictures', 'readwrite');
  for (const id of ids) {
    const picture = await tx.store.get(id);
    if (picture) await tx.store.put({ ...picture, binnedAtMs });
  }
  await tx.done;
  announce('pictures');
}
