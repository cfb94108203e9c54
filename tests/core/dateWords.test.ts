import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fullDate, monthDay, shortDate, shortDay, shortWeekday, weekday, weekdayAndDay } from '@/core/dateWords';

describe('dates in words', () => {
  const evening = new Date(2026, 10, 3, 23, 59);
  it('are told one way, long or short', () => {
    expect([weekday(evening), shortWeekday(evening)]).toEqual(['Tuesday', 'Tue']);
    expect([monthDay(evening), weekdayAndDay(evening)]).toEqual(['November 3', 'Tuesday, November 3']);
    expect([shortDay(evening), shortDate(evening)]).toEqual(['Tue, Nov 3', 'Tue, Nov 3, 2026']);
    expect(fullDate(evening)).toBe('November 3, 2026');
  });
  it('are those of the local day, for a moment as for a date', () => {
    fc.assert(
      fc.property(fc.date({ min: new Date(1970, 0, 2), max: new Date(2199, 0), noInvalidDate: true }), (at) => {
        expect(fullDate(at.getTime())).toBe(fullDate(at));
        expect(fullDate(at)).toMatch(new RegExp(` ${String(at.getDate())}, ${String(at.getFullYear())}$`));
        expect(new Date(fullDate(at)).getMonth()).toBe(at.getMonth());
      }),
    );
  });
});
