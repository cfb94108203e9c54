import type { Picture } from '@/core/references/picture';
import { folderImage } from './folders';
import { imageKey, loadImage } from '@/storage/images';

/** A picture's image: kept here, or read from its folder on disk; undefined when it is not to be had now. */
export async function pictureImage(picture: Picture): Promise<Blob | undefined> {
  return (await loadImage(imageKey('picture', picture.id))) ?? (await folderImage(picture));
}
