'use client';
import { goesOn, type RunState } from '@/core/clock/run';
import { poseExercise } from '@/core/practice/rules/poseExercise';
import type { Plan } from '@/core/practice/plan/schema';
import type { Segment } from '@/core/practice/time/timeline';
import { changeRoom } from '@/storage/sessions/room';
import { Ticking } from './words/Ticking';
import { digitsOf } from './words/words';

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
  return (
    <div className="fixed inset-0 z-30 bg-black text-[#8a8178]">
      <button type="button" className="grid h-full w-full place-content-center gap-2 text-center" onClick={onTap}>
        <span className="font-serif text-[20px]">{poseExercise(plan, segment)?.name ?? 'Session'}</span>
        <span className="digits text-[56px] leading-none">
          <Ticking state={state} words={(now) => digitsOf(segment, now)} />
        </span>
        <span>{state.phase === 'held' && !goesOn(state) ? 'On hold. Tap to go on.' : 'Tap to go on or to hold.'}</span>
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
