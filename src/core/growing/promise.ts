import * as z from 'zod/mini';
import { counted } from '../words';
import { type Week, wholeMinutes } from './weeks';

const MINUTES_A_WEEK = 7 * 24 * 60;

/** What the learner means to do in a week. Nothing happens where it is not kept. */
export interface WeekPromise {
  /** None where it is 0, as with the minutes. */
  days: number;
  minutes: number;
}
export const promisedDaysSchema = z.int().check(z.minimum(0), z.maximum(7));
export const promisedMinutesSchema = z.int().check(z.minimum(0), z.maximum(MINUTES_A_WEEK));

export const NO_PROMISE: WeekPromise = { days: 0, minutes: 0 };

/** "91 of 100 minutes", also where it is more; "91 minutes" where nothing was promised. */
const against = (done: number, promised: number, word: string): string =>
  promised > 0 ? `${String(done)} of ${counted(promised, word)}` : counted(done, word);

/** What a week has against its promise, in whole minutes: "91 of 100 minutes, 3 of 4 days". */
export const promiseWords = ({ spentMs, days }: Pick<Week, 'spentMs' | 'days'>, promise: WeekPromise): string =>
  `${against(wholeMinutes(spentMs), promise.minutes, 'minute')}, ${against(days, promise.days, 'day')}`;
