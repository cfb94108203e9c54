'use client';
import { useCallback, useEffect, useRef } from 'react';
import type { Sheet } from '@/core/desk/sheet';
import { type Client, startSheetWorker } from '@/workers/clients';
import type { SheetBox } from '@/core/desk/readingOrder';
import type { Flattened, SheetApi, SheetFound } from '@/workers/sheet.worker';

export interface FlatSheet extends Flattened {
  url: string;
}

/** Finding and straightening the sheet in a photograph, by a worker that goes when one leaves. */
export function useSheet(photo: Blob): {
  find: () => Promise<SheetFound>;
  snap: (corners: Sheet['corners']) => ReturnType<SheetApi['snap']>;
  flatten: (sheet: Pick<Sheet, 'corners' | 'quarters' | 'aspect'>) => Promise<FlatSheet>;
  /** The drawings on the sheet that was flattened last. */
  cut: (left: number, told?: number) => Promise<SheetBox[]>;
} {
  const worker = useRef<Client<SheetApi>>(undefined);
  const urls = useRef<string[]>([]);
  useEffect(
    () => () => {
      worker.current?.stop();
      worker.current = undefined;
      for (const url of urls.current) URL.revokeObjectURL(url);
      urls.current = [];
    },
    [photo],
  );
  const api = useCallback(() => (worker.current ??= startSheetWorker()).api, []);
  const find = useCallback(() => api().find(photo), [api, photo]);
  const snap = useCallback((corners: Sheet['corners']) => api().snap(photo, corners), [api, photo]);
  const flatten = useCallback(
    async (sheet: Pick<Sheet, 'corners' | 'quarters' | 'aspect'>): Promise<FlatSheet> => {
      const made = await api().flatten(photo, sheet);
      const url = URL.createObjectURL(made.image);
      urls.current.push(url);
      return { ...made, url };
    },
    [api, photo],
  );
  const cut = useCallback((left: number, told?: number) => api().cut(left, told), [api]);
  return { find, snap, flatten, cut };
}
