import { mediaOf } from '../practice/rules/poseExercise';
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
  /** What its exercise looks for. */
  lookAt: readonly string[];
  spentMs: number;
  /** Its session is not judged until then. */
  shutUntilMs: number;
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
      const { id: sessionId, startedAtMs: atMs, usualHand } = session;
      const { plan, timeline } = replayOf(session);
      const { segments } = timeline;
      const month = monthOf(atMs);
      return posesDrawn(session)
        .map(({ drawing, exercise, spentMs, referenceId, segmentIndex }): WallItem => {
          const id = keptDrawingId(sessionId, drawing);
          const own = said.get(id);
          const seen = seenOnPages(pagesOf.get(sessionId) ?? [], drawing);
          const facts = referenceId === null ? undefined : factsOf(referenceId);
          return {
            id,
            sessionId,
            drawing,
            atMs,
            exercise: exercise.name,
            lookAt: exercise.lookAt,
            spentMs,
            shutUntilMs: session.reflection?.noJudgingUntilMs ?? 0,
            referenceId,
            seen,
            facets: facetWords({
              exercise: exercise.name,
              media: mediaOf(plan, segments[segmentIndex]),
              reference: facts?.name,
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

/** The wall laid out once, so that it is searched quickly: for each facet its values in order, and which of them each drawing has. */
export interface WallIndex {
  items: readonly WallItem[];
  values: Readonly<Record<WallFacet, readonly string[]>>;
  /** For each facet and drawing: places of its values among all of them. */
  has: Readonly<Record<WallFacet, readonly (readonly number[])[]>>;
}

const perFacet = <T>(of: (facet: WallFacet) => T): Record<WallFacet, T> =>
  Object.fromEntries(WALL_FACETS.map((facet) => [facet, of(facet)])) as Record<WallFacet, T>;
const { compare } = new Intl.Collator('en');
const NONE: readonly number[] = [];

export function indexWall(items: readonly WallItem[]): WallIndex {
  const values = {} as Record<WallFacet, string[]>;
  const has = {} as Record<WallFacet, (readonly number[])[]>;
  for (const facet of WALL_FACETS) {
    const sorted = [...new Set(items.flatMap(({ facets }) => facets[facet]))].sort(
      facet === 'month' ? (a, b) => compare(b, a) : compare,
    );
    const places = new Map(sorted.map((value, place) => [value, place]));
    // Most drawings have one value: one list of it serves them all.
    const alone = sorted.map((_, place): readonly number[] => [place]);
    values[facet] = sorted;
    has[facet] = items.map(({ facets }) => {
      const own = facets[facet].map((value) => places.get(value) ?? 0);
      return own.length === 0 ? NONE : own.length === 1 ? alone[own[0]] : own;
    });
  }
  return { items, values, has };
}

/** What is asked for: whether a drawing, by its place, has it. */
const askedOf = ({ values, has }: WallIndex, query: WallQuery): { facet: WallFacet; met: (i: number) => boolean }[] =>
  WALL_FACETS.flatMap((facet) => {
    const value = query[facet];
    if (value === undefined) return [];
    const place = values[facet].indexOf(value);
    return [{ facet, met: (i: number) => has[facet][i].includes(place) }];
  });

/** What hangs on the wall for a query, in its order. */
export function searchWall(index: WallIndex, query: WallQuery): WallItem[] {
  const asked = askedOf(index, query);
  return index.items.filter((_, i) => asked.every(({ met }) => met(i)));
}

/** How many there would be for each value of each facet beside what else is asked for. */
export function countWall(index: WallIndex, query: WallQuery): Record<WallFacet, ReadonlyMap<string, number>> {
  const { items, values, has } = index;
  const asked = askedOf(index, query);
  const counts = perFacet((facet) => values[facet].map(() => 0));
  for (let i = 0; i < items.length; i++) {
    const missed = asked.filter(({ met }) => !met(i));
    if (missed.length > 1) continue;
    // What misses one thing that is asked for counts where that is chosen.
    const facets = missed.length === 0 ? WALL_FACETS : [missed[0].facet];
    for (const facet of facets) for (const place of has[facet][i]) counts[facet][place]++;
  }
  return perFacet((facet) => new Map(values[facet].map((value, place) => [value, counts[facet][place]])));
}
