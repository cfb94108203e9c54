import { db } from './db';
import type { SmallImage } from './stores';

export const imageKey = (kind: 'page' | 'picture' | 'thumbnail', id: string): string => `${kind}/${id}`;

export async function loadImage(key: string): Promise<Blob | undefined> {
  const image = await (await db()).get('images', key);
  return image === undefined || image instanceof Blob ? image : new Blob([image.bytes], { type: image.type });
}

/** A thumbnail as it is kept. Made before a transaction: it would not wait for the bytes. */
export const smallImage = async (blob: Blob): Promise<SmallImage> => ({
  type: blob.type,
  bytes: await blob.arrayBuffer(),
});
