'use client';
import { type Bias, type RemedyEffect, remedyFor } from '@/core/growing/biases';
import { MEDIA } from '@/core/practice/paper/materials';
import { REMEDIES } from '@/core/practice/start/remedies';
import { remedyRecipe } from '@/core/practice/start/remedyRecipe';
import { durationWords } from '@/core/practice/time/duration';
import { BUILT_IN_SET_ID } from '@/core/references/picture';
import { useStartRecipe } from '@/storage/hooks/useStartRecipe';
import { unlockSound } from '@/ui/sound/cuePlayer';
import { toastProblem } from '@/ui/toast/toast';

/** What to do about the largest bias, with its reason, started in one tap. */
export function OneRemedy({ bias, effects }: { bias: Bias; effects: readonly RemedyEffect[] }) {
  const { starting, startRecipe } = useStartRecipe(toastProblem);
  const id = remedyFor(bias.id, effects);
  const remedy = REMEDIES.find((one) => one.id === id);
  if (!remedy) return null;
  const { availableMs } = remedyRecipe(remedy, BUILT_IN_SET_ID, MEDIA[0].id, 1);
  return (
    <div className="mt-2 flex flex-wrap items-center gap-x-5 gap-y-2">
      <button
        type="button"
        className="btn max-sm:h-14"
        disabled={starting}
        onClick={() => {
          unlockSound();
          startRecipe((...chosen) => remedyRecipe(remedy, ...chosen));
        }}
      >
        Do something about it, {durationWords(Math.round(availableMs / 60_000) * 60_000)}
      </button>
      <p className="max-w-[640px]">{remedy.reason}</p>
    </div>
  );
}
