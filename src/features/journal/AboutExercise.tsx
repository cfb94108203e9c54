'use client';
import { marksOver, type ExerciseQuestions, type mostMissing, ticksOf } from '@/core/journal/reflect';
import type { ExerciseAnswers } from '@/core/journal/reflection';
import { trendWords } from '@/core/journal/marksTrend';
import type { NextLength } from '@/core/journal/nextLength';
import { durationWords } from '@/core/practice/time/duration';
import { counted, percentAgainst } from '@/core/words';
import { markCountWords } from '@/core/practice/rules/marks';
import { PEEK_ALLOWANCE } from '@/core/practice/rules/measuring';
import { traitsOf } from '@/storage/references/traits';
import { useStored } from '@/storage/hooks/useStored';
import { KeptField } from './KeptField';
import { RemindMe } from './RemindMe';

/** Changes the answers as they are stored, so that two quick answers never overwrite each other. */
type ChangeAnswers = (update: (before: ExerciseAnswers) => ExerciseAnswers) => void;

/** What belongs to one exercise of a session: its question, what its rule counted, and what there is to tick. */
export function AboutExercise({
  sessionId,
  questions,
  answers,
  missing,
  trend,
  shut,
  usualMs,
  next,
  onNextTime,
  onChange,
}: {
  sessionId: string;
  questions: ExerciseQuestions;
  answers: ExerciseAnswers;
  missing: ReturnType<typeof mostMissing>;
  /** Marks over the allowance in the sessions before. */
  trend: readonly number[];
  shut: boolean;
  /** How long the learner's drawings of it usually take. */
  usualMs: number | undefined;
  next: NextLength | undefined;
  /** Put a few words into what is shown when the next session begins. */
  onNextTime: (words: string) => void;
  onChange: ChangeAnswers;
}) {
  const { exercise, drawings, referenceIds, peeks, lifts, marks, missed, rubbedOut, asksFuzz, asksOtherMark } =
    questions;
  const traits = useStored(() => traitsOf(referenceIds), ['pictures'], [referenceIds.join(' ')]);
  const ticks = ticksOf(exercise, traits.value ?? []);
  const facts = [
    counted(drawings, 'drawing'),
    ...(peeks
      ? [
          `${counted(peeks.count, 'peek')}, ${(peeks.spentMs / 1000).toFixed(1)} s: ${percentAgainst(peeks.share, PEEK_ALLOWANCE)}, ${peeks.within ? 'within' : 'over'} the ${PEEK_ALLOWANCE * 100} %`,
        ]
      : []),
    ...(usualMs === undefined ? [] : [`you usually take ${durationWords(usualMs)}`]),
    ...(lifts === undefined ? [] : [counted(lifts, 'lift')]),
    ...(rubbedOut > 0 ? [`rubbed out ${rubbedOut === 1 ? 'once' : `${String(rubbedOut)} times`}`] : []),
    ...(missed
      ? [
          `missing most often: ${missed.element.toLowerCase()}, in ${String(missed.missing)} of ${String(missed.looked)}`,
        ]
      : []),
  ];
  return (
    <div className="border-l-2 border-hairline pl-4">
      <h3 className="text-[18px]">{exercise.name}</h3>
      <p className="text-[14px] text-quiet">{facts.join('; ')}</p>
      {next && (
        <p className="flex flex-wrap items-center gap-x-3 text-[14px]">
          {nextLengthWords(next)}
          <RemindMe onPress={() => onNextTime(`${exercise.name} in ${durationWords(next.nextMs)}`)} />
        </p>
      )}
      <div className="mt-2">
        <KeptField
          keptFor={`${sessionId} ${exercise.id}`}
          label={exercise.closingQuestion}
          value={answers.noticed ?? ''}
          maxLength={500}
          onKeep={(noticed) => onChange((before) => ({ ...before, noticed }))}
        />
      </div>
      {ticks && !shut && <Elements ticks={ticks} answers={answers} missing={missing} onChange={onChange} />}
      {questions.counted && <p className="mt-2 text-[14px]">{markCountWords(questions.counted)}.</p>}
      {marks !== undefined && !questions.counted && !shut && (
        <div className="mt-3">
          <KeptField
            keptFor={`${sessionId} ${exercise.id}`}
            label={`Marks in the last one, of ${String(marks)}`}
            value={answers.marks === undefined ? '' : String(answers.marks)}
            maxLength={4}
            numeric
            onKeep={(typed) => onChange((before) => ({ ...before, marks: typed === '' ? undefined : Number(typed) }))}
          />
          <p className="text-[14px] text-quiet">
            {answers.marks !== undefined && marksOver(answers.marks, marks)}
            {trend.length > 0 && `${answers.marks === undefined ? 'Before' : '; before'}: ${trendWords(trend)}`}
          </p>
        </div>
      )}
      {asksOtherMark && !shut && (
        <YesNo
          words="Any mark besides C, S and straight?"
          value={answers.otherMark}
          onChange={(otherMark) => onChange((before) => ({ ...before, otherMark }))}
        />
      )}
      {asksFuzz && !shut && (
        <YesNo
          words="Fuzz: short strokes back and forth?"
          value={answers.fuzz}
          onChange={(fuzz) => onChange((before) => ({ ...before, fuzz }))}
        />
      )}
    </div>
  );
}

function nextLengthWords({ drawnMs, nextMs, whole, asked }: NextLength): string {
  const down = whole === asked ? 'All' : `${String(whole)} of ${String(asked)}`;
  return `${down} whole in ${durationWords(drawnMs)}. Try ${durationWords(nextMs)} next time.`;
}

function YesNo({
  words,
  value,
  onChange,
}: {
  words: string;
  value: boolean | undefined;
  onChange: (yes: boolean) => void;
}) {
  return (
    <div role="group" aria-label={words} className="mt-3 flex flex-wrap items-center gap-2">
      <span className="flex-1">{words}</span>
      {[true, false].map((yes) => (
        <button
          key={String(yes)}
          type="button"
          aria-pressed={value === yes}
          className={`btn min-h-10 px-4 ${value === yes ? 'bg-ink/10' : 'btn-quiet'}`}
          onClick={() => onChange(yes)}
        >
          {yes ? 'Yes' : 'No'}
        </button>
      ))}
    </div>
  );
}

/** What was looked for: a tap says it was missing (or which edges were used); the one missing most often is named. */
function Elements({
  ticks: { elements, asks },
  answers,
  missing,
  onChange,
}: {
  ticks: NonNullable<ReturnType<typeof ticksOf>>;
  answers: ExerciseAnswers;
  missing: ReturnType<typeof mostMissing>;
  onChange: ChangeAnswers;
}) {
  const used = asks === 'used';
  const awayIn = (given: ExerciseAnswers): readonly string[] => given.missing ?? (used ? elements : []);
  const away = awayIn(answers);
  const words = used ? 'Tap the edges you used.' : 'Tap what was missing.';
  const keep = (nextAway: (before: readonly string[]) => string[]): void =>
    onChange((before) => ({ ...before, looked: [...elements], missing: nextAway(awayIn(before)) }));
  const allThere = answers.looked !== undefined && away.length === 0;
  return (
    <div role="group" aria-label={words} className="mt-3">
      <p className="text-[14px] text-quiet">{words}</p>
      <div className="mt-1 flex flex-wrap gap-2">
        {elements.map((element) => {
          const gone = away.includes(element);
          return (
            <button
              key={element}
              type="button"
              aria-pressed={used ? !gone : gone}
              className={`btn min-h-10 px-3 text-[15px] ${gone === used ? 'btn-quiet' : 'bg-ink/10'} ${gone && !used ? 'line-through' : ''}`}
              onClick={() => keep((before) => [...before.filter((e) => e !== element), ...(gone ? [] : [element])])}
            >
              {element}
            </button>
          );
        })}
        {!used && (
          <button
            type="button"
            aria-pressed={allThere}
            className={`btn min-h-10 px-3 text-[15px] ${allThere ? 'bg-ink/10' : 'btn-quiet'}`}
            onClick={() => keep(() => [])}
          >
            all there
          </button>
        )}
      </div>
      {away.length === 1 && !used && (
        <p className="mt-1 text-[14px]">
          All but one: <b>{away[0].toLowerCase()}</b>. A little of each looks righter than all of some.
        </p>
      )}
      {missing && !used && (
        <p className="mt-1 text-[14px]">
          Missing most often: <b>{missing.element.toLowerCase()}</b>, {missing.missing} of{' '}
          {counted(missing.looked, 'time')}.
        </p>
      )}
    </div>
  );
}
