'use client';
import { useEffect, useState } from 'react';
import { STUDIO } from '@/core/figure/picture/appearance';
import { startFigureWorker } from '@/workers/clients';
import { useIsHidden } from '@/storage/references/hiddenReference';
import { loadReferenceImage } from '@/storage/references/references';
import { useCovered } from './useCovered';

/**
 * An address for the whole picture of a reference: shipped, kept, cached or drawn now.
 * @returns undefined while it is fetched or drawn, null when it cannot be had or is just being drawn from memory.
 */
export function useReferenceImage(referenceId: string | null): string | null | undefined {
  const hidden = useIsHidden(referenceId);
  const covered = useCovered();
  const [image, setImage] = useState<{ id: string; url: string | null }>();
  useEffect(() => {
    if (referenceId === null || hidden || covered === undefined) return;
    let current = true;
    let made: string | undefined;
    let worker: ReturnType<typeof startFigureWorker> | undefined;
    const appearance = { ...STUDIO, covered };
    loadReferenceImage(referenceId, appearance, (id) => {
      worker = startFigureWorker();
      return worker.api.render(id, appearance);
    }).then(
      (blob) => {
        if (!current) return;
        made = blob && URL.createObjectURL(blob);
        setImage({ id: referenceId, url: made ?? null });
      },
      () => {
        if (current) setImage({ id: referenceId, url: null });
      },
    );
    return () => {
      current = false;
      worker?.stop();
      if (made) URL.revokeObjectURL(made);
    };
  }, [referenceId, hidden, covered]);
  if (referenceId === null || hidden) return null;
  return image?.id === referenceId ? image.url : undefined;
}
