/** So far a start can be set off: the clock was wrong, or the session was begun late; another day is another session. */
const MOST_MS = 12 * 3600_000;

/**
 * The moment a session began, as a time of day was typed for it: on the day nearest to what was noted.
 * @param typed "19:05" or "19:05:30", on the clock of this machine.
 * @param nowMs No session began later than now.
 * @returns undefined for what is no time, or lies too far from what was noted.
 */
export function correctedStart(typed: string, notedAtMs: number, nowMs: number): number | undefined {
  const found = /^([01]?\d|2[0-3]):([0-5]\d)(?::([0-5]\d))?$/.exec(typed.trim());
  if (!found) return undefined;
  const [hours, minutes, seconds] = [Number(found[1]), Number(found[2]), Number(found[3] ?? 0)];
  const near = [-1, 0, 1]
    .map((days) => {
      const day = new Date(notedAtMs);
      return new Date(day.getFullYear(), day.getMonth(), day.getDate() + days, hours, minutes, seconds).getTime();
    })
    .sort((a, b) => Math.abs(a - notedAtMs) - Math.abs(b - notedAtMs))[0];
  return Math.abs(near - notedAtMs) <= MOST_MS && near <= nowMs ? near : undefined;
}
