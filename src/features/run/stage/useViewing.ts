'use client';
import { useCallback, useEffect, useRef, useState } from 'react';
import { freshViewing, MAX_ZOOM, type Viewing } from '@/core/journal/viewing';
import { evenView } from '@/core/seeing/place';
import { figureShareOf } from '@/storage/references/figureShare';
import { useWriting } from '@/storage/hooks/useWriting';
import { changeViewing, loadViewing } from '@/storage/sessions/viewings';

/**
 * How a picture was seen last, and changing that: kept a moment after the last change. A picture never zoomed is brought to the size
 * that all others have, where that is wanted.
 */
export function useViewing(
  referenceId: string | null,
  evenSizes: boolean,
): [viewing: Viewing, change: (change: (before: Viewing) => Viewing) => void] {
  const [viewing, setViewing] = useState<Viewing>(freshViewing(referenceId ?? '-'));
  /** As it is now, for changes that come before the next render. */
  const latest = useRef(viewing);
  /** The picture that was changed since it is here: what was kept of it comes too late. */
  const changed = useRef<string>(undefined);
  // A convenience: not worth a message.
  const keep = useWriting(
    referenceId ?? '-',
    (after: Viewing, id) => void changeViewing(id, () => after).catch(() => undefined),
  );
  useEffect(() => {
    if (referenceId === null) return;
    let current = true;
    const load = async (): Promise<Viewing> => {
      const kept = await loadViewing(referenceId);
      const untouched = kept.zoom === 1 && kept.panX === 0 && kept.panY === 0;
      const figure = evenSizes && untouched ? await figureShareOf(referenceId) : undefined;
      return figure ? { ...kept, ...evenView(figure, MAX_ZOOM) } : kept;
    };
    load().then(
      (kept) => {
        if (!current || changed.current === referenceId) return;
        latest.current = kept;
        setViewing(kept);
      },
      // A convenience: it is shown whole.
      () => undefined,
    );
    return () => {
      current = false;
      changed.current = undefined;
    };
  }, [referenceId, evenSizes]);
  const change = useCallback(
    (make: (before: Viewing) => Viewing) => {
      if (referenceId === null) return;
      const after = make(latest.current.id === referenceId ? latest.current : freshViewing(referenceId));
      latest.current = after;
      changed.current = referenceId;
      setViewing(after);
      keep(after);
    },
    [referenceId, keep],
  );
  return [viewing.id === referenceId ? viewing : freshViewing(referenceId ?? '-'), change];
}
