'use client';
import { Download, FolderSync, Sparkles, Trash2 } from 'lucide-react';
import { toastProblem } from '@/ui/toast/toast';
import { LATER_ID, LIBRARY_ID, type PictureSet } from '@/core/references/picture';
import { alterSet } from '@/storage/pictures/history';
import type { Given } from '@/storage/pictures/intake/stage';
import { useWriting } from '@/storage/hooks/useWriting';
import { useTypedText } from '@/ui/useTypedText';
import { storageProblem } from '@/storage/problems';
import { ChoosingClock } from '../ChoosingClock';
import { SharedScreen } from '../SharedScreen';
import { takeOutPoses } from '../takeOutPoses';
import { AddPictures } from './AddPictures';

const fail = (error: unknown): void => {
  toastProblem(storageProblem(error));
};

/** Whether pictures can be put into a place by hand. */
const takesPictures = (placeId: string, set: PictureSet | undefined): boolean =>
  placeId !== LATER_ID && !set?.rule && !set?.folderId;

/** The name of the place and what is done with all of it. */
export function LibraryHeader({
  placeId,
  set,
  count,
  give,
  onPick,
  onPractice,
  onPutAway,
  onLink,
}: {
  placeId: string;
  set: PictureSet | undefined;
  count: number;
  give: (files: readonly Given[]) => void;
  onPick: () => void;
  onPractice: () => void;
  onPutAway: () => void;
  onLink: () => void;
}) {
  const rename = (name: string): void => {
    if (!set || !name.trim() || name.trim() === set.name) return;
    alterSet('Set renamed', { ...set, name: name.trim() }, Date.now(), `${set.id} name`).catch(fail);
  };
  const keepName = useWriting(set?.id ?? '', rename);
  const typedName = useTypedText(set?.name ?? '', keepName);
  const figures = set?.figures ?? [];
  return (
    <div className="flex flex-wrap items-center gap-3 py-4">
      {set ? (
        <input
          aria-label="Name of the set"
          className="min-w-[160px] flex-1 border-b border-transparent bg-transparent font-serif text-[24px] hover:border-rule focus:border-rule"
          maxLength={80}
          {...typedName}
          onKeyDown={(event) => {
            if (event.key === 'Enter') event.currentTarget.blur();
          }}
        />
      ) : (
        <h2 className="flex-1 text-[24px] max-sm:basis-full">
          {placeId === LATER_ID ? 'The later shelf' : 'All your pictures'}
        </h2>
      )}
      <ChoosingClock onStart={onPick} />
      <SharedScreen label="Shared screen" />
      {count > 0 && takesPictures(placeId, set) && <AddPictures give={give} onLink={onLink} />}
      {figures.length > 0 && set && (
        <button
          type="button"
          className="btn-quiet btn max-sm:h-14"
          onClick={() =>
            takeOutPoses(
              set.name,
              figures.map(({ id }) => id),
            )
          }
        >
          <Download size={16} aria-hidden /> Poses as JSON
        </button>
      )}
      {set && (
        <>
          <button
            type="button"
            className="btn-quiet btn max-sm:h-14"
            disabled={count === 0}
            onClick={onPractice}
            title="Today plans from this set until you choose another"
          >
            Practice from this set
          </button>
          <button type="button" className="btn-quiet btn max-sm:h-14" onClick={onPutAway}>
            <Trash2 size={16} aria-hidden /> Put the set away
          </button>
        </>
      )}
      {placeId === LIBRARY_ID && count > 0 && (
        <button type="button" className="btn-quiet btn max-sm:h-14" onClick={onPractice}>
          Practice from all
        </button>
      )}
      <button type="button" className="btn btn-primary max-sm:h-14" disabled={count === 0} onClick={onPick}>
        <Sparkles size={17} aria-hidden /> Pick for me
      </button>
    </div>
  );
}

/** Where a linked folder stands. */
export function FolderNotice({ state, told, onOpen }: { state: string; told: string; onOpen: () => void }) {
  const words: Record<string, string> = {
    asleep: 'This set is read from a folder on your disk. The browser wants to be asked again before it opens it.',
    reading: 'Looking through the folder.',
    gone: 'The folder could not be read: it was moved, renamed, or its drive is not connected. What you said about its pictures is kept; connect it and try again.',
    open: told,
  };
  if (!words[state]) return null;
  return (
    <p className="mb-3 flex flex-wrap items-center gap-3 border-l-4 border-moss bg-sheet px-4 py-2" role="status">
      <FolderSync size={17} aria-hidden />
      <span className="flex-1">{words[state]}</span>
      {(state === 'asleep' || state === 'gone' || state === 'open') && (
        <button type="button" className="btn-quiet btn btn-sm" onClick={onOpen}>
          {state === 'open' ? 'Look again' : 'Open the folder'}
        </button>
      )}
    </p>
  );
}
