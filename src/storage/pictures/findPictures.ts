import type { PlanFile } from '@/core/interchange/planFile';
import { isMirrored, parsePictureReference, pictureReferenceId } from '@/core/references/picture';
import { mirroredReference } from '@/core/references/mirrorReference';
import { db } from '@/storage/db';

/** What a plan file says of the pictures it uses. */
export async function describePictures(references: readonly string[]): Promise<PlanFile['pictures']> {
  const { store } = (await db()).transaction('pictures');
  const found = await Promise.all(
    [...new Set(references)].map(async (reference) => {
      const id = parsePictureReference(reference);
      const picture = id === undefined ? undefined : await store.get(id);
      return picture ? [{ reference, name: picture.name, sha256: picture.hash }] : [];
    }),
  );
  return found.flat();
}

/** Where the pictures of a plan file are in this browser: under the same address, or the same file under another. */
export async function findPicturesHere(pictures: PlanFile['pictures']): Promise<Map<string, string>> {
  const { store } = (await db()).transaction('pictures');
  const here = new Map<string, string>();
  for (const { reference, sha256 } of pictures) {
    const id = parsePictureReference(reference);
    const same = id === undefined ? undefined : await store.get(id);
    const found =
      same?.binnedAtMs === null
        ? same
        : (await store.index('byHash').getAll(sha256)).find((p) => p.binnedAtMs === null);
    if (!found) continue;
    const plain = pictureReferenceId(found.id);
    here.set(reference, isMirrored(reference) ? mirroredReference(plain) : plain);
  }
  return here;
}
