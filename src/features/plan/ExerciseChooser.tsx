'use client';
import { useState } from 'react';
import { CATALOG } from '@/core/practice/exercises';
import { FAMILIES, FAMILY_NAMES, type Exercise } from '@/core/practice/exercises/exercise';
import { HANDBOOK } from '@/core/practice/exercises/handbook';
import { suits } from '@/core/practice/rules/suits';
import { durationWords } from '@/core/practice/time/duration';
import type { SubjectKind } from '@/core/references/subjectKind';
import { useSmallPictureUrl } from '@/storage/hooks/useSmallPictureUrl';
import { Dialog } from '@/ui/Dialog';
import { ExercisePicture } from '@/ui/ExercisePicture';
import { DurationField } from './fields';
import { OwnExercise } from './OwnExercise';

/** How many poses, and how long each, as they were set in the chooser. */
export interface Amount {
  count: number;
  lengthMs: number;
}

interface ExerciseChooserProps {
  title: string;
  own: readonly Exercise[];
  current?: string | undefined;
  /** Exercises in the order they were used last. */
  recent: readonly string[];
  /** What the chosen set mostly shows; undefined where that is mixed or not known. */
  kind: SubjectKind | undefined;
  /** How many of a length there is room for; missing where only the exercise is exchanged. */
  countFor?: ((exercise: Exercise, lengthMs: number) => number) | undefined;
  onChoose: (exercise: Exercise, amount: Amount) => void;
  onOwn: (exercise: Exercise) => void;
  onClose: () => void;
}

/** So many of those used last stand before all others. */
const MOST_RECENT = 6;

/** Words an exercise is found by: its name, what it trains, what is looked at. */
const searched = ({ id, name, family, purpose, lookAt, cues }: Exercise): string =>
  [name, FAMILY_NAMES[family], purpose, ...lookAt, ...cues, HANDBOOK[id] ?? ''].join(' ').toLowerCase();

/** Every exercise with its picture, its usual time and whether it suits the pictures; number and length are set right here. */
export function ExerciseChooser({
  title,
  own,
  current,
  recent,
  kind,
  countFor,
  onChoose,
  onOwn,
  onClose,
}: ExerciseChooserProps) {
  const all = [...own, ...CATALOG];
  const lately = recent.flatMap((id) => all.find((e) => e.id === id) ?? []).slice(0, MOST_RECENT);
  const [shown, setShown] = useState(current ?? lately[0]?.id ?? CATALOG[1].id);
  const [making, setMaking] = useState(false);
  const [query, setQuery] = useState('');
  const exercise = all.find((e) => e.id === shown) ?? CATALOG[1];
  const words = query.toLowerCase().split(/\s+/).filter(Boolean);
  const found = all.filter((e) => words.every((word) => searched(e).includes(word)));
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
  const groups: [name: string, exercises: readonly Exercise[]][] =
    words.length > 0
      ? [[`${String(found.length)} found`, found]]
      : [
          ['Used last', lately],
          ['Your own', own],
          ...FAMILIES.map((family): [string, Exercise[]] => [
            FAMILY_NAMES[family],
            CATALOG.filter((e) => e.family === family),
          ]),
        ];
  const common = { shown, kind, onShow: setShown };
  return (
    <Dialog title={title} onClose={onClose} wide>
      <div className="grid gap-x-8 gap-y-4 md:grid-cols-[1fr_340px]">
        <div>
          <input
            type="search"
            className="input w-full input-sm max-sm:h-12"
            aria-label="Find an exercise"
            placeholder="Find by name or by what it trains: proportion, line, light, memory"
            value={query}
            onChange={(event) => setQuery(event.target.value)}
            onKeyDown={(event) => {
              if (event.key === 'Enter' && found.length > 0) setShown(found[0].id);
            }}
          />
          <div className="mt-3 max-h-[56vh] overflow-y-auto pr-1">
            {groups.map(([name, exercises]) =>
              exercises.length === 0 && words.length === 0 ? null : (
                <Group key={name} name={name} exercises={exercises} {...common} />
              ),
            )}
          </div>
        </div>
        <Detail
          key={exercise.id}
          exercise={exercise}
          suitable={suits(exercise, kind)}
          countFor={countFor}
          onChoose={onChoose}
          onMake={() => setMaking(true)}
        />
      </div>
    </Dialog>
  );
}

/** The exercise looked at, with how many and how long, and what can be done with it. */
function Detail({
  exercise,
  suitable,
  countFor,
  onChoose,
  onMake,
}: {
  exercise: Exercise;
  suitable: boolean;
  countFor: ExerciseChooserProps['countFor'];
  onChoose: ExerciseChooserProps['onChoose'];
  onMake: () => void;
}) {
  const urlOf = useSmallPictureUrl();
  const [lengthMs, setLengthMs] = useState(exercise.usualMs);
  const [chosenCount, setCount] = useState<number>();
  const count = chosenCount ?? countFor?.(exercise, lengthMs) ?? 1;
  return (
    <article className="md:border-l md:border-hairline md:pl-6" aria-live="polite">
      <div className="flex items-end gap-4">
        <ExercisePicture exercise={exercise.id} height={160} maxWidth={170} urlOf={urlOf} />
        <h3 className="pb-1 text-[20px]">{exercise.name}</h3>
      </div>
      <p className="mt-3 font-serif text-[17px] leading-snug">{exercise.purpose}</p>
      {!suitable && (
        <p className="mt-2 text-[14px] text-russet-text">
          It needs other pictures than the chosen set holds. Choose its set with the block.
        </p>
      )}
      {countFor && (
        <div className="mt-3 flex flex-wrap items-baseline gap-2">
          <input
            type="number"
            min={1}
            max={200}
            className="input w-[72px] input-sm max-sm:h-12"
            aria-label="How many"
            value={count}
            onChange={({ target }) => {
              const n = Math.round(Number(target.value));
              if (n >= 1 && n <= 200) setCount(n);
            }}
          />
          <span>of</span>
          <DurationField label="How long each" ms={lengthMs} onChange={setLengthMs} />
        </div>
      )}
      <div className="mt-3 flex flex-wrap gap-3">
        <button type="button" className="btn" onClick={() => onChoose(exercise, { count, lengthMs })}>
          {countFor ? `Add ${String(count)} × ${durationWords(lengthMs)}` : 'Use this exercise'}
        </button>
        <button type="button" className="btn-quiet btn" onClick={onMake}>
          Make my own from it
        </button>
      </div>
      {HANDBOOK[exercise.id] && <p className="mt-3">{HANDBOOK[exercise.id]}</p>}
      <p className="mt-2 text-[14px] text-quiet">
        Usually {durationWords(exercise.shortestMs)} to {durationWords(exercise.longestMs)}. Afterward:{' '}
        {exercise.closingQuestion}
      </p>
    </article>
  );
}

interface GroupProps {
  name: string;
  exercises: readonly Exercise[];
  shown: string;
  kind: SubjectKind | undefined;
  onShow: (id: string) => void;
}
function Group({ name, exercises, shown, kind, onShow }: GroupProps) {
  const urlOf = useSmallPictureUrl();
  return (
    <section className="mb-3">
      <h3 className="text-[15px] text-quiet">{name}</h3>
      <ul className="grid grid-cols-1 gap-x-4 sm:grid-cols-2">
        {exercises.map((e) => (
          <li key={e.id} className="border-t border-hairline">
            <button
              type="button"
              aria-pressed={e.id === shown}
              aria-label={suits(e, kind) ? e.name : `${e.name}, needs other pictures`}
              className={`flex w-full items-center gap-3 py-1 pl-2 text-left ${e.id === shown ? 'bg-sheet font-semibold shadow-[inset_3px_0_0_var(--charcoal)]' : ''}`}
              onClick={() => onShow(e.id)}
            >
              <span className="grid h-11 w-9 shrink-0 place-items-center" aria-hidden>
                <ExercisePicture exercise={e.id} height={44} maxWidth={36} urlOf={urlOf} />
              </span>
              <span className="min-w-0 leading-tight">
                {e.name}
                <span className="block text-[13px] font-normal text-quiet">
                  usually {durationWords(e.usualMs)}
                  {!suits(e, kind) && ', needs other pictures'}
                </span>
              </span>
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
