'use client';
import { Link } from '@/ui/Link';
import { useId, useState } from 'react';
import { monthDay } from '@/core/dateWords';
import { nextRound, onWeekdays, roundsOf, weekdayOf } from '@/core/growing/scheduled';
import type { Session } from '@/core/journal/session';
import { noonOfDay } from '@/core/moment';
import { recipeWords } from '@/core/practice/plan/recipeWords';
import type { SavedPlan } from '@/core/practice/plan/savedPlan';
import { minuteOfDay } from '@/core/practice/time/clockTime';
import { durationWords } from '@/core/practice/time/duration';
import { WEEK_FROM_MONDAY, weekdayName } from '@/core/weekdays';
import { counted, listWords } from '@/core/words';
import { storageProblem } from '@/storage/problems';
import { savePlan } from '@/storage/sessions/savedPlans';
import { toast, toastProblem } from '@/ui/toast/toast';
import { DayBoxes } from './DayBoxes';

/** So many of its days are shown as boxes: about half a year of weeks. */
const MOST_BOXES = 30;

const keep = (plan: SavedPlan, words?: string, before?: SavedPlan): void => {
  savePlan(plan).then(
    () => {
      if (words) toast(words, before ? { action: { label: 'Undo', onClick: () => keep(before) } } : {});
    },
    (error: unknown) => toastProblem(storageProblem(error)),
  );
};

/** Kept plans that come round every week with their fixed shape and fresh pictures: as they went, and when they are again. */
export function WeeklyClasses({
  plans,
  sessions,
  today,
}: {
  plans: readonly SavedPlan[];
  sessions: readonly Session[];
  today: number;
}) {
  const heading = useId();
  const classes = plans.filter(({ schedule }) => schedule !== null);
  const others = plans.filter(({ schedule }) => schedule === null);
  return (
    <section aria-labelledby={heading} className="mt-6 border-t border-ink pt-4">
      <h2 id={heading} className="text-[20px]">
        Weekly classes
      </h2>
      <p className="max-w-[720px]">
        A plan that you keep comes round on its weekday: always of the same shape, with pictures drawn afresh. On that
        day Today begins with it.{' '}
        {plans.length === 0 && (
          <>
            None is kept yet.{' '}
            <Link className="link-quiet" href="/plan">
              Build one on Plan
            </Link>{' '}
            and keep it there.
          </>
        )}
      </p>
      {classes.map((plan) => (
        <ClassRow key={plan.id} plan={plan} sessions={sessions} today={today} />
      ))}
      {others.length > 0 && <NewClass plans={others} today={today} />}
    </section>
  );
}

function ClassRow({ plan, sessions, today }: { plan: SavedPlan; sessions: readonly Session[]; today: number }) {
  const { recipe, schedule } = plan;
  if (!schedule) return null;
  const rounds = roundsOf(plan, sessions, today);
  const held = rounds.filter((round) => round.held);
  const last = held.at(-1)?.day;
  const next = nextRound(plan, sessions, today);
  const days = WEEK_FROM_MONDAY.filter((day) => schedule.days.includes(day)).map((day) => `${weekdayName(day)}s`);
  return (
    <article className="py-2">
      <h3 className="text-[19px]">{recipe.title}</h3>
      <p>
        {listWords(days)} at {minuteOfDay(schedule.minute)}, {durationWords(recipe.availableMs)}: {recipeWords(recipe)}.
      </p>
      <p>
        {rounds.length === 0
          ? 'It was not due yet.'
          : `Held ${String(held.length)} of ${counted(rounds.length, 'time')}${last === undefined ? '' : `, last on ${monthDay(noonOfDay(last))}`}.`}{' '}
        {next === undefined
          ? 'It has come round as often as it was to.'
          : next === today
            ? 'It is today.'
            : `Next on ${monthDay(noonOfDay(next))}.`}
      </p>
      {rounds.length > 0 && <DayBoxes done={rounds.slice(-MOST_BOXES).map((round) => round.held)} />}
      <div className="mt-1 flex flex-wrap items-center gap-x-5 gap-y-1">
        <label className="flex min-h-10 items-center gap-2 max-sm:min-h-12">
          <input
            type="checkbox"
            className="checkbox checkbox-sm"
            checked={schedule.moves === true}
            onChange={({ target }) => keep({ ...plan, schedule: { ...schedule, moves: target.checked } })}
          />
          a missed one is made up for
        </label>
        <button
          type="button"
          className="btn-quiet btn btn-sm max-sm:h-12"
          onClick={() =>
            keep(onWeekdays(plan, [], Date.now()), `“${recipe.title}” comes round no more. The plan is kept.`, plan)
          }
        >
          Let it rest
        </button>
      </div>
    </article>
  );
}

function NewClass({ plans, today }: { plans: readonly SavedPlan[]; today: number }) {
  const [id, setId] = useState('');
  const [day, setDay] = useState(weekdayOf(today));
  const plan = plans.find((one) => one.id === id) ?? plans[0];
  const select = 'cursor-pointer border-b-2 border-charcoal bg-transparent py-1 max-w-full';
  return (
    <form
      aria-label="A new weekly class"
      className="mt-2 flex flex-wrap items-center gap-x-3 gap-y-3 font-serif text-[19px]"
      onSubmit={(event) => {
        event.preventDefault();
        keep(onWeekdays(plan, [day], Date.now()));
      }}
    >
      <label className="flex max-w-full items-center gap-3">
        Let
        <select className={select} value={plan.id} onChange={({ target }) => setId(target.value)}>
          {plans.map((one) => (
            <option key={one.id} value={one.id}>
              {one.recipe.title}
            </option>
          ))}
        </select>
      </label>
      <label className="flex items-center gap-3">
        come round every
        <select className={select} value={day} onChange={({ target }) => setDay(Number(target.value))}>
          {WEEK_FROM_MONDAY.map((one) => (
            <option key={one} value={one}>
              {weekdayName(one)}
            </option>
          ))}
        </select>
      </label>
      <button type="submit" className="btn font-sans text-[15px] max-sm:h-14">
        Make it a class
      </button>
    </form>
  );
}
