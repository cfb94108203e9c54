'use client';
import { type PointerEvent, useRef } from 'react';
import { perspectiveBox } from '@/core/seeing/perspectiveBox';

const STEP = 0.02;
/** Within the frame, to a thousandth of it. */
const inside = (y: number): number => Math.round(Math.max(0, Math.min(1, y)) * 1000) / 1000;

/** Floor, ceiling and horizon laid over what it stands in; the horizon is dragged or moved by arrow keys. */
export function PerspectiveBox({
  horizon,
  onHorizon,
  onRest,
}: {
  /** Height of the eye, 0 the top to 1 the bottom. */
  horizon: number;
  /** Missing where it is only looked at. */
  onHorizon: ((horizon: number) => void) | undefined;
  /** Told where it has come to rest. */
  onRest?: (horizon: number) => void;
}) {
  const frame = useRef<HTMLDivElement>(null);
  const drag = (event: PointerEvent): void => {
    const box = frame.current?.getBoundingClientRect();
    if (box && onHorizon && event.currentTarget.hasPointerCapture(event.pointerId))
      onHorizon(inside((event.clientY - box.top) / box.height));
  };
  return (
    <div ref={frame} className="pointer-events-none absolute inset-0 overflow-hidden">
      <svg aria-hidden viewBox="0 0 1 1" preserveAspectRatio="none" className="absolute inset-0 h-full w-full">
        {perspectiveBox(horizon).map(([x1, y1, x2, y2], i) => (
          <path
            key={i}
            d={`M${String(x1)} ${String(y1)}L${String(x2)} ${String(y2)}`}
            stroke="var(--russet)"
            strokeWidth={i === 0 ? 2 : 1}
            strokeOpacity={i === 0 ? 1 : 0.6}
            vectorEffect="non-scaling-stroke"
          />
        ))}
      </svg>
      {onHorizon && (
        <button
          type="button"
          role="slider"
          aria-label="Horizon: drag it, or arrow keys"
          aria-orientation="vertical"
          aria-valuemin={0}
          aria-valuemax={100}
          aria-valuenow={Math.round((1 - horizon) * 100)}
          aria-valuetext={`${String(Math.round((1 - horizon) * 100))} % up`}
          className="pointer-events-auto absolute right-[12%] h-11 w-14 -translate-y-1/2 cursor-ns-resize touch-none"
          style={{ top: `${String(horizon * 100)}%` }}
          onPointerDown={(event) => event.currentTarget.setPointerCapture(event.pointerId)}
          onPointerMove={drag}
          onPointerUp={() => onRest?.(horizon)}
          onKeyDown={(event) => {
            const by = event.key === 'ArrowUp' ? -STEP : event.key === 'ArrowDown' ? STEP : 0;
            if (by === 0) return;
            event.preventDefault();
            event.stopPropagation();
            const next = inside(horizon + by);
            onHorizon(next);
            onRest?.(next);
          }}
        >
          <span className="absolute inset-x-2 top-1/2 h-3 -translate-y-1/2 rounded-full border-2 border-russet bg-sheet" />
        </button>
      )}
    </div>
  );
}
