/** One way to fill a slot. Costs are whole units of time. */
export interface Option {
  cost: number;
  value: number;
  /** Poses: a change stands before whatever pose follows directly. Break: nothing needs changing across it. Empty: as if it were not there. */
  kind: 'poses' | 'break' | 'empty';
  /** Where it differs from the slot's. */
  change?: number;
}
export interface Slot {
  options: readonly Option[];
  /** Units between its last pose and a pose that follows directly. */
  change: number;
}

export interface BestOptions {
  /** Best total value by exact total cost; -Infinity where no choice costs just that. */
  values: Float64Array;
  /** The option of each slot, for a total cost that can be reached. */
  choiceAt: (cost: number) => number[];
}

const FLAGS = 2;

/**
 * One option for every slot, for each total cost the best total value: a multiple-choice knapsack by dynamic programming, exact.
 * Slots are gone through from the last to the first, knowing whether a pose follows, so that changes between poses count as they fall.
 * O(slots × options × capacity).
 */
export function bestOptions(slots: readonly Slot[], capacity: number): BestOptions {
  const size = capacity + 1;
  let values = [new Float64Array(size).fill(-Infinity), new Float64Array(size).fill(-Infinity)];
  values[0][0] = 0;
  /** By slot and flag: option * 2 + flag before it. */
  const came: Int32Array[][] = [];
  for (let s = slots.length - 1; s >= 0; s--) {
    const { options, change } = slots[s];
    const next = [new Float64Array(size).fill(-Infinity), new Float64Array(size).fill(-Infinity)];
    const from = [new Int32Array(size), new Int32Array(size)];
    for (let f = 0; f < FLAGS; f++) {
      const before = values[f];
      options.forEach(({ cost, value, kind, change: own = change }, o) => {
        const to = kind === 'poses' ? 1 : kind === 'break' ? 0 : f;
        const step = cost + (kind === 'poses' && f === 1 ? own : 0);
        const target = next[to];
        const back = from[to];
        const mark = o * FLAGS + f;
        for (let t = 0; t + step < size; t++) {
          const total = before[t] + value;
          if (total > target[t + step]) {
            target[t + step] = total;
            back[t + step] = mark;
          }
        }
      });
    }
    values = next;
    came[s] = from;
  }
  return {
    values: values[0].map((v, t) => Math.max(v, values[1][t])),
    choiceAt: (cost) => {
      let flag = values[1][cost] > values[0][cost] ? 1 : 0;
      let at = cost;
      return slots.map(({ options, change }, s) => {
        const mark = came[s][flag][at];
        const option = Math.floor(mark / FLAGS);
        const before = mark % FLAGS;
        const { cost: taken, kind, change: own = change } = options[option];
        at -= taken + (kind === 'poses' && before === 1 ? own : 0);
        flag = before;
        return option;
      });
    },
  };
}

/** Costs worth having: no lower cost has a value as high. */
function undominated(values: Float64Array): number[] {
  const costs: number[] = [];
  let best = -Infinity;
  values.forEach((value, cost) => {
    if (value > best) {
      best = value;
      costs.push(cost);
    }
  });
  return costs;
}

/**
 * Best values of two independent parts together, by total cost; for each the cost of the second part. What costs more without being
 * worth more is left out on both sides: it can be part of a best whole, but never of the only one.
 */
export function combine(
  first: Float64Array,
  second: Float64Array,
  capacity: number,
): { values: Float64Array; seconds: Int32Array } {
  const values = new Float64Array(capacity + 1).fill(-Infinity);
  const seconds = new Int32Array(capacity + 1);
  const costs = undominated(first);
  for (const u of undominated(second)) {
    const value = second[u];
    for (const t of costs) {
      if (t + u > capacity) break;
      const total = first[t] + value;
      if (total > values[t + u]) {
        values[t + u] = total;
        seconds[t + u] = u;
      }
    }
  }
  return { values, seconds };
}

/** Where a row of values is highest; the least index among equals. */
export function bestIndex(values: Float64Array): number {
  let best = 0;
  values.forEach((v, i) => {
    if (v > values[best]) best = i;
  });
  return best;
}
