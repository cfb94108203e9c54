'use client';
import { useCallback, useEffect, useRef, useState } from 'react';
import { toastProblem } from '@/ui/toast/toast';
import { LIBRARY_ID, LATER_ID } from '@/core/references/picture';
import type { Batch } from '@/storage/stores';
import { listBatches } from '@/storage/pictures/intake/batches';
import { nextBatch, processWaiting } from '@/storage/pictures/intake/process';
import { type Given, stageFiles } from '@/storage/pictures/intake/stage';
import { storageProblem } from '@/storage/problems';
import { readPictures } from '@/storage/pictures/readPictures';
import { useStored } from '@/storage/hooks/useStored';
import { callback, startZipWorker } from '@/workers/clients';

/** How often a tab looks whether another has left pictures waiting. */
const LOOK_AGAIN_MS = 3000;

export interface Intake {
  /** Batches whose report has not been read, newest first. */
  batches: readonly Batch[];
  /** A ZIP that is being unpacked. */
  unpacking: Unpacking | undefined;
  give: (files: readonly Given[]) => void;
  /** Start or go on working through what waits. */
  kick: () => void;
  reading: 'on' | 'off' | 'paused';
  setPaused: (paused: boolean) => void;
  readingProblem: string | undefined;
}

/** Files that come out of a ZIP between two words about it. */
const TOLD_EVERY = 50;

const isZip = ({ file }: Given): boolean =>
  /\.zip$/i.test(file.name) || file.type === 'application/zip' || file.type === 'application/x-zip-compressed';

/** A ZIP on its way out of its wrapping. */
export interface Unpacking {
  name: string;
  /** Files that came out so far. */
  files: number;
  cancel: () => void;
}

/** Files of a ZIP in place of the ZIP; everything else as it is. Nothing at all once it was canceled. */
async function unpacked(given: readonly Given[], tell: (unpacking: Unpacking | undefined) => void): Promise<Given[]> {
  const zips = given.filter(isZip);
  if (zips.length === 0) return [...given];
  const out = given.filter((g) => !isZip(g));
  const worker = startZipWorker();
  let cancel = (): void => undefined;
  const canceled = new Promise<'canceled'>((resolve) => {
    cancel = () => {
      worker.stop();
      resolve('canceled');
    };
  });
  try {
    for (const { file } of zips) {
      const before = out.length;
      tell({ name: file.name, files: 0, cancel });
      const unpacking = worker.api.unpack(
        file,
        callback((inside: File) => {
          out.push({ file: inside, name: inside.name });
          const files = out.length - before;
          if (files % TOLD_EVERY === 0) tell({ name: file.name, files, cancel });
          return Promise.resolve();
        }),
      );
      const sentence = await Promise.race([unpacking, canceled]);
      if (sentence === 'canceled') return [];
      if (sentence) toastProblem(sentence);
    }
  } finally {
    tell(undefined);
    worker.stop();
  }
  return out;
}

/** Takes pictures in and reads them, while Poses is open: what waits is worked through, then unread pictures are read. */
export function useIntake(setId: string): Intake {
  const batches = useStored(listBatches, ['batches'], []).value;
  const [reading, setReading] = useState<Intake['reading']>('off');
  const [unpacking, setUnpacking] = useState<Unpacking>();
  const [readingProblem, setReadingProblem] = useState<string>();
  const stop = useRef<AbortController>(undefined);
  const stopReading = useRef<AbortController>(undefined);
  const busy = useRef(false);
  const paused = useRef(false);

  const read = useCallback((): void => {
    if (paused.current || stop.current?.signal.aborted !== false || stopReading.current) return;
    const controller = new AbortController();
    stopReading.current = controller;
    setReading('on');
    setReadingProblem(undefined);
    readPictures(controller.signal)
      .catch(() => {
        if (!controller.signal.aborted)
          setReadingProblem(
            'The part that finds poses in pictures could not be loaded. Your pictures are safe and can be sorted by hand; it tries again when you open Poses next.',
          );
      })
      .finally(() => {
        if (stopReading.current === controller) stopReading.current = undefined;
        if (!controller.signal.aborted) setReading('off');
      });
  }, []);
  const kick = useCallback((): void => {
    const signal = stop.current?.signal;
    if (!signal || signal.aborted || busy.current) return;
    busy.current = true;
    nextBatch()
      .then((batch) => {
        if (!batch) return undefined;
        // Taking in comes first: both at once would share two cores.
        stopReading.current?.abort();
        stopReading.current = undefined;
        return processWaiting(signal);
      })
      .catch((error: unknown) => toastProblem(storageProblem(error)))
      .finally(() => {
        busy.current = false;
        read();
      });
  }, [read]);

  useEffect(() => {
    const controller = new AbortController();
    stop.current = controller;
    kick();
    return () => {
      controller.abort();
      stopReading.current?.abort();
      stopReading.current = undefined;
      busy.current = false;
    };
  }, [kick]);
  const waiting = batches?.some((b) => b.state === 'running') ?? false;
  useEffect(() => {
    if (!waiting) return;
    const timer = setInterval(kick, LOOK_AGAIN_MS);
    return () => clearInterval(timer);
  }, [waiting, kick]);

  const give = useCallback(
    (given: readonly Given[]): void => {
      if (given.length === 0) return;
      // Asked when something worth keeping comes in; a browser short of room then deletes it last.
      void navigator.storage?.persist?.().catch(() => undefined);
      const into = setId === LIBRARY_ID || setId === LATER_ID ? null : setId;
      unpacked(given, setUnpacking)
        .then((files) => (files.length > 0 ? stageFiles(files, into, null, Date.now(), kick) : undefined))
        .catch((error: unknown) => toastProblem(storageProblem(error)));
    },
    [setId, kick],
  );
  const setPaused = useCallback(
    (next: boolean): void => {
      paused.current = next;
      if (next) {
        stopReading.current?.abort();
        stopReading.current = undefined;
        setReading('paused');
      } else read();
    },
    [read],
  );
  return {
    batches: (batches ?? []).filter((b) => !b.seen),
    unpacking,
    give,
    kick,
    reading,
    setPaused,
    readingProblem,
  };
}
