import type { Random } from '../random';

export interface Arrangement<T> {
  /** What neighbors should differ in; undefined differs from everything. */
  look: (item: T) => string | undefined;
  /** Steps that must not fall by more than one from one item to the next; missing for any order. */
  level?: ((item: T) => number) | undefined;
  /** Items fit for the first places. */
  first?: ((item: T) => boolean) | undefined;
  firstCount: number;
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
interface State {
  counts: number[];
  /** Stands for the counts: a sum of a number per item left, exact in integers, equal for equal counts. */
  key: number;
  last: string | undefined;
  conflicts: number;
  /** Equal neighbors that cannot be helped any more, at least. */
  bound: number;
  chance: number;
  path: number[];
}

/** Kept at each place; more than enough for sessions, and checked against all orders in the tests. */
const BEAM = 48;

/**
 * Put items in an order in which as few neighbors as possible look alike and the level, if any, never falls by more than one.
 *
 * Items of one look and level are interchangeable, so a state is how many of each are left and what came last. A beam keeps the states
 * with the least conflicts made and still to come: of a look with n of m places left at least n - (m - n) - 1 touch one of their own.
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
  const weights = list.map(() => Math.floor(random() * 2 ** 40));
  const starts: State = {
    counts: list.map((g) => g.items.length),
    key: list.reduce((sum, g, i) => sum + g.items.length * weights[i], 0),
    last: before && look(before),
    conflicts: 0,
    bound: 0,
    chance: 0,
    path: [],
  };
  let beam = [starts];
  for (let place = 0; place < items.length; place++) {
    const given = slots.get(place);
    const next = new Map<string, State>();
    for (const state of beam) {
      if (given !== undefined) {
        const l = look(given);
        const clash = l !== undefined && l === state.last ? 1 : 0;
        offer(next, { ...state, last: l, conflicts: state.conflicts + clash, path: [...state.path, -1] });
        continue;
      }
      const perLook = new Array<number>(looks.length).fill(0);
      let left = -1;
      let lowest = Infinity;
      state.counts.forEach((n, g) => {
        left += n;
        if (n > 0) lowest = Math.min(lowest, list[g].level);
        if (lookIndex[g] >= 0) perLook[lookIndex[g]] += n;
      });
      for (const [g, group] of list.entries()) {
        if (state.counts[g] === 0 || group.level > lowest + 1) continue;
        let bound = 0;
        for (let l = 0; l < perLook.length; l++) {
          const own = l === lookIndex[g];
          const n = perLook[l] - (own ? 1 : 0);
          // With what came last of this look, every one of the others parts two of them at most.
          bound = Math.max(bound, n - (left - n) - (own ? 0 : 1));
        }
        const clash = group.look !== undefined && group.look === state.last ? 1 : 0;
        // Lower levels first where nothing else decides; the rest is chance, weighed by how many there are.
        const chance = random() + 0.7 * (group.level - lowest) - (0.3 * state.counts[g]) / items.length;
        offer(next, {
          counts: state.counts.with(g, state.counts[g] - 1),
          key: state.key - weights[g],
          last: group.look,
          conflicts: state.conflicts + clash,
          bound,
          chance: state.chance + chance,
          path: [...state.path, g],
        });
      }
    }
    beam = [...next.values()].sort(byCost).slice(0, BEAM);
  }
  const queues = list.map(({ items: own }) => [...own]);
  let last = starts.last;
  return beam[0].path.map((g, place) => {
    const given = slots.get(place);
    const queue = g >= 0 ? queues[g] : [];
    const ready = first && place < firstCount ? queue.findIndex(first) : 0;
    const item = given ?? queue.splice(Math.max(0, ready), 1)[0];
    const own = look(item);
    const conflict = own !== undefined && own === last;
    last = own;
    return { item, conflict };
  });
}

const byCost = (a: State, b: State): number => a.conflicts + a.bound - (b.conflicts + b.bound) || a.chance - b.chance;

function offer(into: Map<string, State>, state: State): void {
  const key = `${String(state.key)}|${state.last ?? ''}`;
  const known = into.get(key);
  if (!known || byCost(state, known) < 0) into.set(key, state);
}
