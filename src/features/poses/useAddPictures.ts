'use client';
import { useCallback, useEffect, useRef, useState } from 'react';
import { type ImageProblem, problemSentence } from '@/core/references/imageFile';
import type { Picture } from '@/core/references/picture';
import { addPicture, listPictures } from '@/storage/pictures';
import { isQuotaError, storageProblem } from '@/storage/problems';
import { prepareFiles } from '@/workers/prepareFile';

export interface Progress {
  done: number;
  total: number;
  added: number;
}
export interface Report {
  added: number;
  canceled: boolean;
  /** A sentence for each file that was not added. */
  problems: string[];
}

/** Adds files to a set one by one: a bad one is told and left out, the rest goes through. */
export function useAddPictures(setId: string): {
  add: (files: readonly File[]) => Promise<void>;
  progress: Progress | undefined;
  report: Report | undefined;
  cancel: () => void;
  dismiss: () => void;
} {
  const [progress, setProgress] = useState<Progress>();
  const [report, setReport] = useState<Report>();
  const abort = useRef<AbortController>(undefined);
  useEffect(() => () => abort.current?.abort(), []);

  const add = useCallback(
    async (files: readonly File[]): Promise<void> => {
      if (files.length === 0 || (abort.current && !abort.current.signal.aborted)) return;
      const controller = new AbortController();
      abort.current = controller;
      const problems: string[] = [];
      let added = 0;
      const leaveOut = (name: string, problem: ImageProblem): void => {
        problems.push(problemSentence(name, problem));
      };
      setReport(undefined);
      setProgress({ done: 0, total: files.length, added });
      try {
        const known = new Set((await listPictures(setId)).map((p) => p.hash));
        await prepareFiles(files, controller.signal, async (file, preparation, index) => {
          if (!preparation.ok) leaveOut(file.name, preparation.problem);
          else if (known.has(preparation.picture.hash)) leaveOut(file.name, { kind: 'already there' });
          else {
            const { type, widthPx, heightPx, hash, image, thumbnail } = preparation.picture;
            const name = file.name || 'Pasted picture';
            const picture: Picture = {
              id: crypto.randomUUID(),
              setId,
              name,
              type,
              widthPx,
              heightPx,
              hash,
              addedAtMs: Date.now() + index,
              binnedAtMs: null,
            };
            try {
              await addPicture(picture, image, thumbnail);
            } catch (error) {
              if (!isQuotaError(error)) throw error;
              leaveOut(file.name, { kind: 'no room' });
              setProgress({ done: index + 1, total: files.length, added });
              return;
            }
            known.add(hash);
            added++;
          }
          setProgress({ done: index + 1, total: files.length, added });
        });
      } catch (error) {
        problems.push(storageProblem(error));
      }
      setReport({ added, canceled: controller.signal.aborted, problems });
      setProgress(undefined);
      abort.current = undefined;
    },
    [setId],
  );
  const cancel = useCallback(() => abort.current?.abort(), []);
  const dismiss = useCallback(() => setReport(undefined), []);
  return { add, progress, report, cancel, dismiss };
}
