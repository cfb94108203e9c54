/** Minutes after midnight as "19:05", whatever the day. */
export function minuteOfDay(minute: number): string {
  const m = ((Math.floor(minute) % 1440) + 1440) % 1440;
  return `${String(Math.floor(m / 60))}:${String(m % 60).padStart(2, '0')}`;
}

/** Milliseconds after midnight as "19:05:03". */
export function secondOfDay(ms: number): string {
  const seconds = Math.round(ms / 1000);
  return `${minuteOfDay(seconds / 60)}:${String(((seconds % 60) + 60) % 60).padStart(2, '0')}`;
}

/** A moment, milliseconds since 1970, as a clock with seconds shows it here: "19:05:03". */
export function wallSeconds(atMs: number): string {
  const at = new Date(Math.round(atMs / 1000) * 1000);
  return secondOfDay((at.getHours() * 3600 + at.getMinutes() * 60 + at.getSeconds()) * 1000);
}

/** A moment, milliseconds since 1970, as the clock on the wall shows it here: "19:05". */
export function wallTime(atMs: number): string {
  const at = new Date(atMs);
  return minuteOfDay(at.getHours() * 60 + at.getMinutes());
}
