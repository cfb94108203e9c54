'use client';
import { useState } from 'react';
import { lastAsked } from '@/core/journal/lastAsked';
import type { Session } from '@/core/journal/session';
import { lookAtFor } from '@/core/practice/rules/lookAtFor';
import { poseIn } from '@/core/practice/rules/poseExercise';
import { replayOf } from '@/core/journal/replay';
import { storageProblem } from '@/storage/problems';
import { useTraits } from '@/storage/hooks/useTraits';
import { type AfterwardsNote, noteAfterwards } from '@/storage/sessions/sessions';
import { toastProblem } from '@/ui/toast/toast';
import { Taps } from './Taps';

const missingIn = (session: Session, segmentIndex: number): readonly string[] =>
  replayOf(session).visits.find((visit) => visit.segmentIndex === segmentIndex)?.missing ?? [];

/** What is asked of every drawing in the gap after it, for the last one, which has no gap. */
export function LastDrawing({ session }: { session: Session }) {
  const asked = lastAsked(session);
  // It stays once it was answered, so that the answer can be changed.
  const [first] = useState(asked);
  const shown = asked ?? first;
  const { plan, timeline } = replayOf(session);
  const pose = shown && poseIn(plan, timeline.segments[shown.drawn.segmentIndex]);
  const traits = useTraits(pose?.referenceId ?? null, false);
  if (!shown) return null;
  const { drawn, asks, exercise, marks, ticked } = shown;
  const sayOf = (noteFor: (stored: Session) => AfterwardsNote): void => {
    noteAfterwards(session.id, noteFor).catch((error: unknown) => toastProblem(storageProblem(error)));
  };
  const say = (note: AfterwardsNote): void => sayOf(() => note);
  const missing = drawn.missing ?? [];
  return (
    <div role="group" aria-label="The last drawing" className="mt-3 flex flex-wrap gap-x-10 gap-y-4">
      {asks === 'whole' && (
        <Taps
          legend="Last drawing: whole figure down?"
          value={drawn.whole === undefined ? undefined : drawn.whole ? 'yes' : 'not yet'}
          options={['yes', 'not yet']}
          onChange={(answer) => answer && say({ type: 'whole', down: answer === 'yes' })}
        />
      )}
      {asks === 'focal' && (
        <Taps
          legend="Last drawing: does the eye go first where you chose?"
          value={drawn.focalKept === undefined ? undefined : drawn.focalKept ? 'it does' : 'elsewhere'}
          options={['it does', 'elsewhere']}
          onChange={(answer) => answer && say({ type: 'focalKept', kept: answer === 'it does' })}
        />
      )}
      {marks !== undefined && (
        <label className="flex flex-wrap items-baseline gap-x-3 font-semibold">
          Marks in the last drawing, of {marks}
          <input
            type="number"
            min={0}
            max={9999}
            className="input w-[84px] font-normal input-sm max-sm:h-12"
            value={drawn.marks ?? ''}
            onChange={({ target }) => {
              const count = Math.round(Number(target.value));
              if (target.value !== '' && count >= 0 && count <= 9999) say({ type: 'marks', count });
            }}
          />
        </label>
      )}
      {ticked && (
        <fieldset>
          <legend className="font-semibold">Last drawing: what is missing?</legend>
          <div className="mt-1 flex flex-wrap gap-x-5">
            {lookAtFor(exercise, traits).map((element) => (
              <label key={element} className="flex min-h-9 items-center gap-2 max-sm:min-h-12">
                <input
                  type="checkbox"
                  className="checkbox checkbox-sm"
                  checked={missing.includes(element)}
                  onChange={({ target: { checked } }) =>
                    sayOf((stored) => ({
                      type: 'missing',
                      elements: [
                        ...missingIn(stored, drawn.segmentIndex).filter((e) => e !== element),
                        ...(checked ? [element] : []),
                      ],
                    }))
                  }
                />
                {element}
              </label>
            ))}
          </div>
        </fieldset>
      )}
    </div>
  );
}
