import ical, { ICalAlarmType, ICalEventRepeatingFreq, ICalWeekday } from 'ical-generator';
import type { SavedPlan, Schedule } from '../practice/plan/savedPlan';
import { sumPlan } from '../practice/time/sums';
import { layOutRecipe } from '../practice/plan/layOut';
import { plannedRibbon } from '../practice/time/ribbon';
import { durationWords } from '../practice/time/duration';

const WEEKDAYS = [
  ICalWeekday.SU,
  ICalWeekday.MO,
  ICalWeekday.TU,
  ICalWeekday.WE,
  ICalWeekday.TH,
  ICalWeekday.FR,
  ICalWeekday.SA,
];

/** The first day from `now` on that the schedule names, at its time of day; local time. */
export function firstTime({ days, minute }: Schedule, now: Date): Date {
  for (let ahead = 0; ahead <= 7; ahead++) {
    const at = new Date(now.getFullYear(), now.getMonth(), now.getDate() + ahead, Math.floor(minute / 60), minute % 60);
    if (days.includes(at.getDay()) && at.getTime() >= now.getTime()) return at;
  }
  return now;
}

/** A plan's weekdays as an iCalendar file (RFC 5545) in floating local time, with its blocks in the description. */
export function calendarOf({ id, recipe, schedule }: SavedPlan, now: Date): string {
  if (!schedule) throw new Error('a plan without weekdays has no calendar');
  const { plan } = layOutRecipe(recipe, {});
  const start = firstTime(schedule, now);
  const calendar = ical({ name: recipe.title, prodId: { company: 'Fox Minute', product: 'plan', language: 'EN' } });
  const event = calendar.createEvent({
    id: `${id}@fox-minute`,
    start,
    end: new Date(start.getTime() + sumPlan(plan).totalMs),
    stamp: now,
    floating: true,
    summary: recipe.title,
    description: plannedRibbon(plan)
      .map((b) => `${b.label}: ${b.measure}`)
      .join('\n'),
    repeating: {
      freq: ICalEventRepeatingFreq.WEEKLY,
      byDay: schedule.days.map((d) => WEEKDAYS[d]),
      ...(schedule.times !== null && { count: schedule.times }),
    },
  });
  event.createAlarm({
    type: ICalAlarmType.display,
    trigger: 300,
    description: `${recipe.title}, ${durationWords(sumPlan(plan).totalMs)}`,
  });
  // Every line of the format ends with a break, the last one too.
  return `${calendar.toString().trimEnd()}\r\n`;
}
