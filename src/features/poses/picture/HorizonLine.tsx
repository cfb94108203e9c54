'use client';
import { type KeyboardEvent, type PointerEvent, useRef } from 'react';
import { clamp } from '@/core/clamp';
import { ARROWS } from '@/ui/input/arrows';

const STEP = 0.005;
/** It may lie outside the picture, as seen from high above or far below. */
const [HIGHEST, LOWEST] = [-1, 2];

/** Where a horizon at a share of the height is, in words. */
export function horizonWords(at: number): string {
  const percent = (share: number): string => `${String(Math.round(share * 100))} %`;
  if (at < 0) return `${percent(-at)} of the height above the picture`;
  return at > 1 ? `${percent(at - 1)} of the height below the picture` : `${percent(at)} down`;
}

/** A level line over a picture, dragged to where its horizon is; arrow keys move it, with Shift in larger steps. */
export function HorizonLine({
  at,
  w,
  h,
  onChange,
}: {
  at: number;
  w: number;
  h: number;
  onChange: (at: number) => void;
}) {
  const held = useRef(false);
  const set = (value: number): void => onChange(clamp(value, HIGHEST, LOWEST));
  const drag = (event: PointerEvent<SVGElement>): void => {
    const matrix = event.currentTarget.ownerSVGElement?.getScreenCTM()?.inverse();
    if (held.current && matrix) set(new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix).y / h);
  };
  const onKeyDown = (event: KeyboardEvent): void => {
    const arrow = ARROWS[event.key];
    if (!arrow) return;
    event.preventDefault();
    set(at + arrow[1] * STEP * (event.shiftKey ? 10 : 1));
  };
  // Outside the picture the handle stays at its edge.
  const y = clamp(at, 0, 1) * h;
  return (
    <g
      role="slider"
      tabIndex={0}
      aria-label="The horizon: arrow keys move it, with Shift further"
      aria-orientation="vertical"
      aria-valuemin={HIGHEST * 100}
      aria-valuemax={LOWEST * 100}
      aria-valuenow={Math.round(at * 100)}
      aria-valuetext={horizonWords(at)}
      className="group cursor-ns-resize outline-none"
      onKeyDown={onKeyDown}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        held.current = true;
        drag(event);
      }}
      onPointerMove={drag}
      onPointerUp={() => (held.current = false)}
      onPointerCancel={() => (held.current = false)}
    >
      <rect x={0} y={y - 30} width={w} height={60} fill="transparent" />
      {[
        ['var(--plate)', 9],
        ['var(--slate)', 4],
      ].map(([color, width]) => (
        <path key={String(color)} d={`M0 ${String(y)}H${String(w)}`} stroke={String(color)} strokeWidth={width} />
      ))}
      <circle
        cx={w / 2}
        cy={y}
        r={16}
        fill="var(--ground)"
        stroke="var(--slate)"
        strokeWidth={5}
        className="group-focus-visible:stroke-ink group-focus-visible:stroke-[9]"
      />
    </g>
  );
}
