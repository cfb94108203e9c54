'use client';
import { useEffect, useState } from 'react';
import type { Picture } from '@/core/references/picture';
import { pictureImage } from '@/storage/pictures/pictureImage';

/** The picture at full size: its file and an address for it; undefined while it is fetched, null when it cannot be had now. */
export function useImageOf(picture: Picture | undefined): { blob: Blob; url: string } | null | undefined {
  const [image, setImage] = useState<{ id: string; made: { blob: Blob; url: string } | null }>();
  const id = picture?.id;
  useEffect(() => {
    if (!picture) return;
    let current = true;
    let url: string | undefined;
    pictureImage(picture)
      .catch(() => undefined)
      .then((blob) => {
        if (!current) return;
        url = blob && URL.createObjectURL(blob);
        setImage({ id: picture.id, made: blob && url ? { blob, url } : null });
      })
      .catch(() => undefined);
    return () => {
      current = false;
      if (url) URL.revokeObjectURL(url);
    };
  }, [id]); // eslint-disable-line react-hooks/exhaustive-deps -- facts change while it is looked at; the image does not
  return image?.id === id ? image?.made : undefined;
}
