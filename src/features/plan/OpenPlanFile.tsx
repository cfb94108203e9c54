'use client';
import { useEffect, useRef, useState } from 'react';
import { PLAN_BYTES, type PlanPicture, readPlanFile, recipeFromFile } from '@/core/interchange/planFile';
import type { OpenedPlan } from '@/core/interchange/planZip';
import type { Recipe } from '@/core/practice/plan/recipe';
import { bytesWords, counted } from '@/core/words';
import { findPicturesHere, takeInPictures } from '@/storage/pictures/sharedPlan';
import { storageProblem } from '@/storage/problems';
import { Notice } from '@/ui/Notice';

/** What a file holds: JSON of a plan, or a ZIP of it with pictures, told by its first bytes. */
async function openPlan(file: File): Promise<OpenedPlan | { problem: string }> {
  if ((await file.slice(0, 2).text()) === 'PK') {
    const { openPlanZip } = await import('@/core/interchange/planZip');
    return openPlanZip(file);
  }
  if (file.size > PLAN_BYTES) return { problem: 'This file is too large to be a plan. Nothing here was changed.' };
  const read = readPlanFile(await file.text());
  return 'problem' in read ? read : { file: read.file, bytes: 0, image: () => Promise.resolve(undefined) };
}

/** A plan that brings pictures: they are taken in only when the learner says so. */
interface Offer {
  opened: OpenedPlan;
  here: ReadonlyMap<string, string>;
  /** Those that it holds and that are not here. */
  wanted: readonly PlanPicture[];
}

function openedWords(title: string, missing: number): string {
  if (missing === 0) return `“${title}” is opened, with the same pictures in the same order.`;
  const [are, their] = missing === 1 ? ['is', 'its'] : ['are', 'their'];
  return `“${title}” is opened. ${counted(missing, 'picture')} of it ${are} not in this browser; others take ${their} place.`;
}

/** A plan out of a file, with the pictures that came with it where they are wanted. */
export function OpenPlanFile({ onOpened }: { onOpened: (recipe: Recipe, words: string) => void }) {
  const [problem, setProblem] = useState<string>();
  const [offer, setOffer] = useState<Offer>();
  const [progress, setProgress] = useState<{ done: number; total: number }>();
  const input = useRef<HTMLInputElement>(null);
  const taking = useRef<AbortController>(undefined);
  useEffect(() => () => taking.current?.abort(), []);

  const begin = ({ opened: { file } }: Offer, here: ReadonlyMap<string, string>): void => {
    const { recipe, missing } = recipeFromFile(file, ({ reference }) => here.get(reference));
    onOpened(recipe, openedWords(recipe.title, missing.length));
  };
  const choose = async (file: File): Promise<void> => {
    setProblem(undefined);
    setOffer(undefined);
    const opened = await openPlan(file);
    if ('problem' in opened) return setProblem(opened.problem);
    const here = await findPicturesHere(opened.file.pictures);
    const wanted = opened.file.pictures.filter(({ held, reference }) => held && !here.has(reference));
    const next = { opened, here, wanted };
    if (wanted.length > 0) setOffer(next);
    else begin(next, here);
  };
  const takeIn = async (from: Offer): Promise<void> => {
    const controller = new AbortController();
    taking.current = controller;
    const { signal } = controller;
    setProgress({ done: 0, total: from.wanted.length });
    try {
      const came = await takeInPictures(from.opened, from.wanted, Date.now(), signal, (done, total) =>
        setProgress({ done, total }),
      );
      if (!signal.aborted) return begin(from, new Map([...from.here, ...came]));
    } catch (error) {
      if (!signal.aborted) return setProblem(`${storageProblem(error)} The plan was not opened.`);
    } finally {
      setProgress(undefined);
      setOffer(undefined);
    }
    setProblem('Canceled: the plan was not opened. Pictures of it that were taken in so far are in your library.');
  };
  return (
    <>
      <h3 className="mt-5 text-[18px]">A file</h3>
      <input
        ref={input}
        type="file"
        accept=".json,.zip,application/json,application/zip"
        className="sr-only"
        aria-label="Plan file"
        onChange={(event) => {
          const chosen = event.target.files?.[0];
          event.target.value = '';
          if (chosen) choose(chosen).catch(() => setProblem('This file cannot be read. Nothing here was changed.'));
        }}
      />
      {!offer && (
        <button type="button" className="btn-quiet btn mt-1 btn-sm" onClick={() => input.current?.click()}>
          Open a plan file
        </button>
      )}
      {offer && !progress && (
        <div
          role="group"
          aria-label="Pictures with the plan"
          className="mt-1 border border-rule bg-sheet p-3 text-[14px]"
        >
          <p>
            “{offer.opened.file.recipe.title}” brings {counted(piecesIn(offer.wanted), 'picture')} that{' '}
            {piecesIn(offer.wanted) === 1 ? 'is' : 'are'} not here ({bytesWords(offer.opened.bytes)}). Taken in, they
            are a set of that name in your library, with their rights: what is the giver’s own is for practice only.
          </p>
          <div className="mt-2 flex flex-wrap gap-2">
            <button type="button" className="btn btn-sm" onClick={() => void takeIn(offer)}>
              Take them in and open
            </button>
            <button type="button" className="btn-quiet btn btn-sm" onClick={() => begin(offer, offer.here)}>
              Open without them
            </button>
            <button type="button" className="btn-quiet btn btn-sm" onClick={() => setOffer(undefined)}>
              Leave it
            </button>
          </div>
        </div>
      )}
      {progress && (
        <div className="mt-1 flex flex-wrap items-center gap-3 text-[14px]">
          <progress
            className="progress flex-1"
            max={progress.total}
            value={progress.done}
            aria-label="Taking in pictures of the plan"
          />
          <span className="tabular-nums">
            {progress.done} of {progress.total}
          </span>
          <button type="button" className="btn-quiet btn btn-sm" onClick={() => taking.current?.abort()}>
            Cancel
          </button>
        </div>
      )}
      {problem && (
        <div className="mt-2">
          <Notice>{problem}</Notice>
        </div>
      )}
    </>
  );
}

/** A picture and its mirror image come as one file. */
const piecesIn = (wanted: readonly PlanPicture[]): number => new Set(wanted.map(({ held }) => held?.path)).size;
