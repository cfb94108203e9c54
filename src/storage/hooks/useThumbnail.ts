'use client';
import { useEffect, useState } from 'react';
import { catalogued } from '@/core/figure/catalogue/catalogue';
import { parsePictureReference } from '@/core/references/picture';
import { loadImage } from '@/storage/images';
import { pictureThumbnail } from '@/storage/pictures/pictureThumbnail';
import { smallPictureUrl } from '@/storage/references/references';
import { useIsHidden } from '@/storage/references/hiddenReference';
import { useCovered } from './useCovered';

/** An address for what `load` gives for a key, given back when no longer shown. `load` must stay the same function. */
function useBlobUrl(key: string | undefined, load: (key: string) => Promise<Blob | undefined>): string | undefined {
  const [made, setMade] = useState<{ key: string; load: typeof load; url: string }>();
  useEffect(() => {
    if (key === undefined) return;
    let current = true;
    let url: string | undefined;
    load(key).then(
      (blob) => {
        if (!blob || !current) return;
        url = URL.createObjectURL(blob);
        setMade({ key, load, url });
      },
      () => undefined,
    );
    return () => {
      current = false;
      setMade(undefined);
      if (url) URL.revokeObjectURL(url);
    };
  }, [key, load]);
  // Not for one moment the image of the key before.
  return made?.key === key && made?.load === load ? made?.url : undefined;
}

/** An address for an image kept under a key, given back when no longer shown. */
export const useImageUrl = (key: string | undefined): string | undefined => useBlobUrl(key, loadImage);

// Loaded only where a figure that did not ship is shown: it brings the worker's client along.
const drawFigure = async (referenceId: string, covered: boolean): Promise<Blob> =>
  (await import('@/storage/references/smallFigures')).smallFigure(referenceId, covered);
const plain = (referenceId: string): Promise<Blob | undefined> => pictureThumbnail(referenceId, false);
const veiled = (referenceId: string): Promise<Blob | undefined> => pictureThumbnail(referenceId, true);
const drawBare = (referenceId: string): Promise<Blob> => drawFigure(referenceId, false);
const drawCovered = (referenceId: string): Promise<Blob> => drawFigure(referenceId, true);

/** A small picture of a reference: shipped with the app or drawn now for figures, the thumbnail for pictures; nothing while it is drawn from memory. */
export function useReferenceThumbnail(wanted: string | null): string | undefined {
  const referenceId = useIsHidden(wanted) ? null : wanted;
  const covered = useCovered();
  const known = referenceId === null ? undefined : catalogued(referenceId);
  const pictureId = referenceId === null || known ? undefined : parsePictureReference(referenceId);
  const figureId = referenceId !== null && !known && !pictureId ? referenceId : undefined;
  const url = useBlobUrl(
    covered === undefined || !pictureId ? undefined : (referenceId as string),
    covered ? veiled : plain,
  );
  const drawn = useBlobUrl(covered === undefined ? undefined : figureId, covered ? drawCovered : drawBare);
  if (known) return covered === undefined ? undefined : smallPictureUrl(known, covered);
  return url ?? drawn;
}
