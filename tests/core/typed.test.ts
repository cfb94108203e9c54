import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { clockDigits, parseCount, parseDuration } from '@/core/practice/time/duration';

const read = (typed: string, least?: number) => {
  const result = parseDuration(typed, least);
  return 'ms' in result ? result.ms / 1000 : result.problem;
};

describe('typed lengths', () => {
  it.each([
    ['90', 90],
    ['1:30', 90],
    ['1m30', 90],
    ['1m 30s', 90],
    ['2 min', 120],
    ['1½ min', 90],
    ['1.5m', 90],
    ['0,5 h', 1800],
    ['45 s', 45],
    ['1:00:00', 3600],
    ['6:00:00', 21_600],
    ['1h20', 4800],
    ['1h20m10s', 4810],
    [' 0:10 ', 10],
  ])('%s is %d seconds', (typed, seconds) => expect(read(typed)).toBe(seconds));
  it.each([
    ['0:00', /too short/],
    ['7:00:00', /too long: at most 6 h/],
    ['1e9', /not a length/],
    ['999999', /too long/],
    ['abc', /not a length/],
    ['1:75', /not a length/],
    ['-5', /not a length/],
    ['5m5m', /not a length/],
    ['', /no length/],
    ['1:2:3:4', /not a length/],
  ])('%s is refused in words', (typed, words) => expect(read(typed)).toMatch(words));
  it('may be none where none is allowed', () => expect(read('0', 0)).toBe(0));
  it('reads back what is shown', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 21_600 }), (s) => {
        expect(read(clockDigits(s * 1000))).toBe(s);
      }),
    );
  });
});

describe('typed counts', () => {
  it('takes whole numbers up to what a block holds', () => {
    expect(parseCount('12', 500)).toEqual({ count: 12 });
    for (const [typed, words] of [
      ['0', /At least one/],
      ['10000', /At most 500/],
      ['1.5', /whole number/],
      ['x', /whole number/],
    ] as const)
      expect(parseCount(typed, 500)).toEqual({ problem: expect.stringMatching(words) as string });
  });
});
