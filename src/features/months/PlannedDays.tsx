'use client';
import { startOfWeek } from 'date-fns';
import { Link } from '@/ui/Link';
import { useMemo } from 'react';
import { keptDays, onWeekdays } from '@/core/growing/scheduled';
import { localDay } from '@/core/moment';
import { shortWeekdayName, WEEK_FROM_MONDAY } from '@/core/weekdays';
import { minuteOfDay } from '@/core/practice/time/clockTime';
import type { SavedPlan } from '@/core/practice/plan/savedPlan';
import type { Session } from '@/core/journal/session';
import { storageProblem } from '@/storage/problems';
import { listSavedPlans, savePlan } from '@/storage/sessions/savedPlans';
import { useStored } from '@/storage/hooks/useStored';
import { toastProblem } from '@/ui/toast/toast';

/** The plans that stand on weekdays: a class, a routine. On their days Today begins with them. */
export function PlannedDays({ sessions, nowMs }: { sessions: readonly Session[]; nowMs: number }) {
  const plans = useStored(listSavedPlans, ['plans'], []).value;
  const counts = useMemo(() => {
    const monday = localDay(startOfWeek(nowMs, { weekStartsOn: 1 }).getTime());
    return keptDays(plans ?? [], sessions, monday, localDay(nowMs));
  }, [plans, sessions, nowMs]);
  if (!plans) return null;
  const change = (next: SavedPlan): void => {
    savePlan(next).catch((error: unknown) => toastProblem(storageProblem(error)));
  };
  return (
    <section aria-labelledby="planned" className="no-print mt-5">
      <h3 id="planned" className="font-sans text-[15px] font-semibold">
        Plans on weekdays
      </h3>
      <p>
        {counts.stood > 0
          ? `This week ${String(counts.kept)} of ${String(counts.stood)} planned days so far.`
          : plans.length === 0
            ? 'None yet. A plan that you keep can stand on weekdays: Today begins with it then, with new pictures each time. '
            : 'On its days Today begins with a plan, with new pictures each time.'}
        {plans.length === 0 && (
          <Link className="link-quiet" href="/plan">
            Make one on Plan
          </Link>
        )}
      </p>
      <ul className="mt-1">
        {plans.map((plan) => (
          <Planned key={plan.id} plan={plan} nowMs={nowMs} onChange={change} />
        ))}
      </ul>
    </section>
  );
}

function Planned({ plan, nowMs, onChange }: { plan: SavedPlan; nowMs: number; onChange: (next: SavedPlan) => void }) {
  const { recipe, schedule } = plan;
  const days = schedule?.days ?? [];
  const toggle = (day: number): void => {
    const next = days.includes(day) ? days.filter((one) => one !== day) : [...days, day];
    onChange(onWeekdays(plan, next, nowMs));
  };
  return (
    <li className="flex flex-wrap items-center gap-x-4 gap-y-1 border-t border-hairline py-1.5">
      <span className="w-[240px] max-w-full wrap-anywhere">{recipe.title}</span>
      <span className="flex gap-1" role="group" aria-label={`Weekdays of “${recipe.title}”`}>
        {WEEK_FROM_MONDAY.map((day) => (
          <button
            key={day}
            type="button"
            aria-pressed={days.includes(day)}
            className={`btn px-2 btn-sm max-sm:h-12 ${days.includes(day) ? 'bg-ink/10' : 'btn-quiet'}`}
            onClick={() => toggle(day)}
          >
            {shortWeekdayName(day)}
          </button>
        ))}
      </span>
      {schedule && (
        <label className="flex min-h-9 items-center gap-2 text-[14px]">
          <input
            type="checkbox"
            className="checkbox checkbox-sm"
            checked={schedule.moves === true}
            onChange={({ target }) => onChange({ ...plan, schedule: { ...schedule, moves: target.checked } })}
          />
          a missed day is made up for
        </label>
      )}
      {schedule && <span className="text-[14px] text-quiet">at {minuteOfDay(schedule.minute)}</span>}
    </li>
  );
}
