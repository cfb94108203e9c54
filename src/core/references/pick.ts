import type { Random } from '../random';
import type { ReferenceFacts } from './coverage';

export interface PickOptions {
  count: number;
  /** How often each reference was drawn before; missing is never. */
  timesDrawn: ReadonlyMap<string, number>;
  /** A side to offer more of. */
  favorFacing?: 'left' | 'right' | undefined;
  /** Begin with difficulty 2 or less. */
  gentleStart: boolean;
}

const GENTLEST = 1.5;
const HARDEST = 4;
/** Weights of what a pick is judged by; the least sum wins. */
const COST = { drawnBefore: 0.4, wrongSide: 1.2, sameAsLast: 1.5, difficulty: 0.8, chance: 0.6, notReady: 3 };
/** The first so many should not have to be waited for. */
const READY_FIRST = 3;

/**
 * Choose references for poses in order, gentle to hard. None returns before all were used; neighbors differ in view or facing while
 * the choice allows it; what was drawn seldom comes first.
 * @returns ids, `count` of them; empty when there are no references.
 */
export function pickReferences(references: readonly ReferenceFacts[], options: PickOptions, random: Random): string[] {
  const { count, timesDrawn, favorFacing, gentleStart } = options;
  if (references.length === 0) return [];
  const picked: ReferenceFacts[] = [];
  let left: ReferenceFacts[] = [];
  for (let i = 0; i < count; i++) {
    if (left.length === 0) left = [...references];
    const last = picked.at(-1);
    const wanted = GENTLEST + ((HARDEST - GENTLEST) * i) / Math.max(1, count - 1);
    const eligible = gentleStart && i === 0 ? left.filter((r) => (r.difficulty ?? 3) <= 2) : left;
    const cost = (r: ReferenceFacts): number =>
      COST.drawnBefore * Math.min(5, timesDrawn.get(r.id) ?? 0) +
      COST.difficulty * Math.abs((r.difficulty ?? 3) - wanted) +
      (favorFacing && (r.facing === 'left' || r.facing === 'right') && r.facing !== favorFacing ? COST.wrongSide : 0) +
      (last?.viewName !== undefined && r.viewName === last.viewName && r.facing === last.facing ? COST.sameAsLast : 0) +
      (i < READY_FIRST && r.ready === false ? COST.notReady : 0) +
      COST.chance * random();
    const ranked = (eligible.length > 0 ? eligible : left).map((r) => ({ r, c: cost(r) })).sort((a, b) => a.c - b.c);
    const best = ranked[0].r;
    picked.push(best);
    left = left.filter((r) => r !== best);
  }
  return picked.map((r) => r.id);
}
