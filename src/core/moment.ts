import * as z from 'zod/mini';

/** The last millisecond of the year 9999: beyond it dates are no longer written in four digits, and soon cannot be computed at all. */
const LAST_MOMENT_MS = 253_402_300_799_999;

/** A moment: milliseconds since 1970, one that a calendar can show. */
export const momentSchema = z.int().check(z.minimum(0), z.maximum(LAST_MOMENT_MS));

/** The calendar day a moment lies in where the learner is, counted from January 1, 1970: it changes at local midnight. */
export function localDay(atMs: number): number {
  const at = new Date(atMs);
  return Math.floor(Date.UTC(at.getFullYear(), at.getMonth(), at.getDate()) / 86_400_000);
}

/** Noon of a local day in this calendar: a moment that lies in it whatever the hour the clocks are put forward. */
export function noonOfDay(day: number): Date {
  const utc = new Date(day * 86_400_000);
  return new Date(utc.getUTCFullYear(), utc.getUTCMonth(), utc.getUTCDate(), 12);
}
