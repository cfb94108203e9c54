import { shortWeekday, weekday } from './dateWords';

/** Weekdays by their numbers, 0 Sunday to 6 Saturday, in the order of a week. */
export const WEEK_FROM_MONDAY = [1, 2, 3, 4, 5, 6, 0] as const;

/** A day of a weekday's number: January 4, 1970 was a Sunday. */
const someDay = (number: number): Date => new Date(1970, 0, 4 + number);

/** "Tuesday". @param number 0 Sunday to 6 Saturday. */
export const weekdayName = (number: number): string => weekday(someDay(number));
/** "Tue". @param number 0 Sunday to 6 Saturday. */
export const shortWeekdayName = (number: number): string => shortWeekday(someDay(number));
