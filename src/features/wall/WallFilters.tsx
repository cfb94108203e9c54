'use client';
import { memo, useMemo, useState } from 'react';
import { monthAndYear } from '@/core/dateWords';
import { countWall, type WallIndex, type WallQuery } from '@/core/growing/wall';
import { FACET_NAMES, type WallFacet, WALL_FACETS } from '@/core/growing/wallFacets';

const valueWords = (facet: WallFacet, value: string): string =>
  facet === 'month' ? monthAndYear(new Date(`${value}-15`)) : value;

/** A list is no longer than this: of more, those there are most of. */
const MOST_OPTIONS = 200;

function offered(
  values: readonly string[],
  counts: ReadonlyMap<string, number>,
  asked: string | undefined,
): readonly string[] {
  if (values.length <= MOST_OPTIONS) return values;
  const most = values.toSorted((a, b) => (counts.get(b) ?? 0) - (counts.get(a) ?? 0)).slice(0, MOST_OPTIONS);
  const kept = new Set(asked === undefined ? most : [...most, asked]);
  return values.filter((value) => kept.has(value));
}

/** What the wall is narrowed by. How many there are of each is said in the list one is about to open: the others need not be written anew. */
export function WallFilters({
  index,
  query,
  onSet,
}: {
  index: WallIndex;
  query: WallQuery;
  onSet: (facet: WallFacet, value: string) => void;
}) {
  const [opening, setOpening] = useState<WallFacet>();
  const all = useMemo(() => countWall(index, {}), [index]);
  const counts = useMemo(() => opening && countWall(index, query)[opening], [index, query, opening]);
  return (
    <div className="no-print row-sideways mt-3 flex gap-3 sm:flex-wrap" role="group" aria-label="What hangs here">
      {WALL_FACETS.filter((facet) => index.values[facet].length > 0).map((facet) => (
        <label key={facet} className="flex shrink-0 flex-col text-[13px] text-quiet">
          {FACET_NAMES[facet]}
          <select
            // Its width is not asked of all that could stand in it.
            className="select [field-sizing:content] w-[158px] text-[15px] text-ink select-sm max-sm:h-12"
            value={query[facet] ?? ''}
            onPointerDown={() => setOpening(facet)}
            onFocus={() => setOpening(facet)}
            onBlur={() => setOpening(undefined)}
            onChange={(event) => onSet(facet, event.target.value)}
          >
            <option value="">any</option>
            <Options
              facet={facet}
              values={index.values[facet]}
              all={all[facet]}
              counts={opening === facet ? counts : undefined}
              asked={query[facet]}
            />
          </select>
        </label>
      ))}
    </div>
  );
}

/** The values of one facet. */
const Options = memo(function Options({
  facet,
  values,
  all,
  counts,
  asked,
}: {
  facet: WallFacet;
  values: readonly string[];
  /** How many there are of each on the whole wall. */
  all: ReadonlyMap<string, number>;
  /** How many there are of each beside what else is asked for; missing while nobody looks. */
  counts: ReadonlyMap<string, number> | undefined;
  asked: string | undefined;
}) {
  return offered(values, all, asked).map((value) => (
    <option key={value} value={value}>
      {counts ? `${valueWords(facet, value)} (${String(counts.get(value) ?? 0)})` : valueWords(facet, value)}
    </option>
  ));
});
