'use client';
import { useMemo, useState } from 'react';
import { toastProblem } from '@/ui/toast/toast';
import { BIN_DAYS, daysLeft } from '@/core/bin';
import { type Picture, pictureReferenceId } from '@/core/references/picture';
import { counted } from '@/core/words';
import { useLibrary } from '@/storage/pictures/library';
import { binSet, listBinnedSets } from '@/storage/pictures/pictures';
import { storageProblem } from '@/storage/problems';
import { useStored } from '@/storage/hooks/useStored';
import { useReferenceThumbnail } from '@/storage/hooks/useThumbnail';
import { useLibraryActions } from './library/useLibraryActions';

/** Shown at a time: a bin is emptied from its newest end. */
const SHOWN = 120;

function Binned({ picture, nowMs, onBack }: { picture: Picture; nowMs: number; onBack: () => void }) {
  const url = useReferenceThumbnail(pictureReferenceId(picture.id));
  return (
    <li>
      <span className="grid h-[130px] place-items-center bg-plate p-1">
        {url && <img src={url} alt="" className="max-h-[122px] max-w-full" />}
      </span>
      <p className="truncate text-[13px]" title={picture.name}>
        {picture.name}
      </p>
      <p className="text-[13px] text-quiet">{daysLeft(picture.binnedAtMs, nowMs)}</p>
      <button type="button" className="btn-quiet btn btn-xs" aria-label={`Put ${picture.name} back`} onClick={onBack}>
        Put back
      </button>
    </li>
  );
}

/** What was thrown away in the last thirty days, to be put back. */
export function Bin() {
  const { pictures } = useLibrary();
  const sets = useStored(listBinnedSets, ['sets'], []).value ?? [];
  const actions = useLibraryActions();
  const [nowMs] = useState(() => Date.now());
  const binned = useMemo(
    () =>
      (pictures ?? []).filter((p) => p.binnedAtMs !== null).sort((a, b) => (b.binnedAtMs ?? 0) - (a.binnedAtMs ?? 0)),
    [pictures],
  );
  return (
    <section aria-label="Bin" className="py-4">
      <div className="flex flex-wrap items-center gap-4">
        <p className="flex-1">
          What you threw away stays here for {BIN_DAYS} days, then it is deleted for good when Fox Minute next starts.
        </p>
        {binned.length > 0 && (
          <button type="button" className="btn-quiet btn" onClick={() => actions.putBack(binned.map((p) => p.id))}>
            Put all {counted(binned.length, 'picture')} back
          </button>
        )}
      </div>
      {sets.length === 0 && binned.length === 0 && pictures && <p className="mt-6 text-quiet">The bin is empty.</p>}
      {sets.length > 0 && (
        <ul className="mt-4 flex flex-col gap-1" aria-label="Sets in the bin">
          {sets.map((set) => (
            <li key={set.id} className="flex items-center gap-4">
              <span className="font-serif text-[18px]">{set.name}</span>
              <span className="text-[13px] text-quiet">{daysLeft(set.binnedAtMs, nowMs)}</span>
              <button
                type="button"
                className="btn-quiet btn btn-xs"
                aria-label={`Put the set ${set.name} back`}
                onClick={() => {
                  binSet(set.id, null).catch((error: unknown) => toastProblem(storageProblem(error)));
                }}
              >
                Put back
              </button>
            </li>
          ))}
        </ul>
      )}
      <ul className="mt-5 grid grid-cols-[repeat(auto-fill,minmax(130px,1fr))] gap-4" aria-label="Pictures in the bin">
        {binned.slice(0, SHOWN).map((picture) => (
          <Binned key={picture.id} picture={picture} nowMs={nowMs} onBack={() => actions.putBack([picture.id])} />
        ))}
      </ul>
      {binned.length > SHOWN && <p className="mt-3 text-quiet">{binned.length - SHOWN} older ones are not shown.</p>}
    </section>
  );
}
