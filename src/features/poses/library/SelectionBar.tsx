'use client';
import { Clock, Pin, Tag, Trash2, X } from 'lucide-react';
import { useRef, useState } from 'react';
import { LICENSES, type Picture, type PictureSet } from '@/core/references/picture';
import { counted } from '@/core/words';
import { useBottomBar } from '@/ui/useBottomBar';
import { FactField, TAGGED } from './FactFields';
import { Menu } from './Menu';
import { LICENSE_WORDS } from './rightsWords';
import type { LibraryActions } from './useLibraryActions';

/** What can be done with the pictures chosen, at the foot of the page while any are. */
export function SelectionBar({
  pictures,
  sets,
  set,
  actions,
  onMove,
  onAll,
  onClear,
  onDraw,
}: {
  pictures: readonly Picture[];
  sets: readonly PictureSet[];
  /** The set shown, if it is one made by hand. */
  set: PictureSet | undefined;
  actions: LibraryActions;
  /** Move the one picture chosen by a place in the learner's own order; missing where there is no such order. */
  onMove: ((by: -1 | 1) => void) | undefined;
  onAll: () => void;
  onClear: () => void;
  onDraw: () => void;
}) {
  const bar = useRef<HTMLDivElement>(null);
  useBottomBar(bar);
  const [theme, setTheme] = useState('');
  const ids = pictures.map((p) => p.id);
  const allLater = pictures.every((p) => p.laterAtMs !== null);
  const allPinned = set?.pins !== undefined && ids.every((id) => set.pins?.includes(id));
  return (
    <div
      ref={bar}
      role="toolbar"
      aria-label="Pictures chosen"
      className="sticky bottom-0 z-20 mt-4 flex flex-wrap items-center gap-2 border border-ink bg-ground px-3 py-2"
    >
      <span className="mr-1 font-semibold" role="status">
        {counted(pictures.length, 'picture')} chosen
      </span>
      <button type="button" className="btn btn-sm max-sm:h-12" onClick={onDraw}>
        Draw these
      </button>
      <Menu
        up
        label={
          <>
            <Tag size={15} aria-hidden /> Say what they show
          </>
        }
      >
        {TAGGED.map((name) => (
          <FactField
            key={name}
            name={name}
            value={sameCorrection(pictures, name) ?? ''}
            empty="as found"
            onChange={(value) => actions.correct(ids, name, value)}
          />
        ))}
      </Menu>
      <Menu up label="Theme">
        <form
          onSubmit={(event) => {
            event.preventDefault();
            if (theme.trim()) actions.addTheme(ids, theme.trim());
            setTheme('');
          }}
        >
          <label className="block">
            <span className="block font-semibold">Add a theme</span>
            <input
              className="input mt-1 w-full input-sm"
              value={theme}
              maxLength={60}
              placeholder="lanterns, market, …"
              onChange={(event) => setTheme(event.target.value)}
            />
          </label>
          <button type="submit" className="btn mt-2 btn-sm" disabled={!theme.trim()}>
            Add
          </button>
          <ul className="mt-2 flex flex-wrap gap-1">
            {[...new Set(pictures.flatMap((p) => p.tags))].map((tag) => (
              <li key={tag}>
                <button
                  type="button"
                  className="btn-quiet btn btn-xs"
                  aria-label={`Take the theme ${tag} off`}
                  onClick={() => actions.removeTheme(ids, tag)}
                >
                  {tag} <X size={12} aria-hidden />
                </button>
              </li>
            ))}
          </ul>
        </form>
      </Menu>
      <Menu up label="Rights">
        {LICENSES.map((license) => (
          <button
            key={license}
            type="button"
            data-closes
            className="block w-full px-2 py-2 text-left hover:bg-base-300"
            onClick={() => actions.setLicense(ids, license)}
          >
            <span className="block font-semibold">{LICENSE_WORDS[license].name}</span>
            <span className="block text-[13px] text-quiet">{LICENSE_WORDS[license].told}</span>
          </button>
        ))}
      </Menu>
      <Menu up label="Into a set">
        {sets.map((s) => (
          <button
            key={s.id}
            type="button"
            data-closes
            className="block w-full px-2 py-2 text-left hover:bg-base-300"
            onClick={() => actions.putIntoSet(ids, s)}
          >
            {s.name}
          </button>
        ))}
        {sets.length === 0 && <p>There is no set made by hand yet. Make one with New set, above.</p>}
      </Menu>
      {onMove && pictures.length === 1 && (
        <span className="join">
          <button
            type="button"
            className="btn-quiet btn join-item btn-sm max-sm:h-12"
            title="Comma and period do the same"
            onClick={() => onMove(-1)}
          >
            Move earlier
          </button>
          <button
            type="button"
            className="btn-quiet btn join-item btn-sm max-sm:h-12"
            title="Comma and period do the same"
            onClick={() => onMove(1)}
          >
            Move further on
          </button>
        </span>
      )}
      {set && (
        <>
          <button
            type="button"
            className="btn-quiet btn btn-sm max-sm:h-12"
            aria-pressed={allPinned}
            onClick={() => actions.pin(set, ids, !allPinned)}
          >
            <Pin size={15} aria-hidden /> {allPinned ? 'Unpin' : 'Pin'}
          </button>
          <button
            type="button"
            className="btn-quiet btn btn-sm max-sm:h-12"
            onClick={() => actions.takeOutOfSet(ids, set)}
          >
            Out of this set
          </button>
        </>
      )}
      <button
        type="button"
        className="btn-quiet btn btn-sm max-sm:h-12"
        aria-pressed={allLater}
        onClick={() => actions.later(ids, !allLater)}
      >
        <Clock size={15} aria-hidden /> {allLater ? 'Off the later shelf' : 'For later'}
      </button>
      <button type="button" className="btn-quiet btn btn-sm max-sm:h-12" onClick={() => actions.bin(ids)}>
        <Trash2 size={15} aria-hidden /> Put {ids.length} in the bin
      </button>
      <span className="ml-auto flex gap-1">
        <button type="button" className="btn border-0 btn-ghost btn-sm" onClick={onAll}>
          Choose all
        </button>
        <button type="button" className="btn border-0 btn-ghost btn-sm" onClick={onClear}>
          Clear
        </button>
      </span>
    </div>
  );
}

/** What was said of all of them alike, if anything was. */
function sameCorrection(pictures: readonly Picture[], name: keyof Picture['corrected']): string | undefined {
  const first = pictures.at(0)?.corrected[name];
  return pictures.every((p) => p.corrected[name] === first) ? first : undefined;
}
