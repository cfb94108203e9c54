'use client';
import { useStored } from '@/storage/hooks/useStored';
import { storageProblem } from '@/storage/problems';
import { changeRoom } from '@/storage/sessions/room';
import { loadSetting, saveSetting } from '@/storage/settings';
import { toastProblem } from '@/ui/toast/toast';

/** Which hand draws, asked once: words keep to its other side, and “the other hand” means something. */
export function AskHand() {
  const said = useStored(async () => (await loadSetting('handSaid')) ?? false, ['settings'], []);
  if (said.value !== false) return null;
  const say = (hand: 'right' | 'left'): void => {
    changeRoom({ hand })
      .then(() => saveSetting('handSaid', true))
      .catch((error: unknown) => toastProblem(storageProblem(error)));
  };
  return (
    <div
      role="group"
      aria-label="Which hand draws?"
      className="inline-flex flex-wrap items-baseline gap-x-3 text-[14px]"
    >
      <span className="text-quiet">Which hand draws?</span>
      {(['right', 'left'] as const).map((hand) => (
        <button key={hand} type="button" className="link-quiet py-1" onClick={() => say(hand)}>
          {hand === 'right' ? 'The right' : 'The left'}
        </button>
      ))}
    </div>
  );
}
