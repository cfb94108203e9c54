import type { Random } from '../random';

export interface Arrangement<T> {
  /** What neighbors should differ in; undefined differs from everything. */
  look: (item: T) => string | undefined;
  /** Steps that must not fall by more than one from one item to the next; missing for any order. */
  level?: ((item: T) => number) | undefined;
  /** Items fit for the first places. */
  first?: ((item: T) => boolean) | undefined;
  firstCount: number;
  /** What it costs that two stand side by side, beyond an equal look; missing where that is all. */
  alike?: (a: T, b: T) => number;
  /** Items whose places are given. */
  slots: ReadonlyMap<number, T>;
  /** What stands before the first. */
  before: T | undefined;
  random: Random;
}

interface Group<T> {
  look: string | undefined;
  level: number;
  items: T[];
}
interface Cost {
  conflicts: number;
  /** Equal neighbors that cannot be helped any more, at least. */
  bound: number;
  chance: number;
}
/** What was placed so far, as the last step and the state before it. */
interface State extends Cost {
  before: State | undefined;
  /** The group taken from; -1 where the place was given. */
  group: number;
  /** Stands for the counts left: a sum of a number per item, exact in integers, equal for equal counts. */
  key: number;
  last: string | undefined;
  /** Which look that is; 0 for none. */
  lastIndex: number;
}

/** Followed from each state: the best steps alone. */
const STEPS = 6;
/** Kept at each place; more than enough for sessions, and checked against all orders in the tests. */
const BEAM = 20;

/**
 * Put items in an order in which as few neighbors as possible look alike and the level, if any, never falls by more than one.
 *
 * Items of one look and level are interchangeable, so a state is how many of each are left and what came last. A beam keeps the states
 * with the least conflicts made and still to come: of a look with n of m places left at least n - (m - n) - 1 touch one of their own.
 * Then items change places as long as neighbors become less alike and neither conflicts nor levels become worse.
 */
export function arrange<T>(items: readonly T[], options: Arrangement<T>): { item: T; conflict: boolean }[] {
  const { look, level, slots, before, random, first, firstCount } = options;
  const placed = new Set(slots.values());
  const groups = new Map<string, Group<T>>();
  for (const item of items) {
    if (placed.has(item)) continue;
    const l = look(item);
    const v = level?.(item) ?? 0;
    const key = `${String(v)}/${l ?? ''}`;
    const group = groups.get(key);
    if (group) group.items.push(item);
    else groups.set(key, { look: l, level: v, items: [item] });
  }
  const list = [...groups.values()];
  const looks = [...new Set(list.map((g) => g.look))].filter((l) => l !== undefined);
  const lookIndex = list.map((g) => (g.look === undefined ? -1 : looks.indexOf(g.look)));
  const weights = list.map(() => Math.floor(random() * 2 ** 31));
  /** What may come after a state, with what it costs. */
  const stepsFrom = (state: State, counts: readonly number[]): State[] => {
    const perLook = new Array<number>(looks.length).fill(0);
    let left = -1;
    let lowest = Infinity;
    counts.forEach((n, g) => {
      left += n;
      if (n > 0) lowest = Math.min(lowest, list[g].level);
      if (lookIndex[g] >= 0) perLook[lookIndex[g]] += n;
    });
    let most = 0;
    for (let l = 1; l < perLook.length; l++) if (perLook[l] > perLook[most]) most = l;
    let second = 0;
    for (let l = 0; l < perLook.length; l++) if (l !== most) second = Math.max(second, perLook[l]);
    const steps: State[] = [];
    for (const [g, group] of list.entries()) {
      if (counts[g] === 0 || group.level > lowest + 1) continue;
      const own = lookIndex[g];
      // Of a look with n left, every one of the others parts two at most; one more where something else came last.
      const others = 2 * (own === most ? second : (perLook[most] ?? 0)) - left - 1;
      // Lower levels first where nothing else decides; the rest is chance, weighed by how many there are.
      const chance = random() + 0.7 * (group.level - lowest) - (0.3 * counts[g]) / items.length;
      steps.push({
        before: state,
        group: g,
        key: state.key - weights[g],
        last: group.look,
        lastIndex: own + 1,
        conflicts: state.conflicts + (group.look !== undefined && group.look === state.last ? 1 : 0),
        bound: Math.max(0, others, own < 0 ? 0 : 2 * (perLook[own] - 1) - left),
        chance: state.chance + chance,
      });
    }
    return steps;
  };
  const full = list.map((g) => g.items.length);
  const start: State = {
    before: undefined,
    group: -1,
    key: full.reduce((sum, n, g) => sum + n * weights[g], 0),
    last: before && look(before),
    lastIndex: before ? looks.indexOf(look(before) ?? '') + 1 : 0,
    conflicts: 0,
    bound: 0,
    chance: 0,
  };
  const fill = (width: number): State => {
    let beam: { state: State; counts: number[] }[] = [{ state: start, counts: full }];
    for (let place = 0; place < items.length; place++) {
      const given = slots.get(place);
      const next = new Map<number, { state: State; counts: number[] }>();
      for (const { state, counts } of beam) {
        if (given !== undefined) {
          const l = look(given);
          const conflicts = state.conflicts + (l !== undefined && l === state.last ? 1 : 0);
          offer(
            next,
            { ...state, before: state, group: -1, last: l, lastIndex: looks.indexOf(l ?? '') + 1, conflicts },
            counts,
          );
          continue;
        }
        for (const step of stepsFrom(state, counts).sort(byCost).slice(0, STEPS)) offer(next, step, counts);
      }
      beam = [...next.values()]
        .sort((a, b) => byCost(a.state, b.state))
        .slice(0, width)
        .map(({ state, counts }) => ({
          state,
          counts: state.group < 0 ? counts : counts.with(state.group, counts[state.group] - 1),
        }));
    }
    return beam[0].state;
  };
  // The best step at each place is nearly always without conflict, and then nothing is better.
  const straight = fill(1);
  const path: number[] = [];
  for (
    let state: State | undefined = straight.conflicts === 0 ? straight : fill(BEAM);
    state?.before;
    state = state.before
  )
    path.unshift(state.group);
  const queues = list.map(({ items: own }) => [...own]);
  const order = path.map((g, place) => {
    const given = slots.get(place);
    const queue = g >= 0 ? queues[g] : [];
    const ready = first && place < firstCount ? queue.findIndex(first) : 0;
    return given ?? queue.splice(Math.max(0, ready), 1)[0];
  });
  improve(order, options);
  let last = start.last;
  return order.map((item) => {
    const own = look(item);
    const conflict = own !== undefined && own === last;
    last = own;
    return { item, conflict };
  });
}

/** Cost of two neighbors with the same look: more than all other costs together. */
export const CONFLICT = 1000;
/** How much it counts that what is hard comes late, against how alike neighbors are. */
const RISING = 0.5;
/** Exchanges are tried over so many places, and this often, at most. */
const REACH = 60;
const ROUNDS = 4;

/** Exchange places, as long as that makes neighbors less alike. Given places stay, levels rise as before, and what is ready stays first. */
function improve<T>(order: T[], { look, level, alike, first, firstCount, slots, before }: Arrangement<T>): void {
  const n = order.length;
  if (!alike || n < 2) return;
  // What stands before the first is the last of the items; places hold their numbers.
  const items = before === undefined ? [...order] : [...order, before];
  const size = items.length;
  const places = Int32Array.from(order, (_, i) => i);
  const levels = level ? Float64Array.from(order, level) : undefined;
  const costs = new Float64Array(size * size).fill(NaN);
  const pair = (a: number, b: number): number => {
    if (a < 0 || b < 0) return 0;
    const key = a * size + b;
    if (Number.isNaN(costs[key])) {
      const own = look(items[a]);
      const cost = (own !== undefined && own === look(items[b]) ? CONFLICT : 0) + alike(items[a], items[b]);
      costs[key] = costs[b * size + a] = cost;
    }
    return costs[key];
  };
  const at = (i: number): number => (i >= 0 ? (i < n ? places[i] : -1) : before === undefined ? -1 : n);
  /** Of the places around i and j, each pair of neighbors once. */
  const around = (i: number, j: number): number => {
    let cost = pair(at(i - 1), at(i)) + pair(at(j), at(j + 1)) + pair(at(i), at(i + 1));
    if (j - i > 1) cost += pair(at(j - 1), at(j));
    return cost;
  };
  const swap = (i: number, j: number): void => {
    const held = places[i];
    places[i] = places[j];
    places[j] = held;
  };
  const rises = (): boolean => {
    if (!levels) return true;
    let lowest = Infinity;
    for (let i = n - 1; i >= 0; i--) {
      const own = levels[places[i]];
      if (own < lowest) lowest = own;
      if (own > lowest + 1) return false;
    }
    return true;
  };
  const ready = first ? order.map(first) : undefined;
  for (let round = 0; round < ROUNDS; round++) {
    let helped = false;
    for (let i = 0; i < n - 1; i++) {
      if (slots.has(i)) continue;
      for (let j = i + 1; j < Math.min(n, i + REACH); j++) {
        if (slots.has(j)) continue;
        if (ready && i < firstCount && j >= firstCount && ready[places[i]] && !ready[places[j]]) continue;
        const climb = levels ? ((levels[places[j]] - levels[places[i]]) * (j - i) * RISING) / n : 0;
        const beforeCost = around(i, j);
        swap(i, j);
        if (around(i, j) + climb < beforeCost - 1e-9 && rises()) helped = true;
        else swap(i, j);
      }
    }
    if (!helped) break;
  }
  places.forEach((item, place) => (order[place] = items[item]));
}

const byCost = (a: Cost, b: Cost): number => a.conflicts + a.bound - (b.conflicts + b.bound) || a.chance - b.chance;

function offer(into: Map<number, { state: State; counts: number[] }>, state: State, counts: number[]): void {
  const key = state.key * LOOKS + state.lastIndex;
  const known = into.get(key);
  if (!known || byCost(state, known.state) < 0) into.set(key, { state, counts });
}
/** More looks than there are; keys stay whole numbers. */
const LOOKS = 4096;
