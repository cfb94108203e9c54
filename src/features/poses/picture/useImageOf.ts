'use client';
import type { Picture } from '@/core/references/picture';
import { type ObjectUrl, useObjectUrl } from '@/storage/hooks/useObjectUrl';
import { pictureImage } from '@/storage/pictures/pictureImage';
import { loadPicture } from '@/storage/pictures/pictures';

const loadImageOf = async (id: string): Promise<Blob | undefined> => {
  const picture = await loadPicture(id);
  return picture && pictureImage(picture);
};

/**
 * The picture at full size, the same while its facts change: its file and an address for it; undefined while it is fetched, null when it
 * cannot be had now.
 */
export const useImageOf = (picture: Picture | undefined): ObjectUrl | null | undefined =>
  useObjectUrl(picture?.id, loadImageOf);
