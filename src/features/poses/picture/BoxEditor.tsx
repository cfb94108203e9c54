'use client';
import { type KeyboardEvent, type PointerEvent, useRef } from 'react';
import type { PictureBox } from '@/core/references/picture';
import { clamp } from '@/core/clamp';
import { ARROWS } from '@/ui/input/arrows';

const LEAST = 0.04;
const STEP = 0.01;

/** A frame with its edges inside the picture and no smaller than can be grabbed. */
function within({ left, top, width, height }: PictureBox): PictureBox {
  const w = clamp(width, LEAST, 1);
  const h = clamp(height, LEAST, 1);
  return { left: clamp(left, 0, 1 - w), top: clamp(top, 0, 1 - h), width: w, height: h };
}

/** A frame over a picture: dragged to move it, by its corner to size it; arrow keys move, with Shift they size. */
export function BoxEditor({
  box,
  w,
  h,
  onChange,
}: {
  box: PictureBox;
  w: number;
  h: number;
  onChange: (box: PictureBox) => void;
}) {
  const from = useRef<{ x: number; y: number; box: PictureBox; corner: boolean }>(undefined);
  const place = (event: PointerEvent<SVGElement>): { x: number; y: number } | undefined => {
    const matrix = event.currentTarget.ownerSVGElement?.getScreenCTM()?.inverse();
    if (!matrix) return undefined;
    const p = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix);
    return { x: p.x / w, y: p.y / h };
  };
  const begin = (event: PointerEvent<SVGElement>, corner: boolean): void => {
    event.currentTarget.setPointerCapture(event.pointerId);
    const at = place(event);
    if (at) from.current = { ...at, box, corner };
  };
  const drag = (event: PointerEvent<SVGElement>): void => {
    const at = place(event);
    if (!at || !from.current) return;
    const { x, y, box: b, corner } = from.current;
    const [dx, dy] = [at.x - x, at.y - y];
    onChange(
      within(
        corner
          ? {
              ...b,
              width: Math.min(b.width + dx, 1 - b.left),
              height: Math.min(b.height + dy, 1 - b.top),
            }
          : { ...b, left: b.left + dx, top: b.top + dy },
      ),
    );
  };
  const end = (): void => {
    from.current = undefined;
  };
  const onKeyDown = (event: KeyboardEvent): void => {
    const arrow = ARROWS[event.key];
    if (!arrow) return;
    const step = [arrow[0] * STEP, arrow[1] * STEP];
    event.preventDefault();
    onChange(
      within(
        event.shiftKey
          ? {
              ...box,
              width: Math.min(box.width + step[0], 1 - box.left),
              height: Math.min(box.height + step[1], 1 - box.top),
            }
          : { ...box, left: box.left + step[0], top: box.top + step[1] },
      ),
    );
  };
  const [x, y, width, height] = [box.left * w, box.top * h, box.width * w, box.height * h];
  return (
    <g>
      <path
        d={`M0 0H${String(w)}V${String(h)}H0ZM${String(x)} ${String(y)}v${String(height)}h${String(width)}v${String(-height)}Z`}
        fill="var(--ground)"
        fillOpacity={0.55}
        fillRule="evenodd"
      />
      <rect
        role="slider"
        tabIndex={0}
        aria-label="The frame: arrow keys move it, with Shift they size it"
        aria-valuenow={Math.round(box.left * 100)}
        aria-valuetext={`from ${String(Math.round(box.left * 100))} % across and ${String(Math.round(box.top * 100))} % down, ${String(Math.round(box.width * 100))} by ${String(Math.round(box.height * 100))} %`}
        x={x}
        y={y}
        width={width}
        height={height}
        fill="transparent"
        stroke="var(--ink)"
        strokeWidth={3}
        className="cursor-move"
        onKeyDown={onKeyDown}
        onPointerDown={(event) => begin(event, false)}
        onPointerMove={drag}
        onPointerUp={end}
      />
      <circle
        cx={x + width}
        cy={y + height}
        r={20}
        fill="var(--ground)"
        stroke="var(--ink)"
        strokeWidth={4}
        className="cursor-nwse-resize"
        onPointerDown={(event) => begin(event, true)}
        onPointerMove={drag}
        onPointerUp={end}
      />
    </g>
  );
}
