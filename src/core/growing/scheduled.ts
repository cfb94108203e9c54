import type { Session } from '../journal/session';
import { localDay } from '../moment';
import type { SavedPlan } from '../practice/plan/savedPlan';

/** A kept plan that is due, and the local day it stood on: today, or the day that was missed. */
export interface Scheduled {
  plan: SavedPlan;
  day: number;
}

/** The weekday of a local day: 0 Sunday to 6 Saturday. January 1, 1970 was a Thursday. */
export const weekdayOf = (day: number): number => (((day + 4) % 7) + 7) % 7;

/** Local days to today on which a plan stood since it was put on weekdays; as many of them at most as it is to come round. */
export function standsOn({ schedule, savedAtMs }: Pick<SavedPlan, 'schedule' | 'savedAtMs'>, today: number): number[] {
  if (!schedule) return [];
  const days: number[] = [];
  for (
    let day = localDay(schedule.sinceMs ?? savedAtMs);
    day <= today && days.length < (schedule.times ?? Infinity);
    day++
  )
    if (schedule.days.includes(weekdayOf(day))) days.push(day);
  return days;
}

/** At which minute of the day a plan stands where nothing else was said. */
export const USUAL_MINUTE = 19 * 60;

/** A kept plan on some weekdays, or on none. One that stood on none begins now: what was before is not missed. */
export function onWeekdays(plan: SavedPlan, days: readonly number[], nowMs: number): SavedPlan {
  if (days.length === 0) return { ...plan, schedule: null };
  const before = plan.schedule ?? { minute: USUAL_MINUTE, times: null, sinceMs: nowMs };
  return { ...plan, schedule: { ...before, days: [...days] } };
}

/** Days a plan stood on for which a session of it was made. */
const made = (planId: string, sessions: readonly Session[]): Set<number> =>
  new Set(sessions.flatMap(({ plan }) => (plan.cause?.scheduled?.planId === planId ? [plan.cause.scheduled.day] : [])));

/** The days a plan stood on so far, oldest first, and whether there was a session of each. Today counts once it was held. */
export function roundsOf(
  plan: SavedPlan,
  sessions: readonly Session[],
  today: number,
): { day: number; held: boolean }[] {
  const done = made(plan.id, sessions);
  return standsOn(plan, today)
    .map((day) => ({ day, held: done.has(day) }))
    .filter(({ day, held }) => held || day < today);
}

/** The next local day a plan stands on, today among them until it was held; undefined where it has come round as often as it was to. */
export function nextRound(plan: SavedPlan, sessions: readonly Session[], today: number): number | undefined {
  const { schedule } = plan;
  if (!schedule) return undefined;
  const done = made(plan.id, sessions);
  const stood = standsOn(plan, today);
  if (stood.at(-1) === today && !done.has(today)) return today;
  if (stood.length >= (schedule.times ?? Infinity)) return undefined;
  for (let day = today + 1; day <= today + 7; day++) if (schedule.days.includes(weekdayOf(day))) return day;
  return undefined;
}

/**
 * The kept plans that are due, today's before one that was missed. A missed day that moves is due until the plan stands again; one that
 * stays is not spoken of.
 */
export function scheduledFor(plans: readonly SavedPlan[], sessions: readonly Session[], today: number): Scheduled[] {
  return plans
    .flatMap((plan): Scheduled[] => {
      const last = standsOn(plan, today).at(-1);
      if (last === undefined || made(plan.id, sessions).has(last)) return [];
      return last === today || plan.schedule?.moves ? [{ plan, day: last }] : [];
    })
    .sort((a, b) => b.day - a.day || a.plan.savedAtMs - b.plan.savedAtMs);
}

/** How many of the days that some plans stood on, of some local days, had a session of them. */
export function keptDays(
  plans: readonly SavedPlan[],
  sessions: readonly Session[],
  fromDay: number,
  today: number,
): { stood: number; kept: number } {
  let stood = 0;
  let kept = 0;
  for (const plan of plans) {
    const done = made(plan.id, sessions);
    for (const day of standsOn(plan, today)) {
      if (day < fromDay) continue;
      stood++;
      if (done.has(day)) kept++;
    }
  }
  return { stood, kept };
}
