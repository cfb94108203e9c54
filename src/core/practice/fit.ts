/** One kind of drawing that a set may hold. */
export interface FitItem {
  /** Lead-in, looking and drawing of one, milliseconds. */
  costMs: number;
  min: number;
  max: number;
  /** The part of the set's time it should get; shares of all items add up to 1. */
  share: number;
}

/** What a millisecond given to the wrong item weighs against one left over: filling the time comes first. */
const SHARE_WEIGHT = 0.1;

/**
 * How many of each item fit into a time: never more than it, as full as can be and near the wished shares. Exhaustive, so optimal
 * for its score (unused time plus SHARE_WEIGHT times the misplaced time, both in milliseconds).
 * @param changeMs Stands between two consecutive drawings.
 * @returns counts in item order, or undefined when not even one drawing fits.
 */
export function fitCounts(items: readonly FitItem[], availableMs: number, changeMs: number): number[] | undefined {
  const counts = items.map(() => 0);
  let best: { counts: number[]; score: number } | undefined;
  const search = (i: number, usedMs: number): void => {
    if (i === items.length) {
      const total = usedMs - changeMs;
      if (total <= 0) return;
      const misplaced =
        items.reduce((sum, item, k) => sum + Math.abs(counts[k] * item.costMs - item.share * total), 0) / 2;
      const score = availableMs - total + SHARE_WEIGHT * misplaced;
      if (!best || score < best.score) best = { counts: [...counts], score };
      return;
    }
    const { costMs, min, max } = items[i];
    for (let n = min; n <= max; n++) {
      const used = usedMs + n * (costMs + changeMs);
      if (used - changeMs > availableMs) break;
      counts[i] = n;
      search(i + 1, used);
    }
    counts[i] = 0;
  };
  search(0, 0);
  return best?.counts;
}
