'use client';
import type { RunState } from '@/core/clock/run';
import { clockDigits } from '@/core/practice/time/duration';
import { poseExercise } from '@/core/practice/rules/poseExercise';
import type { Plan } from '@/core/practice/plan/schema';
import type { Segment } from '@/core/practice/time/timeline';
import { changeRoom } from '@/storage/sessions/room';

/** Dark and quiet, for a phone that lies in the pocket or face up beside the sheet: sound and buzzing tell, a tap anywhere goes on. */
export function Pocket({
  state,
  segment,
  plan,
  onTap,
}: {
  state: RunState;
  segment: Segment;
  plan: Plan;
  onTap: () => void;
}) {
  const ms = segment.open ? state.elapsedMs : Math.ceil(state.leftMs / 1000) * 1000;
  return (
    <div className="fixed inset-0 z-30 bg-black text-[#8a8178]">
      <button type="button" className="grid h-full w-full place-content-center gap-2 text-center" onClick={onTap}>
        <span className="font-serif text-[20px]">{poseExercise(plan, segment)?.name ?? 'Session'}</span>
        <span className="digits text-[56px] leading-none">{clockDigits(ms - (ms % 1000))}</span>
        <span>{state.phase === 'held' ? 'On hold. Tap to go on.' : 'Tap to go on or to hold.'}</span>
      </button>
      <button
        type="button"
        className="absolute top-4 right-4 min-h-12 rounded border border-[#5a534c] px-4"
        onClick={() => void changeRoom({ room: 'desk' })}
      >
        Light again
      </button>
    </div>
  );
}
