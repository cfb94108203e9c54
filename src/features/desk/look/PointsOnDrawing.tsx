'use client';
import { type PointerEvent, useRef, useState } from 'react';
import { clamp } from '@/core/clamp';
import type { Pictured, Window } from '@/core/desk/pair';
import type { DrawnPoint, SheetDrawing } from '@/core/desk/sheet';
import type { DrawnKey } from '@/core/figure/facts/answerKey';
import type { PlaceName } from '@/core/measure/places';
import { ARROWS } from '@/ui/input/arrows';
import { Magnifier } from '../Magnifier';
import type { FlatSheet } from '../useSheet';

/** An arrow key moves a point so far, with Shift farther; shares of the drawing's box. */
const STEP = 0.003;
const LARGE_STEP = 0.02;
/** Room around the box, so that a point at its edge can be taken hold of; share of it. */
const ROOM = 0.05;

/** A drawing with the points of its figure over it, and the reference beside it with the one that is asked for. */
export function PointsOnDrawing({
  flat,
  box,
  points,
  names,
  chosen,
  outline,
  reference,
  answers,
  onChoose,
  onPut,
  onMove,
}: {
  flat: FlatSheet;
  box: SheetDrawing;
  points: readonly DrawnPoint[];
  /** Places that can be asked for, in their order. */
  names: readonly PlaceName[];
  chosen: PlaceName;
  /** Where the reference's outline was found to lie, shares of the sheet. */
  outline: readonly (readonly (readonly [number, number])[])[];
  reference: { url: string; pictured: Pictured; window: Window } | undefined;
  answers: DrawnKey;
  onChoose: (name: PlaceName) => void;
  onPut: (at: readonly [number, number]) => void;
  onMove: (name: PlaceName, at: readonly [number, number]) => void;
}) {
  const plate = useRef<HTMLDivElement>(null);
  /** The point under the hand, and how large the drawing is shown. */
  const [held, setHeld] = useState<{ name: PlaceName; width: number; height: number }>();
  /** What is shown of the sheet, shares of it. */
  const shown = {
    x: box.x - ROOM * box.width,
    y: box.y - ROOM * box.height,
    width: box.width * (1 + 2 * ROOM),
    height: box.height * (1 + 2 * ROOM),
  };
  const aspect = (shown.width * flat.width) / (shown.height * flat.height);
  const at = (event: PointerEvent): [number, number] => {
    const rect = plate.current?.getBoundingClientRect();
    if (!rect) return [0, 0];
    return [
      clamp(shown.x + ((event.clientX - rect.left) / rect.width) * shown.width, 0, 1),
      clamp(shown.y + ((event.clientY - rect.top) / rect.height) * shown.height, 0, 1),
    ];
  };
  const local = ([x, y]: readonly [number, number]): [number, number] => [
    (x - shown.x) / shown.width,
    (y - shown.y) / shown.height,
  ];
  const percent = (share: number): string => `${String(share * 100)}%`;
  const under = points.find(({ name }) => name === held?.name);
  const mark = answers.marks.find(({ name }) => name === chosen);
  return (
    <div className="min-w-0">
      <div className="grid grid-cols-[minmax(0,1fr)_minmax(0,2fr)] gap-3">
        <div
          className="relative self-start overflow-hidden bg-plate"
          style={{ aspectRatio: String(answers.width / answers.height) }}
        >
          {reference && (
            <img src={reference.url} alt="What it was drawn from" className="absolute inset-0 h-full w-full" />
          )}
          {mark && (
            <span
              aria-hidden
              className="absolute size-4 -translate-1/2 rounded-full border-2 border-russet bg-sheet/60"
              style={{ left: percent(mark.at[0] / answers.width), top: percent(mark.at[1] / answers.height) }}
            />
          )}
        </div>
        <div
          ref={plate}
          className="relative max-h-[66dvh] cursor-crosshair touch-none justify-self-center overflow-hidden border border-hairline bg-sheet select-none"
          style={{ aspectRatio: String(aspect), height: 'min(66dvh, 720px)', maxWidth: '100%' }}
          onPointerDown={(event) => {
            if (event.target === event.currentTarget || (event.target as Element).tagName === 'IMG') onPut(at(event));
          }}
        >
          <img
            src={flat.url}
            alt="The drawing: tap where the asked point is"
            draggable={false}
            className="absolute max-w-none"
            style={{
              width: percent(1 / shown.width),
              height: percent(1 / shown.height),
              left: percent(-shown.x / shown.width),
              top: percent(-shown.y / shown.height),
            }}
          />
          <svg
            viewBox="0 0 1 1"
            preserveAspectRatio="none"
            className="pointer-events-none absolute inset-0 h-full w-full"
          >
            {outline.map((line, i) => (
              <path
                key={i}
                d={`M${line.map((p) => local(p).join(' ')).join('L')}`}
                fill="none"
                stroke="var(--slate)"
                strokeWidth={1.2}
                strokeOpacity={0.7}
                vectorEffect="non-scaling-stroke"
              />
            ))}
            {points.map(({ name, x, y, sigma, by }) => {
              const [cx, cy] = local([x, y]);
              // As large as it is unsure: 95 times in a hundred the place lies within.
              const reach = 2 * sigma * Math.max(flat.width, flat.height);
              return (
                by === 'fit' && (
                  <ellipse
                    key={name}
                    cx={cx}
                    cy={cy}
                    rx={reach / (shown.width * flat.width)}
                    ry={reach / (shown.height * flat.height)}
                    fill="none"
                    stroke="var(--slate)"
                    strokeOpacity={0.6}
                    vectorEffect="non-scaling-stroke"
                  />
                )
              );
            })}
          </svg>
          {points.map(({ name, x, y, by }) => {
            const [u, v] = local([x, y]);
            return (
              <button
                key={name}
                type="button"
                aria-label={`${name}, ${by === 'hand' ? 'put by you' : 'proposed'}: arrow keys move it`}
                aria-pressed={name === chosen}
                className="absolute grid size-9 -translate-1/2 cursor-grab touch-none place-items-center rounded-full"
                style={{ left: percent(u), top: percent(v) }}
                onFocus={() => onChoose(name)}
                onPointerDown={(event) => {
                  event.stopPropagation();
                  event.currentTarget.setPointerCapture(event.pointerId);
                  const rect = plate.current?.getBoundingClientRect();
                  if (rect) setHeld({ name, width: rect.width, height: rect.height });
                  onChoose(name);
                }}
                onPointerMove={(event) => held?.name === name && onMove(name, at(event))}
                onPointerUp={() => setHeld(undefined)}
                onPointerCancel={() => setHeld(undefined)}
                onKeyDown={(event) => {
                  const by = ARROWS[event.key];
                  if (!by) return;
                  event.preventDefault();
                  const step = event.shiftKey ? LARGE_STEP : STEP;
                  onMove(name, [clamp(x + by[0] * step * box.width, 0, 1), clamp(y + by[1] * step * box.height, 0, 1)]);
                }}
              >
                <span
                  aria-hidden
                  className={`block size-3 rounded-full border-2 ${name === chosen ? 'border-russet' : by === 'hand' ? 'border-ink' : 'border-slate'} bg-sheet/70`}
                />
              </button>
            );
          })}
          {held && under && (
            <Magnifier
              url={flat.url}
              at={[under.x, under.y]}
              width={held.width / shown.width}
              height={held.height / shown.height}
              left={local([under.x, under.y])[0] > 0.5}
            />
          )}
        </div>
      </div>
      <div className="mt-2 flex flex-wrap items-center gap-3">
        <label className="flex items-center gap-2">
          The point that is asked for
          <select
            className="select w-auto select-sm max-sm:h-12"
            value={chosen}
            onChange={(event) => onChoose(event.target.value as PlaceName)}
          >
            {names.map((name) => (
              <option key={name} value={name}>
                {name}
                {points.some((p) => p.name === name) ? '' : ' (not yet)'}
              </option>
            ))}
          </select>
        </label>
        <span className="text-[14px] text-quiet">
          Tap it in the drawing, or drag its ring. Left and right are the sitter’s.
        </span>
      </div>
    </div>
  );
}
