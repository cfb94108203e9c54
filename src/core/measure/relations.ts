import type { DrawnKey } from '../figure/facts/answerKey';
import { SURE } from './compare';
import { heightOf, isPlace, type PlaceName, type Places } from './places';

/** Two places that stand above each other, or beside each other, in a reference, and how they stand in a drawing. */
export interface Relation {
  a: PlaceName;
  b: PlaceName;
  kind: 'plumb' | 'level';
  /** How far `a` is off `b` in the drawing beyond what it is in the reference: to the right, or lower; share of the figure's height. */
  off: number;
  /** Standard deviation. */
  sigma: number;
  /** Larger than its own error. */
  told: boolean;
}

/**
 * What lines up in a reference, and whether it does in a drawing of it.
 * @param most So many at most, those whose places are farthest apart.
 */
export function relationsOf({ alignments }: DrawnKey, seen: Places, drawn: Places, most: number): Relation[] {
  const [there, here] = [heightOf(seen), heightOf(drawn)];
  if (there === 0 || here === 0) return [];
  return alignments
    .flatMap(({ a, b, kind }): Relation[] => {
      if (!isPlace(a) || !isPlace(b)) return [];
      const [sa, sb, da, db] = [seen.get(a), seen.get(b), drawn.get(a), drawn.get(b)];
      if (!sa || !sb || !da || !db) return [];
      const k = kind === 'plumb' ? 0 : 1;
      const off = (da.at[k] - db.at[k]) / here - (sa.at[k] - sb.at[k]) / there;
      const sigma = Math.hypot(da.sigma / here, db.sigma / here, sa.sigma / there, sb.sigma / there);
      return [{ a, b, kind, off, sigma, told: Math.abs(off) > SURE * sigma }];
    })
    .slice(0, most);
}

/** A relation as a sentence. */
export function relationSentence({ a, b, kind, off, told }: Relation): string {
  const holds = kind === 'plumb' ? `The ${a} stands plumb with the ${b}` : `The ${a} is level with the ${b}`;
  if (!told) return `${holds}, in the drawing too.`;
  const way = kind === 'plumb' ? (off > 0 ? 'to the right' : 'to the left') : off > 0 ? 'too low' : 'too high';
  return `${holds}; in the drawing it is ${(Math.abs(off) * 100).toFixed(1)} % of the figure’s height ${way}.`;
}
