import type { Picture } from './picture';

/**
 * The pictures of a place that its filters leave out, by name, so that none is missed unseen.
 * @param most So many are named; of the others it is told how many they are.
 */
export function leftOut(
  here: readonly Pick<Picture, 'id' | 'name'>[],
  found: readonly Pick<Picture, 'id'>[],
  most: number,
): { names: string[]; more: number } {
  const kept = new Set(found.map(({ id }) => id));
  const out = here.filter(({ id }) => !kept.has(id)).map(({ name }) => name);
  return { names: out.slice(0, most), more: Math.max(0, out.length - most) };
}
