'use client';
import { Link } from '@/ui/Link';
import { useState } from 'react';
import { counted, bytesWords } from '@/core/words';
import { packPlan, usedPictures } from '@/storage/pictures/sharedPlan';
import { storageProblem } from '@/storage/problems';
import { useStored } from '@/storage/hooks/useStored';
import { download } from '@/ui/download';
import { referencePage } from '@/ui/referencePage';
import { toastProblem } from '@/ui/toast/toast';
import { Tick } from './fields';
import { KeepPart } from './KeepPart';
import { planFileName } from './planFileName';
import type { PlanEditor } from './usePlanEditor';

interface ShareProps {
  editor: PlanEditor;
  onTold: (words: string) => void;
  onClose: () => void;
}

/** A plan for others: what of one's own pictures goes with it is said before, by their rights. */
export function Share({ editor: { recipe, chosen }, onTold, onClose }: ShareProps) {
  const [withPictures, setWithPictures] = useState(true);
  const [busy, setBusy] = useState(false);
  const ids = Object.values(chosen).flatMap((list) => list.filter((id) => id !== null));
  const used = useStored(() => usedPictures(ids), ['pictures'], [ids.join('\n')]).value ?? [];
  const along = [...new Map(used.filter((u) => !u.keptBack).map(({ picture }) => [picture.id, picture])).values()];
  const stay = [...new Map(used.filter((u) => u.keptBack).map((u) => [u.picture.id, u])).values()];
  const share = async (): Promise<void> => {
    setBusy(true);
    const { file, ending, words } = await packPlan(recipe, chosen, withPictures);
    download(file, planFileName(recipe.title, ending));
    onTold(words);
    onClose();
  };
  return (
    <KeepPart
      title="Share it"
      words="A file that replays exactly: the same pictures where they are present, the same seed, order and cues."
    >
      {along.length > 0 && (
        <Tick
          label={`with ${counted(along.length, 'picture')} of your own that may be passed on (${bytesWords(along.reduce((sum, p) => sum + p.bytes, 0))})`}
          checked={withPictures}
          onChange={setWithPictures}
        />
      )}
      {stay.length > 0 && (
        <details className="w-full text-[14px]">
          <summary className="cursor-pointer">
            {counted(stay.length, 'picture')} of your own {stay.length === 1 ? 'is' : 'are'} only named in it
          </summary>
          <ul className="mt-1 text-quiet">
            {stay.map(({ picture, reference, keptBack }) => (
              <li key={picture.id}>
                <Link className="underline" href={referencePage(reference)}>
                  {picture.name}
                </Link>
                : {keptBack}
              </li>
            ))}
          </ul>
        </details>
      )}
      <button
        type="button"
        className="btn-quiet btn btn-sm"
        disabled={busy}
        onClick={() =>
          void share().catch((error: unknown) => {
            setBusy(false);
            toastProblem(storageProblem(error));
          })
        }
      >
        {busy ? 'Packing…' : 'Share as a file'}
      </button>
    </KeepPart>
  );
}
