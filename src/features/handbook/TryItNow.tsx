'use client';
import type { Exercise } from '@/core/practice/exercises/exercise';
import { useStartRecipe } from '@/storage/hooks/useStartRecipe';
import { unlockSound } from '@/ui/sound/cuePlayer';
import { toastProblem } from '@/ui/toast/toast';

/** Two drawings of an exercise at once; the session carries its name. */
export function TryItNow({ exercise }: { exercise: Exercise }) {
  const { starting, startRecipe } = useStartRecipe(toastProblem);
  return (
    <button
      type="button"
      className="mt-1 ml-5 min-h-6 link text-[14px]"
      aria-label={`Try ${exercise.name} now`}
      disabled={starting}
      onClick={() => {
        unlockSound();
        startRecipe(async (...chosen) =>
          (await import('@/core/practice/start/tryRecipe')).tryRecipe(exercise, ...chosen),
        );
      }}
    >
      Try it now
    </button>
  );
}
