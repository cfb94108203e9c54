'use client';
import { type PointerEvent, useRef, useState } from 'react';
import { clamp } from '@/core/clamp';
import { cutInTwo, joinedWithNext, MOST_DRAWINGS, type SheetDrawing } from '@/core/desk/sheet';
import type { FlatSheet } from './useSheet';
import { ARROWS } from '@/ui/input/arrows';

/** An arrow key moves a box so far; no box is smaller than the second. Shares of the sheet. */
const STEP = 0.005;
const LEAST = 0.02;
const FRESH = { x: 0.35, y: 0.35, width: 0.3, height: 0.3, drawing: null } as const;
/** A box inside the sheet, no smaller than can be taken hold of. */
function inside(box: SheetDrawing): SheetDrawing {
  const width = clamp(box.width, LEAST, 1);
  const height = clamp(box.height, LEAST, 1);
  return { ...box, width, height, x: clamp(box.x, 0, 1 - width), y: clamp(box.y, 0, 1 - height) };
}

/** A box made larger, no farther than the sheet goes: its upper left corner stays where it is. */
const sized = (box: SheetDrawing, dx: number, dy: number): SheetDrawing => ({
  ...box,
  width: Math.min(box.width + dx, 1 - box.x),
  height: Math.min(box.height + dy, 1 - box.y),
});

/** Whether a box can be cut and both halves still be taken hold of. */
const halves = (box: SheetDrawing): boolean => Math.max(box.width, box.height) >= 2 * LEAST;

/** The straightened sheet with a box around each of its drawings: moved, sized, drawn, taken off. */
export function DrawingsEditor({
  flat,
  drawings,
  onChange,
  onAgain,
  onTurn,
  onCorners,
  numbersOnly,
}: {
  flat: FlatSheet;
  drawings: readonly SheetDrawing[];
  onChange: (drawings: SheetDrawing[]) => void;
  /** Find so many again, without what was changed by hand. */
  onAgain: (count: number) => void;
  onTurn: () => void;
  onCorners: () => void;
  numbersOnly: boolean;
}) {
  const [chosen, setChosen] = useState<number>();
  const sheet = useRef<HTMLDivElement>(null);
  const from = useRef<{ i: number; x: number; y: number; box: SheetDrawing; sizing: boolean }>(undefined);
  const put = (i: number, box: SheetDrawing): void => onChange(drawings.map((d, k) => (k === i ? inside(box) : d)));
  const at = (event: PointerEvent): [number, number] => {
    const box = sheet.current?.getBoundingClientRect();
    return box ? [(event.clientX - box.left) / box.width, (event.clientY - box.top) / box.height] : [0, 0];
  };
  const take = (i: number, event: PointerEvent, sizing: boolean): void => {
    event.stopPropagation();
    event.currentTarget.setPointerCapture(event.pointerId);
    const [x, y] = at(event);
    from.current = { i, x, y, box: drawings[i], sizing };
    setChosen(i);
  };
  const drag = (event: PointerEvent): void => {
    const hold = from.current;
    if (!hold) return;
    const [x, y] = at(event);
    const [dx, dy] = [x - hold.x, y - hold.y];
    put(hold.i, hold.sizing ? sized(hold.box, dx, dy) : { ...hold.box, x: hold.box.x + dx, y: hold.box.y + dy });
  };
  const drop = (): void => {
    from.current = undefined;
  };
  const takeOff = (i: number): void => {
    onChange(drawings.filter((_, k) => k !== i));
    setChosen(undefined);
  };
  /** The box that is chosen, while there is one. */
  const held = chosen !== undefined && chosen < drawings.length ? chosen : undefined;
  const button = 'btn-quiet btn btn-sm max-sm:h-12';
  return (
    <div className="min-w-0">
      <div className="grid place-items-center bg-plate p-4">
        <div ref={sheet} className="relative touch-none select-none">
          <img
            src={flat.url}
            alt="The sheet, straightened and evenly lit"
            draggable={false}
            className="max-h-[72dvh] max-w-full object-contain shadow"
          />
          {drawings.map((box, i) => (
            <div
              key={i}
              className="absolute"
              style={{
                left: `${String(box.x * 100)}%`,
                top: `${String(box.y * 100)}%`,
                width: `${String(box.width * 100)}%`,
                height: `${String(box.height * 100)}%`,
              }}
            >
              <button
                type="button"
                aria-label={`Drawing ${String(i + 1)}: arrow keys move its box, with Shift they size it, Delete takes it off`}
                aria-pressed={chosen === i}
                className={`absolute inset-0 cursor-move touch-none border-2 ${chosen === i ? 'border-russet' : 'border-slate'}`}
                onFocus={() => setChosen(i)}
                onPointerDown={(event) => take(i, event, false)}
                onPointerMove={drag}
                onPointerUp={drop}
                onPointerCancel={drop}
                onKeyDown={(event) => {
                  const by = ARROWS[event.key];
                  if (event.key === 'Delete' || event.key === 'Backspace') takeOff(i);
                  else if (by)
                    put(
                      i,
                      event.shiftKey
                        ? sized(box, by[0] * STEP, by[1] * STEP)
                        : { ...box, x: box.x + by[0] * STEP, y: box.y + by[1] * STEP },
                    );
                  else return;
                  event.preventDefault();
                }}
              >
                <span className="absolute top-0 left-0 bg-sheet px-1.5 text-[14px] font-semibold">{i + 1}</span>
              </button>
              <span
                aria-hidden
                className="absolute -right-3 -bottom-3 size-6 cursor-nwse-resize touch-none rounded-full border-2 border-ink bg-sheet"
                onPointerDown={(event) => take(i, event, true)}
                onPointerMove={drag}
                onPointerUp={drop}
                onPointerCancel={drop}
              />
            </div>
          ))}
        </div>
      </div>
      <div className="mt-3 flex flex-wrap gap-2" role="toolbar" aria-label="The sheet">
        <button
          type="button"
          className={button}
          disabled={drawings.length >= MOST_DRAWINGS}
          onClick={() => {
            onChange([...drawings, FRESH]);
            setChosen(drawings.length);
          }}
        >
          One more box
        </button>
        <button
          type="button"
          className={button}
          disabled={held === undefined}
          onClick={() => held !== undefined && takeOff(held)}
        >
          Take this box off
        </button>
        <button
          type="button"
          className={button}
          disabled={held === undefined || drawings.length >= MOST_DRAWINGS || !halves(drawings[held])}
          onClick={() => held !== undefined && onChange(cutInTwo(drawings, held, flat.width / flat.height))}
        >
          Cut it in two
        </button>
        <button
          type="button"
          className={button}
          disabled={held === undefined || held + 1 >= drawings.length}
          onClick={() => held !== undefined && onChange(joinedWithNext(drawings, held))}
        >
          Join it with the next
        </button>
        <form
          className="flex items-center gap-2"
          onSubmit={(event) => {
            event.preventDefault();
            const count = Math.round(Number(new FormData(event.currentTarget).get('count')));
            if (count >= 1 && count <= MOST_DRAWINGS) onAgain(count);
          }}
        >
          <button type="submit" className={button}>
            Find them again:
          </button>
          <input
            key={drawings.length}
            name="count"
            type="number"
            min={1}
            max={MOST_DRAWINGS}
            defaultValue={Math.max(1, drawings.length)}
            aria-label="How many drawings are on the sheet"
            className="input w-[72px] input-sm max-sm:h-12"
          />
        </form>
        <button type="button" className={button} onClick={onTurn}>
          Turn the sheet
        </button>
        <button type="button" className={button} onClick={onCorners}>
          Its corners
        </button>
      </div>
      {numbersOnly && (
        <p className="mt-2 text-quiet">Judging is shut for this session: the drawings are only cut out.</p>
      )}
    </div>
  );
}
