import { newPicture, type Picture, type PictureBox } from '@/core/references/picture';
import { startPictureWorker } from '@/workers/clients';
import { sha256 } from '@/workers/sha256';
import { addPicture } from './pictures';
import { pictureImage } from './pictureImage';

/**
 * A part of a picture as a picture of its own: it carries the parent's rights, and the parent stays as it is.
 * @returns Its id.
 */
export async function cropPicture(parent: Picture, box: PictureBox): Promise<string> {
  const whole = await pictureImage(parent);
  if (!whole) throw new Error('The picture is not at hand.');
  const client = startPictureWorker();
  try {
    const { image, thumbnail, widthPx, heightPx } = await client.api.crop(whole, box);
    const picture = newPicture({
      id: crypto.randomUUID(),
      setIds: parent.setIds,
      name: `Part of ${parent.name}`.slice(0, 300),
      type: 'image/jpeg',
      widthPx,
      heightPx,
      hash: await sha256(new Uint8Array(await image.arrayBuffer())),
      bytes: image.size,
      addedAtMs: Date.now(),
      takenAtMs: parent.takenAtMs,
      binnedAtMs: null,
      rights: parent.rights,
      found: parent.found.tone === undefined ? {} : { tone: parent.found.tone },
      corrected: { extent: 'part' },
      tags: parent.tags,
      partOf: { pictureId: parent.id, box },
    });
    await addPicture(picture, image, thumbnail);
    return picture.id;
  } finally {
    client.stop();
  }
}
