/** A moment, milliseconds since 1970 or a date, in the words of the learner's own calendar. */
type DateWords = (at: number | Date) => string;

const inWords =
  (options: Intl.DateTimeFormatOptions): DateWords =>
  (at) =>
    new Date(at).toLocaleDateString('en-US', options);

/** "Tuesday". */
export const weekday = inWords({ weekday: 'long' });
/** "Tue". */
export const shortWeekday = inWords({ weekday: 'short' });
/** "November 3". */
export const monthDay = inWords({ month: 'long', day: 'numeric' });
/** "Tuesday, November 3". */
export const weekdayAndDay = inWords({ weekday: 'long', month: 'long', day: 'numeric' });
/** "Tue, Nov 3". */
export const shortDay = inWords({ weekday: 'short', month: 'short', day: 'numeric' });
/** "Tue, Nov 3, 2026". */
export const shortDate = inWords({ weekday: 'short', month: 'short', day: 'numeric', year: 'numeric' });
/** "November 3, 2026". */
export const fullDate = inWords({ month: 'long', day: 'numeric', year: 'numeric' });
/** "Nov". */
export const shortMonth = inWords({ month: 'short' });
/** "November 2026". */
export const monthAndYear = inWords({ month: 'long', year: 'numeric' });
