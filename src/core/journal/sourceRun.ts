import type { Rights } from '../references/picture';

/** So many copies from one source running, and another is proposed. */
const MANY = 5;

/** Whose work a copy is made from: the one to be named, else where it is from; undefined where it is nobody's in particular, or free to draw. */
export function copiedFrom(rights: Rights | null): string | undefined {
  if (rights?.license !== 'practice-only') return undefined;
  return rights.credit.trim() || rights.source.trim() || undefined;
}

/**
 * The source of the last copies, where five or more running are from one.
 * @param sources What each drawing was copied from, newest last; undefined for what is no copy, which does not break a run.
 */
export function sourceRun(sources: readonly (string | undefined)[]): { source: string; times: number } | undefined {
  const copies = sources.filter((s) => s !== undefined);
  const source = copies.at(-1);
  if (source === undefined) return undefined;
  const before = copies.findLastIndex((s) => s !== source);
  const times = copies.length - 1 - before;
  return times >= MANY ? { source, times } : undefined;
}
