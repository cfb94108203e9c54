'use client';
import { type PointerEvent, useEffect, useRef, useState } from 'react';
import { cornersInPixels, type Sheet, sheetShape } from '@/core/desk/sheet';
import { SHEETS } from '@/core/desk/quad';
import type { Page } from '@/core/journal/session';
import type { ObjectUrl } from '@/storage/hooks/useObjectUrl';
import type { SheetFound } from '@/workers/sheet.worker';
import type { useSheet } from './useSheet';
import { ARROWS } from '@/ui/input/arrows';
import { SheetOutline } from '@/ui/SheetOutline';
import { Magnifier } from './Magnifier';

const NAMES = ['Upper left', 'Upper right', 'Lower right', 'Lower left'] as const;
/** An arrow key moves a corner so far, with Shift farther; shares of the photograph. */
const STEP = 0.002;
const LARGE_STEP = 0.02;

/** Where no sheet was found: well inside the photograph, to be dragged. */
const INSIDE: Sheet['corners'] = [
  [0.12, 0.12],
  [0.88, 0.12],
  [0.88, 0.88],
  [0.12, 0.88],
];
const within = (v: number): number => Math.min(1.2, Math.max(-0.2, v));

/** The corners of the sheet in its photograph: found, dragged with a magnifier, or another sheet chosen. */
export function CornersEditor({
  photo,
  page,
  start,
  find,
  snap,
  onUse,
  onCancel,
}: {
  photo: ObjectUrl;
  page: Page;
  /** As the sheet was left. */
  start: Sheet | undefined;
  find: ReturnType<typeof useSheet>['find'];
  snap: ReturnType<typeof useSheet>['snap'];
  onUse: (sheet: Omit<Sheet, 'drawings'>) => void;
  /** Missing where there is nothing to go back to. */
  onCancel: (() => void) | undefined;
}) {
  const [found, setFound] = useState<SheetFound>();
  const [chosen, setChosen] = useState(0);
  const [corners, setCorners] = useState<Sheet['corners'] | undefined>(start?.corners);
  const [paper, setPaper] = useState<string | undefined>(start?.paper);
  /** The corner under the hand, and how large the photograph is shown. */
  const [held, setHeld] = useState<{ i: number; width: number; height: number }>();
  const [moved, setMoved] = useState(false);
  const image = useRef<HTMLImageElement>(null);
  useEffect(() => {
    let current = true;
    find().then(
      (sheet) => {
        if (!current) return;
        setFound(sheet);
        setCorners((before) => before ?? sheet.candidates.at(0)?.corners ?? INSIDE);
      },
      () => {
        if (!current) return;
        setFound({
          candidates: [],
          doubts: ['The photograph could not be looked at here: drag the corners onto the sheet.'],
        });
        setCorners((before) => before ?? INSIDE);
      },
    );
    return () => {
      current = false;
    };
  }, [find]);

  const { widthPx, heightPx } = page;
  const shape = corners && sheetShape(cornersInPixels(corners, widthPx, heightPx), widthPx, heightPx, paper);
  const place = (i: number, x: number, y: number): void => {
    setMoved(true);
    setCorners((before) => before && (before.with(i, [within(x), within(y)]) as Sheet['corners']));
  };
  const drag = (i: number, event: PointerEvent): void => {
    const box = image.current?.getBoundingClientRect();
    if (held?.i !== i || !box) return;
    place(i, (event.clientX - box.left) / box.width, (event.clientY - box.top) / box.height);
  };
  const candidates = found?.candidates ?? [];
  const at = held && corners?.[held.i];
  return (
    <div className="mt-3 grid gap-x-8 gap-y-5 lg:grid-cols-[minmax(0,1fr)_380px]">
      <div className="grid place-items-center bg-plate p-6">
        <div className="relative touch-none select-none">
          <img
            ref={image}
            src={photo.url}
            alt="The photographed page"
            draggable={false}
            className="max-h-[70dvh] max-w-full object-contain"
          />
          {corners && <SheetOutline corners={corners} />}
          {corners?.map(([x, y], i) => (
            <button
              key={NAMES[i]}
              type="button"
              aria-label={`${NAMES[i]} corner: arrow keys move it`}
              className="absolute grid size-11 -translate-1/2 cursor-grab touch-none place-items-center rounded-full"
              style={{ left: `${String(x * 100)}%`, top: `${String(y * 100)}%` }}
              onPointerDown={(event) => {
                event.currentTarget.setPointerCapture(event.pointerId);
                const box = image.current?.getBoundingClientRect();
                if (box) setHeld({ i, width: box.width, height: box.height });
              }}
              onPointerMove={(event) => drag(i, event)}
              onPointerUp={() => setHeld(undefined)}
              onPointerCancel={() => setHeld(undefined)}
              onKeyDown={(event) => {
                const by = ARROWS[event.key];
                if (!by) return;
                event.preventDefault();
                const step = event.shiftKey ? LARGE_STEP : STEP;
                place(i, x + by[0] * step, y + by[1] * step);
              }}
            >
              <span aria-hidden className="block size-[18px] rounded-full border-2 border-ink bg-sheet/60" />
            </button>
          ))}
          {held && at && (
            <Magnifier url={photo.url} at={at} width={held.width} height={held.height} left={at[0] > 0.5} />
          )}
        </div>
      </div>
      <div className="flex flex-col gap-4">
        <p role="status" className="min-h-[44px]">
          {!found
            ? 'Looking for the sheet.'
            : moved
              ? 'Drag the corners onto the sheet’s own; the magnifier helps.'
              : found.doubts.join(' ') || 'The sheet was found. Move a corner where it is off.'}
        </p>
        <div className="flex flex-wrap gap-2">
          {candidates.length > 1 && (
            <button
              type="button"
              className="btn-quiet btn max-sm:h-14"
              onClick={() => {
                const next = (chosen + 1) % candidates.length;
                setChosen(next);
                setCorners(candidates[next].corners);
                setMoved(false);
              }}
            >
              Another sheet ({chosen + 1} of {candidates.length})
            </button>
          )}
          {corners && (
            <button
              type="button"
              className="btn-quiet btn max-sm:h-14"
              onClick={() => {
                snap(corners).then(
                  (near) => setCorners(near.corners),
                  () => undefined, // they stay where they are
                );
              }}
            >
              Take the corners to the edges
            </button>
          )}
        </div>
        <label>
          <span className="block font-semibold">Paper</span>
          <select
            className="select mt-1 w-full max-sm:h-14"
            value={paper ?? ''}
            onChange={(event) => setPaper(event.target.value || undefined)}
          >
            <option value="">
              {shape?.papers[0] ? `As it seems: ${shape.papers.slice(0, 3).join(', ')}` : 'Its own proportion'}
            </option>
            {SHEETS.map(({ name }) => (
              <option key={name}>{name}</option>
            ))}
          </select>
        </label>
        <div className="flex flex-wrap gap-2">
          <button
            type="button"
            className="btn max-sm:h-14"
            disabled={!corners || !shape}
            onClick={() =>
              corners &&
              shape &&
              onUse({ corners, quarters: start?.quarters ?? 0, aspect: shape.aspect, ...(paper && { paper }) })
            }
          >
            Straighten it
          </button>
          {onCancel && (
            <button type="button" className="btn-quiet btn max-sm:h-14" onClick={onCancel}>
              As it was
            </button>
          )}
        </div>
        <p className="text-[14px] text-quiet">The photograph itself is never changed.</p>
      </div>
    </div>
  );
}
