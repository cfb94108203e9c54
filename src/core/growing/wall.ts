import { group } from 'd3-array';
import { handOf, monthOf } from './pieces';
import { posesDrawn } from '../journal/drawings';
import { type KeptDrawing, keptDrawingId } from '../journal/keptDrawing';
import { type SeenDrawing, seenOnPages } from '../journal/onPages';
import { replayOf } from '../journal/replay';
import type { Page, Session } from '../journal/session';
import { facetWords, type WallFacet, WALL_FACETS } from './wallFacets';
import type { ReferenceFacts } from '../references/coverage';

/** A drawing as it hangs on the wall. */
export interface WallItem {
  /** Of the session and of the drawing in it: see `keptDrawingId`. */
  id: string;
  sessionId: string;
  /** Its key among the session's drawings. */
  drawing: string;
  atMs: number;
  exercise: string;
  spentMs: number;
  referenceId: string | null;
  /** Where it is to be seen; missing while it is on no page. */
  seen: SeenDrawing | undefined;
  /** What it can be found by. */
  facets: Readonly<Record<WallFacet, readonly string[]>>;
}

/** What a drawing's state is called, of what was said of it. */
function statesOf(kept: KeptDrawing | undefined, seen: SeenDrawing | undefined): string[] {
  return [
    seen ? 'on a sheet here' : 'not photographed',
    ...(kept?.finished ? ['finished'] : []),
    ...(kept?.surprised ? ['it surprised me'] : []),
    ...(kept?.thrownAway ? ['thrown away'] : []),
    ...(kept?.madeFrom ? ['made from another'] : []),
    ...(kept?.measured ? ['measured'] : []),
  ];
}

/**
 * All drawings of some sessions, newest first.
 * @param factsOf What is known of a reference.
 */
export function wallItems(
  sessions: readonly Session[],
  pages: readonly Page[],
  kept: readonly KeptDrawing[],
  factsOf: (referenceId: string) => ReferenceFacts | undefined,
): WallItem[] {
  const pagesOf = group(pages, ({ sessionId }) => sessionId);
  const said = new Map(kept.map((one) => [one.id, one]));
  return sessions
    .toSorted((a, b) => b.startedAtMs - a.startedAtMs)
    .flatMap((session): WallItem[] => {
      const { id: sessionId, plan, startedAtMs: atMs, usualHand } = session;
      const { segments } = replayOf(session).timeline;
      const month = monthOf(atMs);
      return posesDrawn(session)
        .map(({ drawing, exercise, spentMs, referenceId, segmentIndex }): WallItem => {
          const id = keptDrawingId(sessionId, drawing);
          const own = said.get(id);
          const seen = seenOnPages(pagesOf.get(sessionId) ?? [], drawing);
          const block = plan.blocks[segments[segmentIndex].blockIndex];
          const facts = referenceId === null ? undefined : factsOf(referenceId);
          return {
            id,
            sessionId,
            drawing,
            atMs,
            exercise: exercise.name,
            spentMs,
            referenceId,
            seen,
            facets: facetWords({
              exercise: exercise.name,
              medium: block.kind === 'poses' ? block.settings?.medium : undefined,
              family: facts?.family,
              view: facts?.viewName,
              hand: handOf(usualHand, exercise.rule.hand === 'other'),
              month,
              states: statesOf(own, seen),
              influence: own?.influence,
              usedFor: own?.usedFor,
            }),
          };
        })
        .reverse();
    });
}

/** What is looked for: one value of some facets. */
export type WallQuery = Partial<Record<WallFacet, string>>;

/** The wall laid out once, so that it is searched quickly: for each facet the drawings of each of its values. */
export interface WallIndex {
  items: readonly WallItem[];
  values: Readonly<Record<WallFacet, readonly string[]>>;
  /** For each facet and drawing: which of the values it has, as bits of so many words. */
  has: Readonly<Record<WallFacet, readonly Uint8Array[]>>;
}

export function indexWall(items: readonly WallItem[]): WallIndex {
  const values = {} as Record<WallFacet, string[]>;
  const has = {} as Record<WallFacet, Uint8Array[]>;
  for (const facet of WALL_FACETS) {
    const known = new Map<string, Uint8Array>();
    items.forEach(({ facets }, i) => {
      for (const value of facets[facet]) {
        const row = known.get(value) ?? new Uint8Array(items.length);
        row[i] = 1;
        known.set(value, row);
      }
    });
    const sorted = [...known.keys()].sort((a, b) => (facet === 'month' ? b.localeCompare(a) : a.localeCompare(b)));
    values[facet] = sorted;
    has[facet] = sorted.map((value) => known.get(value) ?? new Uint8Array(items.length));
  }
  return { items, values, has };
}

/** What is asked for, as the drawings that have it. */
const rowsOf = ({ values, has }: WallIndex, query: WallQuery): { facet: WallFacet; row?: Uint8Array }[] =>
  WALL_FACETS.flatMap((facet) => {
    const value = query[facet];
    return value === undefined ? [] : [{ facet, row: has[facet][values[facet].indexOf(value)] }];
  });

/** What hangs on the wall for a query, in its order. */
export function searchWall(index: WallIndex, query: WallQuery): WallItem[] {
  const asked = rowsOf(index, query);
  return index.items.filter((_, i) => asked.every(({ row }) => row?.[i] === 1));
}

/** How many there would be for each value of each facet beside what else is asked for. */
export function countWall(index: WallIndex, query: WallQuery): Record<WallFacet, ReadonlyMap<string, number>> {
  const { items, values, has } = index;
  const asked = rowsOf(index, query);
  // How many of what is asked for a drawing misses, and which if it is one.
  const misses = new Uint8Array(items.length);
  const only = new Int8Array(items.length).fill(-1);
  asked.forEach(({ row }, k) => {
    for (let i = 0; i < items.length; i++)
      if (!row?.[i]) {
        misses[i]++;
        only[i] = k;
      }
  });
  const counts = {} as Record<WallFacet, Map<string, number>>;
  for (const facet of WALL_FACETS) {
    const own = asked.findIndex((one) => one.facet === facet);
    counts[facet] = new Map(
      values[facet].map((value, v) => {
        const row = has[facet][v];
        let count = 0;
        for (let i = 0; i < items.length; i++)
          if (row[i] && (misses[i] === 0 || (misses[i] === 1 && only[i] === own))) count++;
        return [value, count];
      }),
    );
  }
  return counts;
}
