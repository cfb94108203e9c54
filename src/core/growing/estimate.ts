import { sum } from 'd3-array';
import { student975 } from './student';

/** A number that was measured, with its standard deviation. */
export interface Reading {
  atMs: number;
  value: number;
  sigma: number;
}

/** A number with the interval in which it lies 95 times in a hundred. */
export interface Estimate {
  value: number;
  low: number;
  high: number;
}

const around = (value: number, reach: number): Estimate => ({ value, low: value - reach, high: value + reach });

/** How much the truths behind some readings differ from each other beyond the readings' own errors, as a variance. */
function betweenVariance(readings: readonly Reading[]): number {
  const w = readings.map(({ sigma }) => 1 / sigma ** 2);
  const all = sum(w);
  const mean = sum(readings, ({ value }, i) => w[i] * value) / all;
  const q = sum(readings, ({ value }, i) => w[i] * (value - mean) ** 2);
  const c = all - sum(w, (one) => one ** 2) / all;
  return Math.max(0, (q - (readings.length - 1)) / c);
}

/** Each reading counts by its own error and by how much drawings differ anyway. */
function weights(readings: readonly Reading[]): number[] {
  const between = betweenVariance(readings);
  return readings.map(({ sigma }) => 1 / (sigma ** 2 + between));
}

/**
 * What several readings with errors of their own say together, when the truth differs from one to the next.
 * Source: R. DerSimonian and N. Laird, Controlled Clinical Trials 7, 1986, for the variance between; the interval by G. Knapp and
 * J. Hartung, Statistics in Medicine 22, 2003, which holds what it says also for few readings.
 * @param readings Four or more, each with a standard deviation over 0.
 */
export function pooled(readings: readonly Reading[]): Estimate {
  const w = weights(readings);
  const all = sum(w);
  const mean = sum(readings, ({ value }, i) => w[i] * value) / all;
  const df = readings.length - 1;
  const spread = sum(readings, ({ value }, i) => w[i] * (value - mean) ** 2) / df;
  return around(mean, student975(df) * Math.sqrt(spread / all));
}

/** A line through readings by weighted least squares: its slope, per millisecond. @param readings Five or more, on at least two days. */
export function slopeOf(readings: readonly Reading[]): Estimate | undefined {
  const w = weights(readings);
  const all = sum(w);
  const at = sum(readings, ({ atMs }, i) => w[i] * atMs) / all;
  const mean = sum(readings, ({ value }, i) => w[i] * value) / all;
  const sxx = sum(readings, ({ atMs }, i) => w[i] * (atMs - at) ** 2);
  if (sxx === 0) return undefined;
  const slope = sum(readings, ({ atMs, value }, i) => w[i] * (atMs - at) * (value - mean)) / sxx;
  const df = readings.length - 2;
  const spread = sum(readings, ({ atMs, value }, i) => w[i] * (value - mean - slope * (atMs - at)) ** 2) / df;
  return around(slope, student975(df) * Math.sqrt(spread / sxx));
}

/** A line through the origin by least squares: how many times `x` the `y` is. @param pairs Four or more. */
export function ratioOf(pairs: readonly { x: number; y: number }[]): Estimate | undefined {
  const sxx = sum(pairs, ({ x }) => x * x);
  if (sxx === 0) return undefined;
  const ratio = sum(pairs, ({ x, y }) => x * y) / sxx;
  const df = pairs.length - 1;
  const spread = sum(pairs, ({ x, y }) => (y - ratio * x) ** 2) / df;
  return around(ratio, student975(df) * Math.sqrt(spread / sxx));
}

/**
 * The share behind so many of so many.
 * Source: E. Wilson, J. Am. Statistical Association 22, 1927; it holds what it says near 0 and 1 too.
 */
export function shareOf(some: number, of: number): Estimate {
  const z = 1.96;
  const p = some / of;
  const middle = (p + z ** 2 / (2 * of)) / (1 + z ** 2 / of);
  const reach = (z * Math.sqrt((p * (1 - p)) / of + z ** 2 / (4 * of ** 2))) / (1 + z ** 2 / of);
  return { value: p, low: Math.max(0, middle - reach), high: Math.min(1, middle + reach) };
}

/** How much larger the middle of some readings is than that of others. Source of the degrees of freedom: B. Welch, Biometrika 34, 1947. */
export function difference(a: readonly Reading[], b: readonly Reading[]): Estimate {
  const [one, two] = [a, b].map((readings) => {
    const estimate = pooled(readings);
    const error = (estimate.high - estimate.value) / student975(readings.length - 1);
    return { value: estimate.value, variance: error ** 2, df: readings.length - 1 };
  });
  const variance = one.variance + two.variance;
  const df = variance === 0 ? 3 : variance ** 2 / (one.variance ** 2 / one.df + two.variance ** 2 / two.df);
  return around(one.value - two.value, student975(Math.max(3, df)) * Math.sqrt(variance));
}
