import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { disjointSets } from '@/core/disjointSets';

describe('things joined two by two', () => {
  it('are alone to begin with', () => {
    expect(disjointSets(3).groups()).toEqual([[0], [1], [2]]);
    expect(disjointSets(0).groups()).toEqual([]);
  });
  it('come in groups by their first members, whichever way round they were joined', () => {
    const sets = disjointSets(6);
    for (const [a, b] of [
      [5, 1],
      [3, 4],
      [4, 1],
    ])
      sets.join(a, b);
    expect(sets.groups()).toEqual([[0], [1, 3, 4, 5], [2]]);
  });
  it('are together exactly where a chain of joins leads from one to the other', () => {
    const pairs = fc.array(fc.tuple(fc.nat(11), fc.nat(11)), { maxLength: 20 });
    fc.assert(
      fc.property(pairs, (joins) => {
        const sets = disjointSets(12);
        joins.forEach(([a, b]) => sets.join(a, b));
        const reached = (from: number): number[] => {
          const found = new Set([from]);
          for (const i of found)
            for (const [a, b] of joins) {
              if (a === i) found.add(b);
              if (b === i) found.add(a);
            }
          return [...found].sort((a, b) => a - b);
        };
        for (const group of sets.groups()) expect(group).toEqual(reached(group[0]));
      }),
    );
  });
});
