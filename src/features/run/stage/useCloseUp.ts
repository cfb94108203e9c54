'use client';
import { useEffect, useState } from 'react';
import { STUDIO } from '@/core/figure/picture/appearance';
import { isMirrored, parsePictureReference } from '@/core/references/picture';
import { loadReferenceImage, veilsOf } from '@/storage/references/references';
import { startPictureWorker } from '@/workers/clients';

/** Zoomed in further than this, a photograph is fetched with more of its pixels. */
const FROM_ZOOM = 1.5;
/** As many times the screen, at most: a bitmap of the whole of a large one would take a hundred megabytes and more. */
const TIMES = 2.5;

const noFigures = (): Promise<Blob> => Promise.reject(new Error('only pictures are fetched larger'));

/** A photograph with enough pixels for a close look, made in a worker once it is zoomed into; undefined until then. */
export function useCloseUp(referenceId: string | null, zoom: number): ImageBitmap | undefined {
  const [made, setMade] = useState<{ id: string; bitmap: ImageBitmap }>();
  const isPicture = referenceId !== null && parsePictureReference(referenceId) !== undefined;
  const id = isPicture && zoom >= FROM_ZOOM ? referenceId : undefined;
  useEffect(() => {
    if (id === undefined) return;
    const worker = startPictureWorker();
    let current = true;
    const make = async (): Promise<ImageBitmap | undefined> => {
      const image = await loadReferenceImage(id, STUDIO, noFigures);
      const times = TIMES * Math.min(2, devicePixelRatio);
      return (
        image &&
        worker.api.atSize(image, screen.width * times, screen.height * times, isMirrored(id), await veilsOf(id))
      );
    };
    make().then(
      (bitmap) => {
        if (bitmap && current) setMade({ id, bitmap });
      },
      // The picture stays as it is.
      () => undefined,
    );
    return () => {
      current = false;
      worker.stop();
    };
  }, [id]);
  return made?.id === id ? made?.bitmap : undefined;
}
