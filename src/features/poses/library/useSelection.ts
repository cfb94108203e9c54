'use client';
import { useCallback, useMemo, useRef, useState } from 'react';
import type { Picture } from '@/core/references/picture';

export interface Selection {
  chosen: ReadonlySet<string>;
  /** Choose or leave the picture at a position; with a range, everything since the last one touched. */
  toggle: (index: number, range: boolean) => void;
  all: () => void;
  clear: () => void;
}

/** Which of the pictures shown are chosen. Those no longer shown do not count. */
export function useSelection(pictures: readonly Picture[]): Selection {
  const [ids, setIds] = useState<ReadonlySet<string>>(new Set());
  const last = useRef<number>(undefined);
  const toggle = useCallback(
    (index: number, range: boolean): void => {
      const from = range && last.current !== undefined ? Math.min(last.current, index) : index;
      const to = range && last.current !== undefined ? Math.max(last.current, index) : index;
      last.current = index;
      setIds((before) => {
        const next = new Set(before);
        if (!range && next.delete(pictures[index].id)) return next;
        for (let i = from; i <= to; i++) next.add(pictures[i].id);
        return next;
      });
    },
    [pictures],
  );
  const chosen = useMemo(
    () => (ids.size === 0 ? ids : new Set(pictures.filter((p) => ids.has(p.id)).map((p) => p.id))),
    [ids, pictures],
  );
  return useMemo(
    () => ({
      chosen,
      toggle,
      all: () => setIds(new Set(pictures.map((p) => p.id))),
      clear: () => setIds(new Set()),
    }),
    [chosen, toggle, pictures],
  );
}
