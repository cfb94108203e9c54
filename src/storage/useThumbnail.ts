'use client';
import { useEffect, useState } from 'react';
import { catalogued } from '@/core/figure/catalogue';
import { parsePictureReference } from '@/core/references/picture';
import { imageKey, loadImage } from './images';
import { smallPictureUrl } from './references';
import { useCovered } from './useCovered';

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

/** A small picture of a reference: shipped with the app or drawn now for figures, the thumbnail for pictures. */
export function useReferenceThumbnail(referenceId: string | null): string | undefined {
  const covered = useCovered();
  const known = referenceId === null ? undefined : catalogued(referenceId);
  const pictureId = referenceId === null || known ? undefined : parsePictureReference(referenceId);
  const figureId = referenceId !== null && !known && !pictureId ? referenceId : undefined;
  const url = useImageUrl(pictureId && imageKey('thumbnail', pictureId));
  const drawn = useDrawnFigure(figureId, covered);
  if (known) return covered === undefined ? undefined : smallPictureUrl(known, covered);
  return url ?? drawn;
}

/** An address for the small picture of a figure that did not ship. */
function useDrawnFigure(referenceId: string | undefined, covered: boolean | undefined): string | undefined {
  const [url, setUrl] = useState<string>();
  useEffect(() => {
    if (referenceId === undefined || covered === undefined) return;
    let current = true;
    let made: string | undefined;
    // Loaded only where a figure that did not ship is shown: it brings the worker's client along.
    import('./smallFigures')
      .then(({ smallFigure }) => smallFigure(referenceId, covered))
      .then(
        (blob) => {
          if (!current) return;
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
  }, [referenceId, covered]);
  return url;
}
