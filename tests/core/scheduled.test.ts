import { describe, expect, it } from 'vitest';
import type { Course } from '@/core/growing/courseRecord';
import { courseState, courseWishes, courseWords, currentCourse, hardestOn } from '@/core/growing/course';
import { keptDays, nextRound, onWeekdays, roundsOf, scheduledFor, standsOn, weekdayOf } from '@/core/growing/scheduled';
import { localDay } from '@/core/moment';
import { shortWeekdayName, WEEK_FROM_MONDAY, weekdayName } from '@/core/weekdays';
import type { SavedPlan } from '@/core/practice/plan/savedPlan';
import type { Session } from '@/core/journal/session';
import { recipeWords } from '@/core/practice/plan/recipeWords';
import { level, recipeWith } from './recipes';
import { planOf, poses } from './plans';
import { sessionOf } from './sessions';

/** Noon of a local day, counted from Monday, November 2, 2026. */
const noon = (day: number): number => new Date(2026, 10, 2 + day, 12).getTime();
const MONDAY = localDay(noon(0));

const weekly = (days: number[], more: Partial<NonNullable<SavedPlan['schedule']>> = {}): SavedPlan => ({
  id: 'class',
  recipe: recipeWith([level('b', 2, 60_000)]),
  savedAtMs: noon(0),
  schedule: { days, minute: 1140, times: null, ...more },
  binnedAtMs: null,
});
const held = (day: number, on: number): Session =>
  sessionOf({ ...planOf(poses(2)), cause: { scheduled: { planId: 'class', day: MONDAY + on } } }, [], {
    id: `s${String(day)}`,
    startedAtMs: noon(day),
  });

describe('a plan on weekdays', () => {
  it('stands on its days from when it was kept, so many times at most', () => {
    expect(weekdayOf(MONDAY)).toBe(1);
    expect(standsOn(weekly([1, 3]), MONDAY + 9)).toEqual([0, 2, 7, 9].map((d) => MONDAY + d));
    expect(standsOn(weekly([1, 3], { times: 3 }), MONDAY + 60)).toHaveLength(3);
    expect(standsOn({ ...weekly([1]), schedule: null }, MONDAY + 60)).toEqual([]);
  });
  it('is a class: how often it was held, and when it is again', () => {
    const tuesdays = weekly([2]);
    expect(roundsOf(tuesdays, [], MONDAY + 1)).toEqual([]);
    expect(roundsOf(tuesdays, [held(1, 1)], MONDAY + 1)).toEqual([{ day: MONDAY + 1, held: true }]);
    // The second was missed, the third is today.
    expect(roundsOf(tuesdays, [held(1, 1)], MONDAY + 15).map((round) => round.held)).toEqual([true, false]);
    expect(nextRound(tuesdays, [], MONDAY)).toBe(MONDAY + 1);
    expect(nextRound(tuesdays, [], MONDAY + 1)).toBe(MONDAY + 1);
    expect(nextRound(tuesdays, [held(1, 1)], MONDAY + 1)).toBe(MONDAY + 8);
    expect(nextRound(weekly([2], { times: 1 }), [], MONDAY + 2)).toBeUndefined();
    expect(nextRound({ ...tuesdays, schedule: null }, [], MONDAY)).toBeUndefined();
  });
  it('has missed nothing from before it was one', () => {
    const kept = { ...weekly([2]), schedule: null };
    const made = onWeekdays(kept, [2], noon(28));
    expect(roundsOf(made, [], MONDAY + 30)).toEqual([{ day: MONDAY + 29, held: false }]);
    // Another weekday later changes nothing of when it began.
    expect(onWeekdays(made, [2, 3], noon(60)).schedule).toEqual({
      days: [2, 3],
      minute: 1140,
      times: null,
      sinceMs: noon(28),
    });
    expect(made.savedAtMs).toBe(kept.savedAtMs);
    expect(onWeekdays(made, [], noon(60)).schedule).toBeNull();
  });
  it('has weekdays with names, from Monday', () => {
    expect(WEEK_FROM_MONDAY.map(shortWeekdayName)).toEqual(['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun']);
    expect(weekdayName(0)).toBe('Sunday');
    expect(weekdayName(weekdayOf(MONDAY))).toBe('Monday');
  });
  it('has a shape that can be told in a line', () => {
    const climb = {
      ...level('c', 3, 30_000),
      lengths: { order: 'climb' as const, fromMs: 30_000, toMs: 120_000, listMs: [] },
    };
    const rest = { kind: 'rest' as const, id: 'r', pinned: false, durationMs: 300_000 };
    expect(recipeWords(recipeWith([level('b', 10, 60_000), rest, climb]))).toBe(
      'Flowing gesture 10 × 1 min, rest 5 min, Flowing gesture 3 × 30 s to 2 min',
    );
  });
  it('is due on its day until there was a session of it', () => {
    expect(scheduledFor([weekly([2])], [], MONDAY)).toEqual([]);
    expect(scheduledFor([weekly([2])], [], MONDAY + 1)).toMatchObject([{ day: MONDAY + 1 }]);
    expect(scheduledFor([weekly([2])], [held(1, 1)], MONDAY + 1)).toEqual([]);
  });
  it('stays missed, or moves on as chosen, and never shifts the others', () => {
    expect(scheduledFor([weekly([2])], [], MONDAY + 3)).toEqual([]);
    const moving = weekly([2], { moves: true });
    expect(scheduledFor([moving], [], MONDAY + 3)).toMatchObject([{ day: MONDAY + 1 }]);
    expect(scheduledFor([moving], [held(3, 1)], MONDAY + 3)).toEqual([]);
    // Made up for or not: a week later it is due on its day.
    for (const sessions of [[], [held(3, 1)]])
      expect(scheduledFor([moving], sessions, MONDAY + 8)).toMatchObject([{ day: MONDAY + 8 }]);
  });
  it('is counted by its days, not by how often it was drawn', () => {
    expect(keptDays([weekly([1, 3])], [held(0, 0), held(0, 0)], MONDAY, MONDAY + 6)).toEqual({ stood: 2, kept: 1 });
    expect(keptDays([weekly([1, 3])], [held(0, 0)], MONDAY + 1, MONDAY + 6)).toEqual({ stood: 1, kept: 0 });
  });
});

const course = (more: Partial<Course> = {}): Course => ({
  id: 'c',
  aim: 'proportion',
  days: 30,
  minutes: 20,
  startedDay: MONDAY,
  moves: true,
  ...more,
});
/** A session of a course's day. */
const taken = (number: number, day: number): Session =>
  sessionOf({ ...planOf(poses(2)), cause: { course: { id: 'c', day: number } } }, [], {
    id: `c${String(number)}`,
    startedAtMs: noon(day),
  });

describe('a course', () => {
  it('of thirty days with two missed ends on day 32 where days move, or shows 28 of 30 where they stay', () => {
    const drawnOn = Array.from({ length: 32 }, (_, i) => i).filter((day) => day !== 4 && day !== 11);
    const moving = drawnOn.map((day, i) => taken(i + 1, day));
    const moved = courseState(course(), moving, MONDAY + 31);
    expect(moved).toEqual({ done: 30, missed: 0, lastDay: MONDAY + 31, over: true });
    const staying = drawnOn.filter((day) => day < 30).map((day) => taken(day + 1, day));
    const stayed = courseState(course({ moves: false }), staying, MONDAY + 30);
    expect(stayed).toMatchObject({ done: 28, missed: 2, over: true });
    expect(courseWords(course(), stayed)).toBe('28 of 30 days, 2 missed');
  });
  it('has one day a day', () => {
    expect(courseState(course(), [], MONDAY).due).toBe(1);
    expect(courseState(course(), [taken(1, 0)], MONDAY).due).toBeUndefined();
    expect(courseState(course(), [taken(1, 0)], MONDAY + 3).due).toBe(2);
    expect(courseState(course({ moves: false }), [taken(1, 0)], MONDAY + 3).due).toBe(4);
    expect(courseState(course(), [], MONDAY - 1).due).toBeUndefined();
    expect(courseState(course({ endedDay: MONDAY + 2 }), [], MONDAY + 2)).toMatchObject({ over: true });
  });
  it('is the one begun last that is not over', () => {
    const old = course({ id: 'old', startedDay: MONDAY - 60, moves: false });
    expect(currentCourse([old, course()], [], MONDAY)?.id).toBe('c');
    expect(currentCourse([old], [], MONDAY)).toBeUndefined();
  });
  it('has every exercise of its aim, each in its turn more than the others', () => {
    const days = Array.from({ length: 4 }, (_, i) => courseWishes(course(), i + 1));
    expect(new Set(days.map(({ focus }) => focus)).size).toBe(4);
    for (const { wishes } of days) expect(wishes).toHaveLength(4);
  });
  it('goes from gentle to hard, and waits where figures do not come whole', () => {
    const said = (...down: boolean[]) =>
      down.map((one) => ({ whole: { exerciseId: 'x', down: one, lengthMs: 1, spentMs: 1 } }));
    const days = Array.from({ length: 10 }, (_, i) => hardestOn(i + 1, 10, []));
    expect(days).toEqual([...days].sort());
    expect([days[0], days[9]]).toEqual([2, 5]);
    expect(hardestOn(6, 10, said(false, false, true))).toBe(hardestOn(6, 10, said(true, true, false)) - 1);
    expect(hardestOn(6, 10, said(false))).toBe(hardestOn(6, 10, []));
  });
});
