import { disjointSets } from '../disjointSets';

/**
 * Perceptual hash of a picture by its low frequencies (C. Zauner, "Implementation and Benchmarking of Perceptual Image Hash Functions",
 * 2010, section 3.2.1): the signs of 64 DCT coefficients against their median. Scaling, recompression and small retouching change few bits.
 */
export const LIKENESS_PX = 32;
const LOW = 8;

/** cosines[k * LIKENESS_PX + n]: the DCT-II basis. The constant term is left out, so k begins at 1. */
const cosines = Float64Array.from({ length: LOW * LIKENESS_PX }, (_, i) =>
  Math.cos((Math.PI * (Math.floor(i / LIKENESS_PX) + 1) * ((i % LIKENESS_PX) + 0.5)) / LIKENESS_PX),
);

/**
 * @param gray LIKENESS_PX squared lightness values, row by row.
 * @returns 64 bits in hexadecimal.
 */
export function likenessHash(gray: ArrayLike<number>): string {
  const rows = new Float64Array(LIKENESS_PX * LOW);
  for (let y = 0; y < LIKENESS_PX; y++)
    for (let k = 0; k < LOW; k++) {
      let sum = 0;
      for (let x = 0; x < LIKENESS_PX; x++) sum += gray[y * LIKENESS_PX + x] * cosines[k * LIKENESS_PX + x];
      rows[y * LOW + k] = sum;
    }
  const low = new Float64Array(LOW * LOW);
  for (let k = 0; k < LOW; k++)
    for (let j = 0; j < LOW; j++) {
      let sum = 0;
      for (let y = 0; y < LIKENESS_PX; y++) sum += rows[y * LOW + k] * cosines[j * LIKENESS_PX + y];
      low[j * LOW + k] = sum;
    }
  const median = [...low].sort((a, b) => a - b)[(LOW * LOW) / 2];
  let hex = '';
  for (let i = 0; i < LOW * LOW; i += 4) {
    let nibble = 0;
    for (let b = 0; b < 4; b++) nibble = nibble * 2 + (low[i + b] >= median ? 1 : 0);
    hex += nibble.toString(16);
  }
  return hex;
}

function bitCount(v: number): number {
  let n = v - ((v >>> 1) & 0x55555555);
  n = (n & 0x33333333) + ((n >>> 2) & 0x33333333);
  return Math.imul((n + (n >>> 4)) & 0x0f0f0f0f, 0x01010101) >>> 24;
}

/** Bits that differ at most between pictures that look alike; unrelated ones differ in about 32. */
const ALIKE_BITS = 7;

interface Hashed {
  id: string;
  /** Null where a picture has no structure to tell it by. */
  likeness: string | null;
}

/**
 * Pictures that look alike, in groups of two and more in the order given: each is alike to at least one other of its group.
 * @param apart Whether two are wanted beside each other, though alike.
 */
export function alikeGroups<T extends Hashed>(pictures: readonly T[], apart: (a: T, b: T) => boolean): T[][] {
  const hashed = pictures.filter((p) => p.likeness !== null);
  const high = Int32Array.from(hashed, (p) => Number.parseInt((p.likeness as string).slice(0, 8), 16) | 0);
  const low = Int32Array.from(hashed, (p) => Number.parseInt((p.likeness as string).slice(8), 16) | 0);
  const sets = disjointSets(hashed.length);
  for (let i = 0; i < hashed.length; i++)
    for (let j = i + 1; j < hashed.length; j++) {
      if (bitCount(high[i] ^ high[j]) + bitCount(low[i] ^ low[j]) > ALIKE_BITS) continue;
      if (!apart(hashed[i], hashed[j])) sets.join(i, j);
    }
  return sets
    .groups()
    .filter((group) => group.length > 1)
    .map((group) => group.map((i) => hashed[i]));
}
