'use client';
import { useState } from 'react';
import { durationWords } from '@/core/practice/time/duration';
import { CATALOG } from '@/core/practice/exercises';
import { FAMILIES, FAMILY_NAMES, type Exercise } from '@/core/practice/exercises/exercise';
import { HANDBOOK } from '@/core/practice/exercises/handbook';
import { Dialog } from '@/ui/Dialog';
import { useSmallPictureUrl } from '@/storage/hooks/useSmallPictureUrl';
import { ExercisePicture } from '@/ui/ExercisePicture';
import { OwnExercise } from './OwnExercise';

interface ExerciseChooserProps {
  title: string;
  own: readonly Exercise[];
  current?: string | undefined;
  onChoose: (exercise: Exercise) => void;
  onOwn: (exercise: Exercise) => void;
  onClose: () => void;
}

/** Every exercise with its picture and what the handbook says, to choose one from. */
export function ExerciseChooser({ title, own, current, onChoose, onOwn, onClose }: ExerciseChooserProps) {
  const [shown, setShown] = useState(current ?? CATALOG[1].id);
  const [making, setMaking] = useState(false);
  const urlOf = useSmallPictureUrl();
  const all = [...own, ...CATALOG];
  const exercise = all.find((e) => e.id === shown) ?? CATALOG[1];
  if (making)
    return (
      <Dialog title="An exercise of your own" onClose={onClose}>
        <OwnExercise
          from={exercise}
          onCancel={() => setMaking(false)}
          onMake={(made) => {
            onOwn(made);
            onClose();
          }}
        />
      </Dialog>
    );
  return (
    <Dialog title={title} onClose={onClose} wide>
      <div className="grid gap-x-8 gap-y-4 md:grid-cols-[1fr_340px]">
        <div className="columns-1 gap-x-8 sm:columns-2">
          {own.length > 0 && (
            <Group name="Your own" exercises={own} shown={shown} onShow={setShown} onChoose={onChoose} />
          )}
          {FAMILIES.map((family) => {
            const some = CATALOG.filter((e) => e.family === family);
            return some.length === 0 ? null : (
              <Group
                key={family}
                name={FAMILY_NAMES[family]}
                exercises={some}
                shown={shown}
                onShow={setShown}
                onChoose={onChoose}
              />
            );
          })}
        </div>
        <article className="md:border-l md:border-hairline md:pl-6" aria-live="polite">
          <div className="flex items-end gap-4">
            <ExercisePicture exercise={exercise.id} height={180} maxWidth={170} urlOf={urlOf} />
            <h3 className="pb-1 text-[20px]">{exercise.name}</h3>
          </div>
          <p className="mt-3 font-serif text-[17px] leading-snug">{exercise.purpose}</p>
          {HANDBOOK[exercise.id] && <p className="mt-2">{HANDBOOK[exercise.id]}</p>}
          <p className="mt-2 text-[14px] text-quiet">
            Usually {durationWords(exercise.shortestMs)} to {durationWords(exercise.longestMs)}. Afterward:{' '}
            {exercise.closingQuestion}
          </p>
          <div className="mt-4 flex flex-wrap gap-3">
            <button type="button" className="btn" onClick={() => onChoose(exercise)}>
              Take this one
            </button>
            <button type="button" className="btn-quiet btn" onClick={() => setMaking(true)}>
              Make my own from it
            </button>
          </div>
        </article>
      </div>
    </Dialog>
  );
}

interface GroupProps {
  name: string;
  exercises: readonly Exercise[];
  shown: string;
  onShow: (id: string) => void;
  onChoose: (exercise: Exercise) => void;
}
function Group({ name, exercises, shown, onShow, onChoose }: GroupProps) {
  return (
    <section className="mb-3 break-inside-avoid">
      <h3 className="text-[15px] text-quiet">{name}</h3>
      <ul>
        {exercises.map((e) => (
          <li key={e.id}>
            <button
              type="button"
              aria-pressed={e.id === shown}
              className={`w-full border-t border-hairline py-[5px] text-left ${e.id === shown ? 'font-semibold shadow-[inset_3px_0_0_var(--charcoal)]' : ''} pl-2`}
              onClick={() => onShow(e.id)}
              onDoubleClick={() => onChoose(e)}
            >
              {e.name}
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
