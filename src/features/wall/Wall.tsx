'use client';
import { picturesOf } from '@/core/practice/plan/planPoses';
import { replayOf } from '@/core/journal/replay';
import { sum } from 'd3-array';
import { Link } from '@/ui/Link';
import { useMemo, useState } from 'react';
import { indexWall, searchWall, type WallItem, wallItems, type WallQuery } from '@/core/growing/wall';
import { type WallFacet, WALL_FACETS } from '@/core/growing/wallFacets';
import { lookedAt } from '@/core/journal/whose';
import { clockDigits } from '@/core/practice/time/duration';
import { counted } from '@/core/words';
import { factsOf } from '@/storage/references/choices';
import { seedOnFirstVisit } from '@/storage/seed';
import { demoPagesOnce } from '@/storage/demoPages';
import { allKeptDrawings } from '@/storage/sessions/keptDrawings';
import { allPages } from '@/storage/sessions/pages';
import { listSessions } from '@/storage/sessions/sessions';
import { useStored } from '@/storage/hooks/useStored';
import { Notice } from '@/ui/Notice';
import { WallDrawing } from './WallDrawing';
import { WallFilters } from './WallFilters';
import { WallGrid } from './WallGrid';

interface Hung {
  of: string | undefined;
  items: WallItem[];
}
async function load(): Promise<Hung> {
  await seedOnFirstVisit(Date.now());
  const { sessions, of } = lookedAt((await listSessions()).filter(({ status }) => status === 'kept'));
  if (of) demoPagesOnce();
  const references = [...new Set(sessions.flatMap((session) => picturesOf(replayOf(session).plan)))];
  const [pages, kept, facts] = await Promise.all([allPages(), allKeptDrawings(), factsOf(references)]);
  const known = new Map(facts.map((one) => [one.id, one]));
  return { of, items: wallItems(sessions, pages, kept, (id) => known.get(id)) };
}

/** How the wall was left: in the address, so that it outlives a reload and can be kept as a bookmark. */
function readAddress(): { query: WallQuery; oldestFirst: boolean } {
  const params = new URLSearchParams(typeof window === 'undefined' ? '' : window.location.search);
  const query: WallQuery = {};
  for (const facet of WALL_FACETS) {
    const value = params.get(facet);
    if (value !== null) query[facet] = value;
  }
  return { query, oldestFirst: params.get('order') === 'oldest' };
}
function writeAddress(query: WallQuery, oldestFirst: boolean): void {
  const params = new URLSearchParams(Object.entries(query));
  if (oldestFirst) params.set('order', 'oldest');
  const address = params.size > 0 ? `?${params.toString()}` : window.location.pathname;
  // The browser's own: told of it, the router looks at all of the page, and calls back who has just gone elsewhere.
  History.prototype.replaceState.call(window.history, window.history.state, '', address);
}

/** All drawings side by side, found by what is known of them. */
export function Wall() {
  const hung = useStored(load, ['sessions', 'pages', 'drawings', 'pictures'], []);
  if (hung.problem) return <Notice>{hung.problem}</Notice>;
  if (!hung.value) return <div className="h-60" aria-busy />;
  if (hung.value.items.length === 0)
    return (
      <>
        <h1 className="text-[30px]">An empty wall</h1>
        <p className="mt-2">
          Every drawing of every session hangs here, as soon as there is one.{' '}
          <Link className="link-quiet" href="/">
            Begin on Today
          </Link>
        </p>
      </>
    );
  return <Hanging {...hung.value} />;
}

function Hanging({ of, items }: Hung) {
  const [{ query, oldestFirst }, setLeft] = useState(readAddress);
  const [open, setOpen] = useState<WallItem>();
  const index = useMemo(() => indexWall(items), [items]);
  const found = useMemo(() => searchWall(index, query), [index, query]);
  const shown = useMemo(() => (oldestFirst ? found.toReversed() : found), [found, oldestFirst]);
  const change = (next: WallQuery, oldest = oldestFirst): void => {
    setLeft({ query: next, oldestFirst: oldest });
    writeAddress(next, oldest);
  };
  const set = (facet: WallFacet, value: string): void => {
    const others = Object.fromEntries(Object.entries(query).filter(([name]) => name !== facet));
    change(value === '' ? others : { ...others, [facet]: value });
  };
  const asked = Object.keys(query).length > 0;
  return (
    <>
      <h1 className="text-[30px]">{of ? `All that ${of} has drawn, on a wall` : 'All you have drawn, on a wall'}</h1>
      <WallFilters index={index} query={query} onSet={set} />
      <div className="mt-3 flex flex-wrap items-center gap-x-5 gap-y-2">
        <p role="status">
          {counted(shown.length, 'drawing')}
          {asked && ` of ${String(items.length)}`} in {clockDigits(sum(shown, (item) => item.spentMs))} of drawing
          {oldestFirst ? ', oldest first' : ', newest first'}.{' '}
          <span className="text-quiet">Where only the model is seen, the drawing is on paper only.</span>
        </p>
        <button
          type="button"
          className="no-print btn-quiet btn btn-sm max-sm:h-12"
          onClick={() => change(query, !oldestFirst)}
        >
          {oldestFirst ? 'Newest first' : 'Line them up from the oldest'}
        </button>
        {asked && (
          <button type="button" className="no-print btn-quiet btn btn-sm max-sm:h-12" onClick={() => change({})}>
            Show all
          </button>
        )}
      </div>
      {shown.length === 0 ? (
        <p className="mt-4">Nothing hangs here with all of that. Take one of the filters off.</p>
      ) : (
        <WallGrid items={shown} onOpen={setOpen} />
      )}
      {open && <WallDrawing item={open} onClose={() => setOpen(undefined)} />}
    </>
  );
}
