import { seededRandom } from '../../random';

/** Ways to hold the tool, from the sweep to the detail. */
export const GRIPS = [
  'under the palm, from the shoulder',
  'far back, loosely',
  'as for writing, near the tip',
  'between two fingers, on its side',
] as const;
export type Grip = (typeof GRIPS)[number];

/** The grip to try at the n-th page: none comes again until all were used, in another order each round. */
export function gripFor(seed: number, n: number, grips: readonly Grip[] = GRIPS): Grip {
  const round = Math.floor(n / grips.length);
  const random = seededRandom(seed + round);
  const order = [...grips];
  for (let i = order.length - 1; i > 0; i--) {
    const j = Math.floor(random() * (i + 1));
    [order[i], order[j]] = [order[j], order[i]];
  }
  return order[n % grips.length];
}
