/** Things that are joined two by two, and the groups that come of it. */
export interface DisjointSets {
  join: (a: number, b: number) => void;
  /** Groups of one or more, each in ascending order, by their first members. */
  groups: () => number[][];
}

/**
 * Things 0 to count - 1, each in a group of its own to begin with.
 * Source: R. Tarjan, "Efficiency of a good but not linear set union algorithm", 1975 (paths halved).
 */
export function disjointSets(count: number): DisjointSets {
  const parent = Int32Array.from({ length: count }, (_, i) => i);
  const root = (i: number): number => {
    while (parent[i] !== i) i = parent[i] = parent[parent[i]];
    return i;
  };
  return {
    join: (a, b) => {
      parent[root(b)] = root(a);
    },
    groups: () => {
      const out = new Map<number, number[]>();
      for (let i = 0; i < count; i++) {
        const group = out.get(root(i));
        if (group) group.push(i);
        else out.set(root(i), [i]);
      }
      return [...out.values()];
    },
  };
}
