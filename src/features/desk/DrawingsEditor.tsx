'use client';
import { Redo2, Undo2 } from 'lucide-react';
import { type PointerEvent, useRef, useState } from 'react';
import { clamp } from '@/core/clamp';
import { without } from '@/core/without';
import { cutInTwo, joinedWithNext, MOST_DRAWINGS, type SheetDrawing } from '@/core/desk/sheet';
import type { FlatSheet } from './useSheet';
import { ARROWS } from '@/ui/input/arrows';
import { usePageKeys } from '@/ui/input/usePageKeys';
import { toast } from '@/ui/toast/toast';
import type { BoxSteps } from './useBoxSteps';
import type { useSheet } from './useSheet';

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
  steps,
  split,
  onAgain,
  onTurn,
  onCorners,
  numbersOnly,
}: {
  flat: FlatSheet;
  drawings: readonly SheetDrawing[];
  steps: BoxSteps;
  split: ReturnType<typeof useSheet>['split'];
  /** Find so many again, without what was changed by hand. */
  onAgain: (count: number) => void;
  onTurn: () => void;
  onCorners: () => void;
  numbersOnly: boolean;
}) {
  const [chosen, setChosen] = useState<number>();
  const sheet = useRef<HTMLDivElement>(null);
  const oneMore = useRef<HTMLButtonElement>(null);
  const from = useRef<{ i: number; x: number; y: number; box: SheetDrawing; sizing: boolean }>(undefined);
  /** The box that is chosen, while there is one. */
  const held = chosen !== undefined && chosen < drawings.length ? chosen : undefined;
  /** A line is drawn along which a box is cut; its beginning, once it has one. */
  const [cutting, setCutting] = useState(false);
  const [line, setLine] = useState<{ from: [number, number]; to: [number, number] }>();
  const put = (i: number, box: SheetDrawing): void =>
    steps.change(
      drawings.map((d, k) => (k === i ? inside(box) : d)),
      `moving box ${String(i + 1)}`,
    );
  usePageKeys((key) => {
    if (key === 'undo') steps.undo();
    else if (key === 'redo') steps.redo();
    else if (key === 'Escape' && cutting) setCutting(false);
    else return false;
    return true;
  });
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
    steps.change(
      drawings.filter((_, k) => k !== i),
      'taking a box off',
    );
    // The next box takes over this one's index, and with it its element.
    const next = Math.min(i, drawings.length - 2);
    const boxes = sheet.current?.querySelectorAll('button');
    (next >= 0 ? boxes?.[next] : oneMore.current)?.focus();
    setChosen(next >= 0 ? next : undefined);
  };
  const cutAlong = (from: [number, number], to: [number, number]): void => {
    setCutting(false);
    setLine(undefined);
    const [x, y] = [(from[0] + to[0]) / 2, (from[1] + to[1]) / 2];
    const within = (b: SheetDrawing): boolean => x >= b.x && y >= b.y && x <= b.x + b.width && y <= b.y + b.height;
    const i = held !== undefined && within(drawings[held]) ? held : drawings.findIndex(within);
    const box = drawings.at(i);
    if (i < 0 || !box) return;
    split(box, from, to).then(
      (parts) => {
        if (!parts) {
          toast('There is nothing drawn on one side of that line: the box stays as it is.');
          return;
        }
        const [a, b] = parts;
        // What was measured of the one is not true of either.
        const rest = without(box, 'points');
        steps.change(drawings.toSpliced(i, 1, { ...rest, ...a }, { ...b, drawing: null }), 'cutting along a line');
      },
      () => undefined, // it stays as it is
    );
  };
  const moveTo = (i: number, to: number): void => {
    steps.change(drawings.with(i, drawings[to]).with(to, drawings[i]), 'changing the order');
    setChosen(to);
  };
  const button = 'btn-quiet btn btn-sm max-sm:h-12';
  return (
    <div className="min-w-0">
      <div className="grid place-items-center bg-plate p-4">
        <div ref={sheet} className="relative touch-none select-none">
          <img
            src={flat.url}
            alt="The sheet, straightened and evenly lit"
            draggable={false}
            className="max-h-[62dvh] max-w-full object-contain shadow"
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
                className={`absolute inset-0 cursor-move touch-none border-2 ${chosen === i ? 'border-russet' : 'border-slate'} ${box.notOne ? 'border-dashed' : ''}`}
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
                <span className="absolute top-0 left-0 bg-sheet px-1.5 text-[14px] font-semibold">
                  {i + 1}
                  {box.notOne && ` ${box.notOne}`}
                </span>
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
          {cutting && (
            <div
              className="absolute inset-0 cursor-crosshair touch-none"
              onPointerDown={(event) => {
                event.currentTarget.setPointerCapture(event.pointerId);
                setLine({ from: at(event), to: at(event) });
              }}
              onPointerMove={(event) => line && setLine({ from: line.from, to: at(event) })}
              onPointerUp={(event) => line && cutAlong(line.from, at(event))}
              onPointerCancel={() => setLine(undefined)}
            >
              {line && (
                <svg viewBox="0 0 1 1" preserveAspectRatio="none" className="h-full w-full">
                  <line
                    x1={line.from[0]}
                    y1={line.from[1]}
                    x2={line.to[0]}
                    y2={line.to[1]}
                    stroke="var(--russet)"
                    strokeWidth={2}
                    vectorEffect="non-scaling-stroke"
                  />
                </svg>
              )}
            </div>
          )}
        </div>
      </div>
      <div className="mt-3 flex flex-wrap gap-2" role="toolbar" aria-label="The sheet">
        <button
          ref={oneMore}
          type="button"
          className={button}
          disabled={drawings.length >= MOST_DRAWINGS}
          onClick={() => {
            steps.change([...drawings, FRESH], 'adding a box');
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
          onClick={() =>
            held !== undefined && steps.change(cutInTwo(drawings, held, flat.width / flat.height), 'cutting a box')
          }
        >
          Cut it in two
        </button>
        <button
          type="button"
          className={button}
          disabled={held === undefined || held + 1 >= drawings.length}
          onClick={() => held !== undefined && steps.change(joinedWithNext(drawings, held), 'joining two boxes')}
        >
          Join it with the next
        </button>
        <button
          type="button"
          className={button}
          aria-pressed={cutting}
          disabled={drawings.length === 0 || drawings.length >= MOST_DRAWINGS}
          onClick={() => setCutting(!cutting)}
        >
          Cut along a line
        </button>
        <button
          type="button"
          className={button}
          disabled={held === undefined || held === 0}
          onClick={() => held !== undefined && moveTo(held, held - 1)}
        >
          Earlier
        </button>
        <button
          type="button"
          className={button}
          disabled={held === undefined || held + 1 >= drawings.length}
          onClick={() => held !== undefined && moveTo(held, held + 1)}
        >
          Later
        </button>
        <button
          type="button"
          className={button}
          disabled={steps.undoWords === undefined}
          aria-label={steps.undoWords ? `Undo ${steps.undoWords}` : 'Nothing to undo'}
          onClick={steps.undo}
        >
          <Undo2 size={16} aria-hidden />
        </button>
        <button
          type="button"
          className={button}
          disabled={steps.redoWords === undefined}
          aria-label={steps.redoWords ? `Do again: ${steps.redoWords}` : 'Nothing to do again'}
          onClick={steps.redo}
        >
          <Redo2 size={16} aria-hidden />
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
      {cutting && <p className="mt-2 text-quiet">Draw the line between two drawings, across their box.</p>}
      {numbersOnly && (
        <p className="mt-2 text-quiet">Judging is shut for this session: the drawings are only cut out.</p>
      )}
    </div>
  );
}
