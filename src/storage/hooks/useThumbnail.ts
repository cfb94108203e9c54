'use client';
import { catalogued } from '@/core/figure/catalogue/catalogue';
import { parsePictureReference } from '@/core/references/picture';
import { loadImage } from '@/storage/images';
import { pictureThumbnail } from '@/storage/pictures/pictureThumbnail';
import { smallPictureUrl } from '@/storage/references/references';
import { useIsHidden } from '@/storage/references/hiddenReference';
import { useCovered } from './useCovered';
import { useObjectUrl } from './useObjectUrl';

/** An address for an image kept under a key, given back when no longer shown. */
export const useImageUrl = (key: string | undefined): string | undefined => useObjectUrl(key, loadImage)?.url;

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
  const thumbnail = useObjectUrl(
    covered === undefined || !pictureId ? undefined : (referenceId as string),
    covered ? veiled : plain,
  );
  const drawn = useObjectUrl(covered === undefined ? undefined : figureId, covered ? drawCovered : drawBare);
  if (known) return covered === undefined ? undefined : smallPictureUrl(known, covered);
  return (thumbnail ?? drawn)?.url;
}
