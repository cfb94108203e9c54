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
