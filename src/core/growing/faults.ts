import { drawingsOf } from '../journal/drawings';
import type { Page, Session } from '../journal/session';

/** Something that was marked or missed again and again. */
export interface Fault {
  what: string;
  times: number;
  firstMs: number;
  lastMs: number;
}

/** Things that happened on days, by what they are: how often, first and last; most often first. */
function mostOften(all: readonly { what: string; atMs: number }[]): Fault[] {
  const found = new Map<string, Fault>();
  for (const { what, atMs } of all) {
    const before = found.get(what) ?? { what, times: 0, firstMs: atMs, lastMs: atMs };
    found.set(what, {
      what,
      times: before.times + 1,
      firstMs: Math.min(before.firstMs, atMs),
      lastMs: Math.max(before.lastMs, atMs),
    });
  }
  return [...found.values()].sort((a, b) => b.times - a.times || b.lastMs - a.lastMs || a.what.localeCompare(b.what));
}

/**
 * What was marked on pages and what was said to be missing, most often first, with the first and the last day of each.
 * @param pages Of these sessions; a page of none counts on the day it was added.
 */
export function faultsOf(sessions: readonly Session[], pages: readonly Page[]): Fault[] {
  const begun = new Map(sessions.map(({ id, startedAtMs }) => [id, startedAtMs]));
  const marked = pages.flatMap(({ sessionId, addedAtMs, binnedAtMs, fixes = [] }) =>
    binnedAtMs === null ? fixes.map(({ part }) => ({ what: part, atMs: begun.get(sessionId) ?? addedAtMs })) : [],
  );
  const missing = sessions.flatMap((session) =>
    [
      ...(session.reflection?.answers ?? []).flatMap((answers) => answers.missing ?? []),
      ...drawingsOf(session).flatMap(({ visit }) => visit.missing ?? []),
    ].map((what) => ({ what: what.toLowerCase(), atMs: session.startedAtMs })),
  );
  return mostOften([...marked, ...missing]);
}
