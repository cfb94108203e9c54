'use client';
import type { Exercise } from '@/core/practice/exercises/exercise';
import { measuringLocked } from '@/core/practice/rules/measuring';
import { type Aids, drawsFromNothing } from './aids';

const VALUE_WORDS = { 0: 'all', 2: '2', 3: '3', 5: '5' } as const;

/** What helps to see, to be switched by hand; each says its key. */
export function AidsTray({
  aids,
  exercise,
  zoom,
  onKey,
  onThreshold,
  onWhole,
  onHeight,
  wordsOn,
}: {
  aids: Aids;
  exercise: Exercise | undefined;
  zoom: number;
  onKey: (key: string) => void;
  onThreshold: (threshold: number) => void;
  /** Show the picture whole again. */
  onWhole: () => void;
  /** Show the figure so many millimeters tall; missing where the screen was not measured or the figure is not known. */
  onHeight: ((mm: number) => void) | undefined;
  wordsOn: 'left' | 'right';
}) {
  const locked = exercise !== undefined && measuringLocked(exercise);
  const slow = exercise?.rule.pace === 'slow';
  const rows: readonly { key: string; words: string; on: boolean; state?: string; shut?: string }[] = [
    { key: 's', words: 'Squint', on: aids.squint, state: 'hold' },
    { key: 'g', words: 'Gray', on: aids.gray },
    { key: 'v', words: 'Values', on: aids.values > 0, state: VALUE_WORDS[aids.values] },
    { key: 'l', words: 'Lighter', on: aids.lift > 0, state: aids.lift > 0 ? `+${String(aids.lift)}` : 'as is' },
    { key: 'm', words: 'Mirror', on: aids.mirrored },
    { key: 'u', words: 'Upside down', on: aids.upsideDown },
    { key: 'h', words: 'Hide it', on: aids.hidden },
    { key: 'p', words: 'Plumb and level', on: aids.plumb !== null, ...(locked && { shut: 'no measuring here' }) },
    exercise && drawsFromNothing(exercise)
      ? { key: 'd', words: 'A perspective box to draw into', on: aids.box !== null }
      : {
          key: 'd',
          words: 'Divide',
          on: aids.grid !== 'none',
          state: aids.grid,
          ...(locked && { shut: 'no measuring here' }),
        },
    { key: 'e', words: 'Envelope', on: aids.envelope, ...(locked && { shut: 'no measuring here' }) },
    { key: 'j', words: 'Face lattice', on: aids.face, ...(locked && { shut: 'no measuring here' }) },
    { key: 'a', words: 'Pace along the edge', on: aids.pace, ...(!slow && { shut: 'for slow exercises' }) },
  ];
  return (
    <section
      aria-label="Seeing aids"
      className={`absolute bottom-4 z-10 max-h-[calc(100%-2rem)] w-[min(320px,92%)] overflow-y-auto border border-rule bg-sheet p-4 ${wordsOn === 'left' ? 'right-4 sm:right-8' : 'left-4 sm:left-8'}`}
    >
      <ul className="grid gap-0.5">
        {rows.map(({ key, words, on, state, shut }) => (
          <li key={key}>
            <button
              type="button"
              className="flex min-h-9 w-full items-center gap-2 rounded px-2 text-left hover:bg-hairline/40 disabled:opacity-60"
              aria-pressed={on}
              disabled={shut !== undefined}
              onClick={(event) => {
                onKey(key);
                event.currentTarget.blur();
              }}
            >
              <span aria-hidden className={`size-3 rounded-[2px] border border-rule ${on ? 'bg-ink' : ''}`} />
              <span className="flex-1">{words}</span>
              <span className="text-[14px] text-quiet">{shut ?? state}</span>
              <kbd className="kbd kbd-sm uppercase">{key}</kbd>
            </button>
          </li>
        ))}
      </ul>
      {aids.values > 0 && (
        <label className="mt-2 flex items-center gap-2 text-[14px]">
          Light and dark part at
          <input
            type="range"
            className="range flex-1"
            min={0.1}
            max={0.9}
            step={0.02}
            value={aids.threshold}
            onChange={(event) => onThreshold(Number(event.target.value))}
          />
          <kbd className="kbd kbd-sm">[ ]</kbd>
        </label>
      )}
      <div className="mt-2 flex flex-wrap items-center gap-2 border-t border-hairline pt-2 text-[14px]">
        <span className="flex-1">Zoom {Math.round(zoom * 100)} %: wheel or two fingers</span>
        <button type="button" className="btn-quiet btn btn-sm" disabled={zoom === 1} onClick={onWhole}>
          Whole <kbd className="kbd kbd-sm">Z</kbd>
        </button>
      </div>
      {onHeight && (
        <form
          className="mt-2 flex items-center gap-2 text-[14px]"
          onSubmit={(event) => {
            event.preventDefault();
            const cm = Number(new FormData(event.currentTarget).get('cm'));
            if (cm > 0) onHeight(cm * 10);
          }}
        >
          <label className="flex flex-1 items-center gap-2">
            Figure
            <input
              name="cm"
              type="number"
              min={1}
              max={60}
              step={0.5}
              defaultValue={12}
              className="input w-20 input-sm"
            />
            cm tall on the screen
          </label>
          <button type="submit" className="btn-quiet btn btn-sm">
            Show
          </button>
        </form>
      )}
    </section>
  );
}
