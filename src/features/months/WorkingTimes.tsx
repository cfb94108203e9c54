'use client';
import { scaleLog } from 'd3-scale';
import { fullDate } from '@/core/dateWords';
import {
  LAST_ANSWERS,
  toldWorkingTime,
  type WholeAnswer,
  type WorkingTime,
  workingTimeWords,
} from '@/core/growing/workingTime';
import { durationWords } from '@/core/practice/time/duration';
import { DURATION_STEPS_MS } from '@/core/practice/time/durationSteps';
import { AsTable } from '@/ui/AsTable';
import { Dabs } from '@/ui/Dabs';
import { Word } from '@/ui/Word';

const HEIGHT = 120;

/** In which time the whole figure is down, exercise by exercise: every answer, what they come to and what to try next. */
export function WorkingTimes({
  byExercise,
  of,
}: {
  byExercise: ReadonlyMap<string, { name: string; answers: WholeAnswer[] }>;
  /** Whose they are, where they are not the learner's. */
  of: string | undefined;
}) {
  if (byExercise.size === 0)
    return <p className="mt-1">Nothing is known yet: after a pose the run asks whether the whole figure is down.</p>;
  return (
    <>
      <p className="text-[14px] text-quiet">
        <Word of="working time">The time in which the whole figure is down</Word> in seven drawings of ten. A full dab
        is a drawing that was whole, a ring one that was not.
      </p>
      <ul className="mt-2 grid grid-cols-[minmax(0,1fr)] gap-x-10 gap-y-5 lg:grid-cols-2">
        {[...byExercise].map(([id, { name, answers }]) => {
          const found = toldWorkingTime(answers);
          const last = answers.slice(-LAST_ANSWERS);
          return (
            <li key={id}>
              <h3 className="font-sans text-[15px] font-semibold">{name}</h3>
              <p>{`${of ? `${of}’s` : 'Your'} working time: ${workingTimeWords(answers, found)}.`}</p>
              <Answers answers={last} found={found} />
              <AsTable
                head={['Day', 'Time drawn', 'Whole figure down']}
                rows={() =>
                  last
                    .toReversed()
                    .map(({ atMs, spentMs, down }) => [fullDate(atMs), durationWords(spentMs), down ? 'yes' : 'no'])
                }
              />
            </li>
          );
        })}
      </ul>
    </>
  );
}

/** Each answer as a dab at its length: full where the figure was whole, a ring where it was not; where the working time lies, a wash. */
function Answers({ answers, found }: { answers: readonly WholeAnswer[]; found: WorkingTime | undefined }) {
  const all = [...answers.map(({ spentMs }) => spentMs), ...(found ? [found.lowMs, found.highMs] : [])];
  const y = scaleLog([Math.min(...all) / 1.15, Math.max(...all) * 1.15], [HEIGHT - 6, 6]);
  const [low, high] = y.domain();
  const steps = DURATION_STEPS_MS.filter((ms) => ms > low && ms < high);
  const every = Math.ceil(steps.length / 5);
  const named = steps.filter((_, i) => i % every === 0);
  return (
    <Dabs
      label="Answers, oldest first"
      dabs={answers.map(({ spentMs, down }) => ({ value: spentMs, full: down }))}
      y={y}
      height={HEIGHT}
      lines={named.map((ms) => ({ value: ms, words: durationWords(ms) }))}
      wash={found && { low: found.lowMs, high: found.highMs, last: answers.length }}
    />
  );
}
