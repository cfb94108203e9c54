'use client';
import { type KeyboardEvent, type PointerEvent, useRef, useState } from 'react';
import type { Page } from '@/core/journal/session';

interface Place {
  x: number;
  y: number;
  width: number;
}

const NUDGE = 0.005;
const GROW = 1.02;

/** A reference over a page: dragged and sized until it fits, seen through, or in exchange with it. */
export function LaidOver({
  url,
  page,
  laid,
  onLaid,
}: {
  url: string;
  page: Page;
  laid: Place | undefined;
  onLaid: (place: Place) => void;
}) {
  const [place, setPlace] = useState<Place>(laid ?? { x: 0.2, y: 0.05, width: 0.6 });
  const [through, setThrough] = useState(0.5);
  const [shown, setShown] = useState<'both' | 'reference' | 'page'>('both');
  const from = useRef<{ x: number; y: number; place: Place }>(undefined);
  const frame = useRef<HTMLDivElement>(null);
  const fitOnce = (image: HTMLImageElement): void => {
    if (laid) return;
    // As tall as nine tenths of the page, in the middle of it.
    const width = Math.min(0.95, (0.9 * page.heightPx * image.naturalWidth) / (image.naturalHeight * page.widthPx));
    setPlace({ x: (1 - width) / 2, y: 0.05, width });
  };
  const moveTo = (next: Place, keep: boolean): void => {
    setPlace(next);
    if (keep) onLaid(next);
  };
  const onMove = (event: PointerEvent): void => {
    const start = from.current;
    const box = frame.current?.getBoundingClientRect();
    if (!start || !box) return;
    const x = start.place.x + (event.clientX - start.x) / box.width;
    const y = start.place.y + (event.clientY - start.y) / box.height;
    setPlace({ ...start.place, x, y });
  };
  const grow = (by: number): void => {
    const width = Math.max(0.05, Math.min(5, place.width * by));
    // It grows around its own middle as far as the width goes.
    moveTo({ ...place, x: place.x - (width - place.width) / 2, width }, true);
  };
  const onKey = (event: KeyboardEvent): void => {
    const steps: Readonly<Record<string, () => void>> = {
      ArrowLeft: () => moveTo({ ...place, x: place.x - NUDGE }, true),
      ArrowRight: () => moveTo({ ...place, x: place.x + NUDGE }, true),
      ArrowUp: () => moveTo({ ...place, y: place.y - NUDGE }, true),
      ArrowDown: () => moveTo({ ...place, y: place.y + NUDGE }, true),
      '+': () => grow(GROW),
      '-': () => grow(1 / GROW),
    };
    if (!(event.key in steps)) return;
    event.preventDefault();
    steps[event.key]();
  };
  const opacity = shown === 'reference' ? 1 : shown === 'page' ? 0 : through;
  return (
    <div ref={frame} className="absolute inset-0">
      <button
        type="button"
        aria-label="The reference over the page: drag it, or arrows, plus and minus"
        className="absolute inset-0 cursor-move overflow-hidden"
        onPointerDown={(event) => {
          event.currentTarget.setPointerCapture(event.pointerId);
          from.current = { x: event.clientX, y: event.clientY, place };
        }}
        onPointerMove={onMove}
        onPointerUp={() => {
          if (from.current) onLaid(place);
          from.current = undefined;
        }}
        onWheel={(event) => grow(event.deltaY < 0 ? GROW : 1 / GROW)}
        onKeyDown={onKey}
      >
        <img
          src={url}
          alt="The reference"
          draggable={false}
          className="absolute max-w-none"
          style={{
            left: `${String(place.x * 100)}%`,
            top: `${String(place.y * 100)}%`,
            width: `${String(place.width * 100)}%`,
            opacity,
          }}
          onLoad={(event) => fitOnce(event.currentTarget)}
        />
      </button>
      <div className="absolute inset-x-2 bottom-2 flex flex-wrap items-center gap-3 bg-sheet/90 px-3 py-2">
        <label className="flex min-w-[150px] flex-1 items-center gap-2 text-[14px]">
          Seen through
          <input
            type="range"
            className="range flex-1"
            min={0}
            max={1}
            step={0.05}
            value={through}
            onChange={(event) => {
              setShown('both');
              setThrough(Number(event.target.value));
            }}
          />
        </label>
        <label className="flex min-w-[130px] flex-1 items-center gap-2 text-[14px]">
          Size
          <input
            type="range"
            className="range flex-1"
            min={0.1}
            max={2}
            step={0.01}
            value={place.width}
            onChange={(event) => grow(Number(event.target.value) / place.width)}
          />
        </label>
        <button
          type="button"
          className="btn-quiet btn min-h-10 btn-sm"
          onClick={() => setShown(shown === 'reference' ? 'page' : 'reference')}
        >
          {shown === 'reference' ? 'Blink: the page' : 'Blink: the reference'}
        </button>
      </div>
    </div>
  );
}
