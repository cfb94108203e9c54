// What every part of the bench says its numbers in.

/**
 * @typedef {object} Row
 * @property {string} name
 * @property {string} value What was measured, in words.
 * @property {string} [limit] What it should stay under, with OVER where it does not.
 */

/**
 * The value below which a share of them lies.
 * @param {readonly number[]} values
 * @param {number} share 0 to 1.
 */
export const quantile = (values, share) => {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))];
};

/**
 * A row with a limit.
 * @param {string} name
 * @param {string} value
 * @param {number} measured What is held to the limit, in the limit's unit.
 * @param {number} most
 * @param {string} unit
 * @returns {Row}
 */
export const limited = (name, value, measured, most, unit) => ({
  name,
  value,
  limit: `${Number(most.toFixed(3)).toLocaleString('en')} ${unit}${measured > most ? ' OVER' : ''}`,
});

/**
 * Median and 95th percentile of times, the latter held to a limit where there is one.
 * @param {string} name
 * @param {readonly number[]} times Milliseconds.
 * @param {number} [mostMs]
 * @returns {Row}
 */
export const timesRow = (name, times, mostMs) => {
  const [half, most] = [quantile(times, 0.5), quantile(times, 0.95)];
  const digits = most < 10 ? 1 : 0;
  const value = `${half.toFixed(digits)} / ${most.toFixed(digits)} ms`;
  const words = `${name}, median / p95`;
  return mostMs === undefined ? { name: words, value } : limited(words, value, most, mostMs, 'ms');
};

/**
 * How much longer something takes than something that must be done in any case.
 * @param {string} name
 * @param {number} ms
 * @param {string} baseline
 * @param {number} baseMs
 * @param {number} [most] The largest ratio that is right.
 * @returns {Row}
 */
export const against = (name, ms, baseline, baseMs, most) => {
  const ratio = ms / baseMs;
  const value = `${ratio.toFixed(2)} (${ms.toFixed(1)} of ${baseMs.toFixed(1)} ms)`;
  const words = `${name}, against ${baseline}`;
  return most === undefined ? { name: words, value } : limited(words, value, ratio, most, 'times');
};
