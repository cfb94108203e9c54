'use client';
import { useDeferredValue, useMemo, useState } from 'react';
import * as z from 'zod/mini';
import { type FacetCounts, indexLibrary, search } from '@/core/references/facets';
import { LATER_ID, LIBRARY_ID, type Picture, type PictureSet } from '@/core/references/picture';
import { EVERYTHING, isEverything, type Query, querySchema } from '@/core/references/query';
import { useLibrary } from '@/storage/pictures/library';
import { inSetOrder } from '@/storage/pictures/pictures';
import { drawnByPicture } from '@/core/references/drawnByPicture';
import { listOwnSessions } from '@/storage/sessions/sessions';
import { useKeeping } from '@/storage/hooks/useKeeping';
import { loadSetting } from '@/storage/settings';
import { useStored } from '@/storage/hooks/useStored';

export const TILE_PX = { least: 90, usual: 170, most: 360 };
const leftSchema = z.object({
  view: z._default(z.enum(['grid', 'board']), 'grid'),
  tilePx: z._default(z.number().check(z.minimum(TILE_PX.least), z.maximum(TILE_PX.most)), TILE_PX.usual),
  queries: z._default(z.record(z.string(), querySchema), {}),
});
type Left = z.infer<typeof leftSchema>;

async function loadLeft(): Promise<Left> {
  const text = await loadSetting('libraryPage');
  try {
    return leftSchema.parse(JSON.parse(text ?? '{}'));
  } catch {
    return leftSchema.parse({});
  }
}

export interface LibraryView {
  /** Undefined until storage has answered. */
  all: readonly Picture[] | undefined;
  problem: string | undefined;
  /** What the set, the shelf or the library holds. */
  here: readonly Picture[];
  found: readonly Picture[];
  facets: readonly FacetCounts[];
  query: Query;
  setQuery: (query: Query) => void;
  isAll: boolean;
  timesDrawn: ReadonlyMap<string, number>;
  view: Left['view'];
  tilePx: number;
  setView: (part: Partial<Pick<Left, 'view' | 'tilePx'>>) => void;
}

/** What of the library is shown, and how: the place's own pictures, searched by its query; each place keeps its query. */
export function useLibraryView(placeId: string, set: PictureSet | undefined): LibraryView {
  const { pictures, problem } = useLibrary();
  const sessions = useStored(listOwnSessions, ['sessions'], []).value;
  const stored = useStored(loadLeft, [], []).value;
  const [changed, setChanged] = useState<Left>();
  const left = changed ?? stored;
  const [openedMs] = useState(() => Date.now());
  const start = useMemo((): Query => ({ ...EVERYTHING, sort: set ? 'in your order' : 'newest first' }), [set]);
  const query = left?.queries[placeId] ?? start;

  const all = useMemo(() => pictures?.filter((p) => p.binnedAtMs === null), [pictures]);
  const drawn = useMemo(() => drawnByPicture(sessions ?? []), [sessions]);
  const here = useMemo(() => {
    if (!all || placeId === LIBRARY_ID) return all ?? [];
    if (set?.rule)
      return search(
        indexLibrary(all, (id) => drawn.get(id), openedMs),
        set.rule,
      ).found;
    if (placeId === LATER_ID) return all.filter((p) => p.laterAtMs !== null);
    return inSetOrder(
      all.filter((p) => p.setIds.includes(placeId)),
      set?.order,
    );
  }, [all, placeId, set, drawn, openedMs]);
  const index = useMemo(() => indexLibrary(here, (id) => drawn.get(id), openedMs), [here, drawn, openedMs]);
  // Typing and tapping go first; the grid follows as soon as it can.
  const asked = useDeferredValue(query);
  const { found, facets } = useMemo(() => search(index, asked), [index, asked]);
  const timesDrawn = useMemo(() => new Map([...drawn].map(([id, { times }]) => [id, times])), [drawn]);

  const save = useKeeping('libraryPage', () => undefined);
  const keep = (next: Left): void => {
    setChanged(next);
    save(JSON.stringify(next));
  };
  return {
    all: stored && sessions && all,
    problem,
    here,
    found,
    facets,
    query,
    setQuery: (next) => left && keep({ ...left, queries: { ...left.queries, [placeId]: next } }),
    isAll: isEverything(query),
    timesDrawn,
    view: left?.view ?? 'grid',
    tilePx: left?.tilePx ?? TILE_PX.usual,
    setView: (part) => left && keep({ ...left, ...part }),
  };
}
