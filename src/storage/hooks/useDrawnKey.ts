'use client';
import { useEffect, useState } from 'react';
import { STUDIO } from '@/core/figure/picture/appearance';
import type { DrawnKey } from '@/core/figure/facts/answerKey';
import { isMirrored, parsePictureReference } from '@/core/references/picture';
import { loadBody } from '@/storage/pictures/bodies';
import { loadPicture } from '@/storage/pictures/pictures';
import { startFigureWorker } from '@/workers/clients';

/** The answer key of a picture of the learner's, by the points of its body; undefined where none were found, or where it is mirrored. */
async function keyOfPicture(referenceId: string, pictureId: string): Promise<DrawnKey | undefined> {
  const [picture, body, { pointsKey }] = await Promise.all([
    loadPicture(pictureId),
    loadBody(pictureId),
    import('@/core/body/pointsKey'),
  ]);
  if (!picture || !body || isMirrored(referenceId)) return undefined;
  return pointsKey(body.points, body.space, picture.widthPx, picture.heightPx);
}

const APPEARANCE = { ...STUDIO, covered: false };

/** A figure's key, worked out in a worker. */
async function keyOfFigure(
  { api }: ReturnType<typeof startFigureWorker>,
  id: string,
  across: boolean,
): Promise<DrawnKey> {
  const { key } = await api.read(id, APPEARANCE);
  return across ? { ...key, across: await api.across(id, APPEARANCE) } : key;
}

/**
 * What a teacher would draw over a reference, worked out when it is first wanted: a figure's in a worker.
 * @param across Also finds the lines across a figure's form.
 */
export function useDrawnKey(referenceId: string | null, wanted: boolean, across = false): DrawnKey | undefined {
  const [known, setKnown] = useState<{ id: string; key: DrawnKey }>();
  const id = wanted && referenceId !== null && known?.id !== referenceId ? referenceId : undefined;
  useEffect(() => {
    if (id === undefined) return;
    const pictureId = parsePictureReference(id);
    const worker = pictureId === undefined ? startFigureWorker() : undefined;
    let current = true;
    const key = worker ? keyOfFigure(worker, id, across) : keyOfPicture(id, pictureId ?? '');
    key.then(
      (found) => {
        if (current && found) setKnown({ id, key: found });
      },
      // Without it nothing is drawn over the picture; everything else goes on.
      () => undefined,
    );
    return () => {
      current = false;
      worker?.stop();
    };
  }, [id, across]);
  return known?.id === referenceId ? known.key : undefined;
}
