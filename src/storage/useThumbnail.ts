'use client';
import { useEffect, useState } from 'react';
import { parsePictureReference } from '@/core/references/picture';
import { imageKey, loadImage } from './images';
import { shippedPicture, smallPictureUrl } from './references';

/** An address for an image kept under a key, given back when no longer shown. */
export function useImageUrl(key: string | undefined): string | undefined {
  const [url, setUrl] = useState<string>();
  useEffect(() => {
    if (key === undefined) return;
    let current = true;
    let made: string | undefined;
    loadImage(key).then(
      (blob) => {
        if (!blob || !current) return;
        made = URL.createObjectURL(blob);
        setUrl(made);
      },
      () => undefined,
    );
    return () => {
      current = false;
      setUrl(undefined);
      if (made) URL.revokeObjectURL(made);
    };
  }, [key]);
  return url;
}

/** A small picture of a reference: shipped with the app for figures, the thumbnail for pictures. */
export function useReferenceThumbnail(referenceId: string | null): string | undefined {
  const known = referenceId === null ? undefined : shippedPicture(referenceId);
  const pictureId = referenceId === null || known ? undefined : parsePictureReference(referenceId);
  const url = useImageUrl(pictureId && imageKey('thumbnail', pictureId));
  return known ? smallPictureUrl(known) : url;
}
