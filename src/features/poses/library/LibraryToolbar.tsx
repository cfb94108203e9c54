import { LayoutGrid, Rows3, Search, SlidersHorizontal } from 'lucide-react';
import { SORTS, type Sort } from '@/core/references/query';
import { counted } from '@/core/words';
import { type LibraryView, TILE_PX } from './useLibraryView';

/** Words, order and ways of seeing the pictures. */
export function LibraryToolbar({
  view: { found, here, query, setQuery, isAll, view, tilePx, setView },
  ownOrder,
  onSaveRule,
  onFacets,
  facetsShown,
}: {
  view: LibraryView;
  /** The place has an order of its own. */
  ownOrder: boolean;
  onSaveRule: (() => void) | undefined;
  onFacets: () => void;
  facetsShown: boolean;
}) {
  return (
    <div className="mb-3 flex flex-wrap items-center gap-x-3 gap-y-2">
      <button
        type="button"
        className="btn-quiet btn btn-sm max-sm:h-12 lg:hidden"
        aria-expanded={facetsShown}
        onClick={onFacets}
      >
        <SlidersHorizontal size={15} aria-hidden /> Narrow down
      </button>
      <label className="input w-[210px] input-sm max-sm:h-12 max-sm:flex-1">
        <Search size={15} aria-hidden />
        <input
          type="search"
          aria-label="Words in name, theme or credit"
          placeholder="Name, theme, credit"
          value={query.text}
          maxLength={200}
          onChange={(event) => setQuery({ ...query, text: event.target.value })}
        />
      </label>
      <label className="flex items-center gap-2 text-[14px]">
        <span className="sr-only">Sort</span>
        <select
          className="select w-[180px] select-sm max-sm:h-12"
          value={query.sort}
          onChange={(event) => setQuery({ ...query, sort: event.target.value as Sort })}
        >
          {SORTS.filter((sort) => ownOrder || sort !== 'in your order').map((sort) => (
            <option key={sort}>{sort}</option>
          ))}
        </select>
      </label>
      <div className="join" role="group" aria-label="Show as">
        {(
          [
            ['grid', 'Grid', LayoutGrid],
            ['board', 'Board at one height', Rows3],
          ] as const
        ).map(([value, words, Icon]) => (
          <button
            key={value}
            type="button"
            aria-pressed={view === value}
            aria-label={words}
            title={words}
            className={`btn-quiet btn join-item btn-sm max-sm:h-12 ${view === value ? 'border-ink bg-base-300' : ''}`}
            onClick={() => setView({ view: value })}
          >
            <Icon size={15} aria-hidden />
          </button>
        ))}
      </div>
      {view === 'board' && (
        <input
          type="range"
          className="range w-[120px]"
          aria-label="Height of the pictures"
          min={TILE_PX.least}
          max={TILE_PX.most}
          step={10}
          value={tilePx}
          onChange={(event) => setView({ tilePx: Number(event.target.value) })}
        />
      )}
      <p className="ml-auto text-[14px] text-quiet" aria-live="polite">
        {isAll ? counted(found.length, 'picture') : `${String(found.length)} of ${counted(here.length, 'picture')}`}
      </p>
      {!isAll && (
        <>
          {onSaveRule && (
            <button type="button" className="btn-quiet btn btn-sm" onClick={onSaveRule}>
              Keep as a set
            </button>
          )}
          <button
            type="button"
            className="btn-quiet btn btn-sm"
            onClick={() => setQuery({ ...query, text: '', wanted: {} })}
          >
            Show all
          </button>
        </>
      )}
    </div>
  );
}
