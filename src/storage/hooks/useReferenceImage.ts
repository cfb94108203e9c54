'use client';
import { STUDIO } from '@/core/figure/picture/appearance';
import { useIsHidden } from '@/storage/references/hiddenReference';
import { loadReferenceImage } from '@/storage/references/references';
import { startFigureWorker } from '@/workers/clients';
import { useCovered } from './useCovered';
import { useObjectUrl } from './useObjectUrl';

const loadWhole =
  (covered: boolean) =>
  (referenceId: string, gone: AbortSignal): Promise<Blob | undefined> => {
    const appearance = { ...STUDIO, covered };
    return loadReferenceImage(referenceId, appearance, (id) => {
      const worker = startFigureWorker();
      gone.addEventListener('abort', worker.stop);
      return worker.api.render(id, appearance);
    });
  };
const [loadBare, loadCovered] = [loadWhole(false), loadWhole(true)];

/**
 * An address for the whole picture of a reference: shipped, kept, cached or drawn now.
 * @returns undefined while it is fetched or drawn, null when it cannot be had or is just being drawn from memory.
 */
export function useReferenceImage(referenceId: string | null): string | null | undefined {
  const hidden = useIsHidden(referenceId);
  const covered = useCovered();
  const there = referenceId !== null && !hidden;
  const image = useObjectUrl(
    there && covered !== undefined ? referenceId : undefined,
    covered ? loadCovered : loadBare,
  );
  return there ? image && image.url : null;
}
