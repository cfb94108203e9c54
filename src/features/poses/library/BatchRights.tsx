'use client';
import { toastProblem } from '@/ui/toast/toast';
import { LICENSES, type Rights } from '@/core/references/picture';
import type { Batch } from '@/storage/stores';
import { setBatchRights } from '@/storage/pictures/intake/batches';
import { storageProblem } from '@/storage/problems';
import { useWriting } from '@/storage/hooks/useWriting';
import { useTypedText } from '@/ui/useTypedText';
import { LICENSE_WORDS } from './rightsWords';

/** Whose the pictures of a batch are: one tap for all of them. */
export function BatchRights({ batch: { id, rights } }: { batch: Batch }) {
  const save = (part: Partial<Rights>): void => {
    setBatchRights(id, part).catch((error: unknown) => toastProblem(storageProblem(error)));
  };
  const license = rights?.license ?? null;
  const keep = useWriting(id, (credit: string) => save({ credit: credit.trim() }));
  const credit = useTypedText(rights?.credit ?? '', keep);
  return (
    <fieldset className="mt-2 flex flex-wrap items-center gap-x-2 gap-y-1">
      <legend className="float-left mr-2">Whose are they?</legend>
      {LICENSES.map((value) => (
        <button
          key={value}
          type="button"
          aria-pressed={license === value}
          title={LICENSE_WORDS[value].told}
          className={`btn-quiet btn btn-sm ${license === value ? 'border-ink bg-base-300 font-semibold' : ''}`}
          onClick={() => save({ license: license === value ? null : value })}
        >
          {LICENSE_WORDS[value].name}
        </button>
      ))}
      {(license === 'free' || license === 'practice-only') && (
        <input
          className="input w-[260px] input-sm"
          aria-label="Credit line for all of them"
          placeholder="Credit line, such as the author"
          maxLength={300}
          {...credit}
        />
      )}
    </fieldset>
  );
}
