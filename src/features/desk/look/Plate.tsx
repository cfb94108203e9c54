'use client';
import { type PointerEvent, type ReactNode, useRef } from 'react';
import { behindWindow, inFigure, inWindow, type Pictured, type Turned, unturned, type Window } from '@/core/desk/pair';
import type { LaidLine, LineTool } from './look';

const OVER = {
  fill: 'none',
  stroke: 'var(--slate)',
  strokeWidth: 2.2,
  vectorEffect: 'non-scaling-stroke',
} as const;

/** One picture of a pair, in its window: everything over it is in shares of the window. */
export function Plate({
  url,
  alt,
  pictured,
  window,
  turned,
  filter,
  small,
  lines,
  onDraw,
  children,
}: {
  url: string;
  alt: string;
  pictured: Pictured;
  window: Window;
  turned: Turned;
  filter: string | undefined;
  /** Seen from so far away: a share of its size. */
  small: number;
  lines: readonly LaidLine[];
  /** Where a press and its release are, shares of the figure; missing where nothing is drawn. */
  onDraw: ((from: [number, number], to: [number, number]) => void) | undefined;
  children?: ReactNode;
}) {
  const plate = useRef<HTMLDivElement>(null);
  const from = useRef<[number, number]>(undefined);
  const at = (event: PointerEvent): [number, number] => {
    const box = plate.current?.getBoundingClientRect();
    if (!box) return [0, 0];
    const seen = unturned(turned, [(event.clientX - box.left) / box.width, (event.clientY - box.top) / box.height]);
    return inFigure(pictured, window, seen);
  };
  const point = (p: readonly [number, number]): [number, number] => inWindow(pictured, window, p);
  const ends = (
    line: Extract<LaidLine, { kind: LineTool }>,
  ): [readonly [number, number], readonly [number, number]] => {
    if (line.kind === 'plumb') {
      const [x] = point([line.u, 0]);
      return [
        [x, 0],
        [x, 1],
      ];
    }
    if (line.kind === 'level') {
      const [, y] = point([0, line.v]);
      return [
        [0, y],
        [1, y],
      ];
    }
    return [point(line.from), point(line.to)];
  };
  return (
    <div
      ref={plate}
      className={`absolute inset-0 overflow-hidden bg-sheet ${onDraw ? 'cursor-crosshair touch-none' : ''}`}
      style={{
        transform: `rotate(${String(turned.quarters * 90)}deg) scale(${String(small * (turned.mirrored ? -1 : 1))}, ${String(small)})`,
      }}
      onPointerDown={
        onDraw &&
        ((event) => {
          event.currentTarget.setPointerCapture(event.pointerId);
          from.current = at(event);
        })
      }
      onPointerUp={
        onDraw &&
        ((event) => {
          if (from.current) onDraw(from.current, at(event));
          from.current = undefined;
        })
      }
    >
      <img
        src={url}
        alt={alt}
        draggable={false}
        className="absolute max-w-none select-none"
        style={{ ...behindWindow(pictured, window), filter }}
      />
      <svg viewBox="0 0 1 1" preserveAspectRatio="none" className="pointer-events-none absolute inset-0 h-full w-full">
        {lines.map((line, i) => {
          if (line.kind === 'path')
            return <path key={i} d={`M${line.points.map((p) => point(p).join(' ')).join('L')}`} {...OVER} />;
          if (line.kind === 'spot') {
            const [x, y] = point(line.at);
            // A dot of a stroke's width is round however the plate is shaped.
            return (
              <path
                key={i}
                d={`M${String(x)} ${String(y)}h0.0001`}
                {...OVER}
                strokeWidth={14}
                strokeLinecap="round"
                strokeOpacity={0.6}
              />
            );
          }
          const [[x1, y1], [x2, y2]] = ends(line);
          return (
            <line
              key={i}
              x1={x1}
              y1={y1}
              x2={x2}
              y2={y2}
              stroke="var(--slate)"
              strokeWidth={1.6}
              vectorEffect="non-scaling-stroke"
            />
          );
        })}
      </svg>
      {children}
    </div>
  );
}
