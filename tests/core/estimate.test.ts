import { describe, expect, it } from 'vitest';
import { biasesOf, biasOf, biasWords, type MeasuredDrawing, remedyEffects, remedyFor } from '@/core/growing/biases';
import { difference, pooled, ratioOf, type Reading, shareOf, slopeOf } from '@/core/growing/estimate';
import { student975 } from '@/core/growing/student';
import { seededRandom } from '@/core/random';

const DAY_MS = 86_400_000;
/** A normal number, by the Box-Muller transform. */
const normal = (random: () => number): number =>
  Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());

describe('the t quantile', () => {
  it('is what the tables say', () => {
    // Fisher and Yates, Statistical Tables, table III.
    for (const [df, t] of [
      [4, 2.776],
      [8, 2.306],
      [12, 2.179],
      [19, 2.093],
      [30, 2.042],
      [120, 1.98],
    ])
      expect(student975(df)).toBeCloseTo(t, df < 8 ? 1 : 2);
  });
});

/** Readings of a truth that changes by so much a day, differs from drawing to drawing, and is read with an error. */
function readings(
  random: () => number,
  n: number,
  truth: number,
  { perDay = 0, between = 0.05, sigma = 0.04 } = {},
): Reading[] {
  return Array.from({ length: n }, (_, i) => {
    const own = sigma * (0.5 + random());
    return {
      atMs: i * DAY_MS,
      value: truth + perDay * i + between * normal(random) + own * normal(random),
      sigma: own,
    };
  });
}

describe('estimates', () => {
  it('hold the truth as often as they say', () => {
    const random = seededRandom(5);
    let held = 0;
    let slopes = 0;
    let less = 0;
    for (let i = 0; i < 400; i++) {
      const { low, high } = pooled(readings(random, 12, 0.1));
      if (low <= 0.1 && high >= 0.1) held++;
      const slope = slopeOf(readings(random, 20, 0.1, { perDay: -0.002 }));
      if (slope && slope.low <= -0.002 / DAY_MS && slope.high >= -0.002 / DAY_MS) slopes++;
      const gone = difference(readings(random, 12, 0.1), readings(random, 15, 0.04));
      if (gone.low <= 0.06 && gone.high >= 0.06) less++;
    }
    // 95 of a hundred, and what chance does to 400 of them.
    for (const times of [held, slopes, less]) {
      expect(times).toBeGreaterThan(365);
      expect(times).toBeLessThan(395);
    }
  });
  it('know a line through the origin, and no slope where all is of one day', () => {
    const found = ratioOf([1, -2, 3, -4, 5].map((x) => ({ x, y: 0.7 * x })));
    expect(found?.value).toBeCloseTo(0.7);
    expect(found && found.high - found.low).toBeCloseTo(0);
    expect(ratioOf([{ x: 0, y: 1 }])).toBeUndefined();
    expect(slopeOf([1, 2, 3, 4, 5].map((value) => ({ atMs: 7, value, sigma: 0.1 })))).toBeUndefined();
  });
  it('say nothing certain of none of many, and stay within a share', () => {
    const none = shareOf(0, 10);
    expect(none.low).toBe(0);
    expect(none.high).toBeGreaterThan(0.2);
    expect(shareOf(10, 10).high).toBe(1);
    // Wilson's own example: 3 of 10.
    expect(shareOf(3, 10).low).toBeCloseTo(0.108, 2);
    expect(shareOf(3, 10).high).toBeCloseTo(0.603, 2);
  });
});

/** Measured drawings of a learner whose heads, waist and tilts are off by so much, one a day. */
function drawn(
  n: number,
  {
    head = 0,
    waist = 0,
    tilts = 1,
    squeezed = 0,
    from = 0,
    seed = 4,
  }: Partial<Record<'head' | 'waist' | 'tilts' | 'squeezed' | 'from' | 'seed', number>>,
): MeasuredDrawing[] {
  const random = seededRandom(seed);
  return Array.from({ length: n }, (_, i) => {
    const seen = 4 + 14 * random();
    const noise = (sigma: number): number => sigma * normal(random);
    return {
      atMs: (from + i) * DAY_MS,
      measured: {
        atMs: (from + i) * DAY_MS,
        of: [
          { id: 'head', seen: 0.13, off: head + noise(0.04), sigma: 0.03 },
          { id: 'waist', seen: 0.14, off: waist + noise(0.05), sigma: 0.04 },
          { id: 'tilt of the shoulders', seen, off: (tilts - 1) * seen + noise(1), sigma: 1 },
        ],
        ...(random() < squeezed && { squeezed: true }),
      },
    };
  });
}

describe('biases', () => {
  it('are not spoken of before there are ten drawings', () => {
    const bias = biasOf('head', drawn(9, { head: 0.2 }));
    expect(bias.now).toBeUndefined();
    expect(biasWords(bias)).toBe('Heads: too few to tell, 9 measured drawings of 10.');
    expect(biasOf('legs', drawn(30, {})).drawings).toBe(0);
  });
  it('name the largest first, with its interval, and the truth lies in it', () => {
    const [largest, ...others] = biasesOf(drawn(24, { head: 0.14, waist: 0.04, tilts: 0.95 }));
    expect(largest).toMatchObject({ id: 'head', off: 'where it hurts', drawings: 20 });
    expect(largest.now?.low).toBeLessThan(0.14);
    expect(largest.now?.high).toBeGreaterThan(0.14);
    expect(biasWords(largest)).toMatch(
      /^Heads are 1\d % too large \(1\d to 1\d %\) in the last 20 measured drawings\./,
    );
    expect(others.every(({ weight }) => weight < largest.weight)).toBe(true);
  });
  it('know flattened tilts and squeezed drawings, and leave what does no harm alone', () => {
    const flat = biasOf('tilts', drawn(20, { tilts: 0.6 }));
    expect(flat.off).toBe('where it hurts');
    expect(biasWords(flat)).toMatch(/^Tilts of shoulders and hips keep \d\d % of what is seen \(/);
    expect(biasOf('edge', drawn(20, { squeezed: 0.6 })).off).toBe('where it hurts');
    expect(biasOf('edge', drawn(20, { squeezed: 0 })).off).toBe('no');
    expect(biasOf('head', drawn(20, { head: -0.03 })).off).toBe('no');
    expect(biasOf('head', drawn(20, { head: 0.03 })).off).toBe('perhaps');
    // A head that is small does less harm than one that is large.
    const small = biasOf('head', drawn(20, { head: -0.2 }));
    expect(small.off).toBe('on the other side');
    expect(small.weight).toBeLessThan(biasOf('head', drawn(20, { head: 0.2 })).weight);
  });
  it('tell a change only where there is one', () => {
    const falling = [0, 10, 20, 30].flatMap((from, i) => drawn(10, { head: 0.16 - 0.04 * i, from, seed: i }));
    expect(biasWords(biasOf('head', falling))).toMatch(/In four weeks it comes nearer by \d+ %\.$/);
    expect(biasWords(biasOf('head', drawn(30, { head: 0.14 })))).not.toContain('four weeks');
  });
});

describe('remedies', () => {
  const before = drawn(15, { head: 0.14 });
  const taken = [{ atMs: 15 * DAY_MS, remedy: 'heads' }];
  it('are said to have helped, not to have helped, or to be too new to tell', () => {
    const after = (n: number, head: number) => [...before, ...drawn(n, { head, from: 15, seed: 4 })];
    expect(remedyEffects('head', after(5, 0.02), taken)).toEqual([
      { remedy: 'heads', sinceMs: 15 * DAY_MS, drawings: 5 },
    ]);
    expect(remedyEffects('head', after(14, 0.03), taken)[0].helped).toBe(true);
    expect(remedyEffects('head', after(22, 0.14), taken)[0].helped).toBe(false);
    expect(remedyEffects('head', after(14, 0.03), [])).toEqual([]);
  });
  it('give way to the next where one did not help', () => {
    const failed = remedyEffects('head', [...before, ...drawn(22, { head: 0.14, from: 15, seed: 4 })], taken);
    expect(remedyFor('head', failed)).toBe('proportions');
    expect(remedyFor('head', [])).toBe('heads');
  });
});
