/** A repeatable stream of numbers in [0, 1): mulberry32 (Tommy Ettinger, public domain). */
export type Random = () => number;

/** Numbers from 0 up to, but not, 1: the same seed gives the same ones (mulberry32). */
export function seededRandom(seed: number): Random {
  let state = seed | 0;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

/** A number around 0, normally spread with standard deviation 1. Source: G. Box and M. Muller, 1958. */
export const gaussian = (random: Random): number =>
  Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
