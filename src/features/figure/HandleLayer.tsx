'use client';
import { useRef } from 'react';
import { type HandleId, HANDLES } from '@/core/figure/skeleton/moveJoint';
import { apart } from './apart';
import type { Holding } from './useHolding';

/** One press of an arrow key moves a handle so far, with Shift farther; head heights. */
const STEP = 0.06;
const LARGE_STEP = 0.24;

/** Rings are at least so far apart, pixels; one that had to give way is tied to its joint. */
const RING_PX = 30;

/** Where the keys move a handle: across the view, up it, toward the eye. */
const KEYS: Readonly<Record<string, readonly [number, number, number]>> = {
  ArrowLeft: [-1, 0, 0],
  ArrowRight: [1, 0, 0],
  ArrowUp: [0, 1, 0],
  ArrowDown: [0, -1, 0],
  PageUp: [0, 0, -1],
  PageDown: [0, 0, 1],
};

/** The handles of a figure over its canvas: dragged, or moved by the arrow keys when one is chosen. */
export function HandleLayer({ holding: { handles, drag, letGo, nudge } }: { holding: Holding }) {
  const layer = useRef<HTMLDivElement>(null);
  /** Where in a handle the pointer took hold. */
  const grip = useRef<{ id: HandleId; dx: number; dy: number }>(undefined);
  const rings = apart(handles, RING_PX);
  return (
    <div ref={layer} className="pointer-events-none absolute inset-3">
      <svg aria-hidden className="absolute inset-0 h-full w-full overflow-visible">
        {rings.map(({ x, y }, i) => (
          <path
            key={handles[i].id}
            d={`M${String(x)} ${String(y)}L${String(handles[i].x)} ${String(handles[i].y)}`}
            stroke="var(--ink)"
            strokeWidth={1.5}
          />
        ))}
      </svg>
      {HANDLES.map(({ id, name }) => {
        const place = handles.find((handle) => handle.id === id);
        const ring = rings.find((handle) => handle.id === id);
        if (!place || !ring) return null;
        const small = /^(elbow|knee)/.test(id);
        return (
          <button
            key={id}
            type="button"
            aria-label={`Move the ${name.toLowerCase()}`}
            title={name}
            data-handle={id}
            className="pointer-events-auto absolute grid size-7 -translate-x-1/2 -translate-y-1/2 cursor-grab touch-none place-items-center rounded-full pointer-coarse:size-11"
            style={{ left: ring.x, top: ring.y }}
            onPointerDown={(event) => {
              event.stopPropagation();
              event.currentTarget.setPointerCapture(event.pointerId);
              grip.current = { id, dx: place.x - event.clientX, dy: place.y - event.clientY };
            }}
            onPointerMove={(event) => {
              if (grip.current?.id !== id) return;
              event.stopPropagation();
              drag(id, event.clientX + grip.current.dx, event.clientY + grip.current.dy);
            }}
            onPointerUp={(event) => {
              event.stopPropagation();
              grip.current = undefined;
              letGo();
            }}
            onPointerCancel={() => {
              grip.current = undefined;
              letGo();
            }}
            onKeyDown={(event) => {
              const by = KEYS[event.key];
              if (!by) return;
              event.preventDefault();
              event.stopPropagation();
              const step = event.shiftKey ? LARGE_STEP : STEP;
              nudge(id, [by[0] * step, by[1] * step, by[2] * step]);
            }}
          >
            <span
              aria-hidden
              className={`block rounded-full border-2 border-ink bg-plate/70 ${small ? 'h-3 w-3' : 'h-[18px] w-[18px]'}`}
            />
          </button>
        );
      })}
    </div>
  );
}
