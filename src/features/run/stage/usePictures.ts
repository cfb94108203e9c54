'use client';
import { useEffect, useRef, useState } from 'react';
import { STUDIO } from '@/core/figure/picture/appearance';
import { isMirrored } from '@/core/references/picture';
import { loadReferenceImage, veilsOf } from '@/storage/references/references';
import { useCovered } from '@/storage/hooks/useCovered';
import { type Client, startPictureWorker } from '@/workers/clients';
import type { PictureApi } from '@/workers/picture.worker';
import { type FigureQueue, figureQueue } from './figureQueue';

export type ReadyPicture = { kind: 'ready'; bitmap: ImageBitmap } | { kind: 'missing' };

const close = (picture: ReadyPicture): void => {
  if (picture.kind === 'ready') picture.bitmap.close();
};

/** How many pictures are kept decoded: the one shown and the three coming. */
const KEEP = 4;
const nextOf = (wanted: readonly string[]): string[] => [...new Set(wanted)].slice(0, KEEP);

/** Whether the picture shown and those coming are decoded. */
export const areReady = (wanted: readonly string[], pictures: ReadonlyMap<string, ReadyPicture>): boolean =>
  nextOf(wanted).every((id) => pictures.has(id));

/** Of them, shown now or next: these are not kept waiting for the machine's sake. */
const DUE = 2;
/** The others are begun when a change of pose has been painted: decoding a large picture takes what painting needs. */
const PAINTED_MS = 150;

/**
 * Pictures of the references given, decoded in a worker at screen size before they are due.
 * @param wanted The current one first, then what comes next.
 */
export function usePictures(wanted: readonly string[]): ReadonlyMap<string, ReadyPicture> {
  const [ready, setReady] = useState<ReadonlyMap<string, ReadyPicture>>(new Map());
  const known = useRef(new Set<string>());
  const due = useRef<readonly string[]>([]);
  /** Those that are begun in a moment. */
  const soon = useRef(new Map<string, { timer: ReturnType<typeof setTimeout>; begin: () => void }>());
  const pictures = useRef<Client<PictureApi>>(undefined);
  const figures = useRef<FigureQueue>(undefined);
  useEffect(
    () => () => {
      pictures.current?.stop();
      figures.current?.stop();
      pictures.current = undefined;
      figures.current = undefined;
      known.current.clear();
      for (const { timer } of soon.current.values()) clearTimeout(timer);
      soon.current.clear();
      due.current = [];
    },
    [],
  );
  // Close a bitmap, up to 33 MB, once what replaces it is painted. Drafts are replaced by the finished picture.
  const before = useRef(ready);
  useEffect(() => {
    for (const [id, picture] of before.current) if (ready.get(id) !== picture) close(picture);
    before.current = ready;
  }, [ready]);
  useEffect(() => () => before.current.forEach(close), []);
  const covered = useCovered();
  const key = nextOf(wanted).join('\n');
  useEffect(() => {
    if (covered === undefined) return;
    const ids = key === '' ? [] : key.split('\n');
    const appearance = { ...STUDIO, covered };
    const scale = Math.min(2, devicePixelRatio);
    const show = (id: string, picture: ReadyPicture): void => {
      if (known.current.has(id)) setReady((before) => new Map(before).set(id, picture));
      else close(picture);
    };
    const decode = async (id: string, image: Blob): Promise<ReadyPicture> => {
      pictures.current ??= startPictureWorker();
      const { api } = pictures.current;
      return {
        kind: 'ready',
        bitmap: await api.atSize(image, screen.width * scale, screen.height * scale, isMirrored(id), await veilsOf(id)),
      };
    };
    // A view that is not there yet is shown rough at once and replaced when it is done.
    const render = async (id: string): Promise<Blob> => {
      figures.current ??= figureQueue((wantedId) =>
        due.current.includes(wantedId) ? 'due' : known.current.has(wantedId) ? 'later' : 'no',
      );
      show(id, await decode(id, await figures.current.draft(id, appearance)));
      return figures.current.finish(id, appearance);
    };
    const load = async (id: string): Promise<ReadyPicture> => {
      const image = await loadReferenceImage(id, appearance, render);
      return image ? decode(id, image) : { kind: 'missing' };
    };
    due.current = ids.slice(0, DUE);
    for (const id of known.current) {
      if (ids.includes(id)) continue;
      known.current.delete(id);
      clearTimeout(soon.current.get(id)?.timer);
      soon.current.delete(id);
    }
    for (const id of ids) {
      const isDue = due.current.includes(id);
      const waiting = soon.current.get(id);
      if (waiting && isDue) {
        clearTimeout(waiting.timer);
        waiting.begin();
      }
      if (known.current.has(id)) continue;
      known.current.add(id);
      const begin = (): void => {
        soon.current.delete(id);
        void load(id)
          .catch((): ReadyPicture => ({ kind: 'missing' }))
          .then((picture) => show(id, picture));
      };
      if (isDue) begin();
      else soon.current.set(id, { timer: setTimeout(begin, PAINTED_MS), begin });
    }
    // Not at once: what is still on the screen is closed only after the coming picture was asked for.
    queueMicrotask(() => {
      setReady((before) => {
        const stale = [...before.keys()].filter((id) => !ids.includes(id));
        if (stale.length === 0) return before;
        const next = new Map(before);
        for (const id of stale) next.delete(id);
        return next;
      });
    });
  }, [key, covered]);
  return ready;
}
