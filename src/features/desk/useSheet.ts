'use client';
import { useCallback, useEffect, useRef } from 'react';
import type { Point } from '@/core/desk/quad';
import type { Sheet } from '@/core/desk/sheet';
import type { DrawnKey } from '@/core/figure/facts/answerKey';
import { type Client, startSheetWorker } from '@/workers/clients';
import type { SheetBox } from '@/core/desk/readingOrder';
import type { CutBox, FittedDrawing, Flattened, SheetApi, SheetFound } from '@/workers/sheet.worker';

export interface FlatSheet extends Omit<Flattened, 'small'> {
  url: string;
}

/** Finding and straightening the sheet in a photograph, by a worker that goes when one leaves. */
export function useSheet(photo: Blob): {
  find: () => Promise<SheetFound>;
  snap: (corners: Sheet['corners']) => ReturnType<SheetApi['snap']>;
  flatten: (sheet: Pick<Sheet, 'corners' | 'quarters' | 'aspect'>) => Promise<FlatSheet & Pick<Flattened, 'small'>>;
  /** The drawings on the sheet that was flattened last. */
  cut: (left: number, told?: number) => Promise<CutBox[]>;
  /** One of them cut in two along a line. */
  split: (box: SheetBox, from: Point, to: Point) => Promise<[SheetBox, SheetBox] | undefined>;
  /** The places of a figure in one of them. */
  fit: (key: DrawnKey, box: SheetBox) => Promise<FittedDrawing | undefined>;
  /** Its ink is known, pixel by pixel: it need not be read off the picture. */
  setInk: (ink: Uint8Array) => Promise<void>;
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
    async (sheet: Pick<Sheet, 'corners' | 'quarters' | 'aspect'>): Promise<FlatSheet & Pick<Flattened, 'small'>> => {
      const made = await api().flatten(photo, sheet);
      const url = URL.createObjectURL(made.image);
      urls.current.push(url);
      return { ...made, url };
    },
    [api, photo],
  );
  const cut = useCallback((left: number, told?: number) => api().cut(left, told), [api]);
  const fit = useCallback((key: DrawnKey, box: SheetBox) => api().fit(key, box), [api]);
  const split = useCallback((box: SheetBox, from: Point, to: Point) => api().split(box, from, to), [api]);
  const setInk = useCallback((ink: Uint8Array) => api().setInk(ink), [api]);
  return { find, snap, flatten, cut, split, fit, setInk };
}
