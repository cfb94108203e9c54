import type { Page } from './session';

/** Parts of a figure that a mark on a page can be about. */
export const FIX_PARTS = [
  'head',
  'neck and shoulders',
  'trunk',
  'hips',
  'arm',
  'hand',
  'leg',
  'foot',
  'place on the sheet',
  'line',
  'tone',
] as const;

/** At most so many marks on one page: what matters, not everything. */
export const MOST_FIXES = 3;

/** How often each part was marked on pages added since a moment, most often first. */
export function countFixes(pages: readonly Page[], sinceMs: number): [part: string, count: number][] {
  const counts = new Map<string, number>();
  for (const { addedAtMs, fixes = [] } of pages)
    if (addedAtMs >= sinceMs) for (const { part } of fixes) counts.set(part, (counts.get(part) ?? 0) + 1);
  return [...counts].sort((a, b) => b[1] - a[1] || a[0].localeCompare(b[0]));
}
