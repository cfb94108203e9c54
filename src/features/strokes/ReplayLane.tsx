'use client';
import { useEffect, useMemo, useRef } from 'react';
import { type InkStroke, markOf } from '@/core/strokes/inkStroke';
import type { Plan } from '@/core/practice/plan/schema';
import { USUAL_SHEET } from '@/core/practice/paper/sheet';
import { PAPER_COLORS } from '@/ui/ink/grain';
import { type InkGround, paintStroke } from '@/ui/ink/paintInk';

/** Around a drawing so much of its sheet is seen, millimeters. */
const AROUND_MM = 12;

/** The part of a sheet its drawing is on. */
function windowOf(
  strokes: readonly InkStroke[],
  widthMm: number,
  heightMm: number,
): readonly [number, number, number, number] {
  let [x0, y0, x1, y1] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const stroke of strokes)
    for (const [x, y] of markOf(stroke).points)
      [x0, y0, x1, y1] = [Math.min(x0, x), Math.min(y0, y), Math.max(x1, x), Math.max(y1, y)];
  if (x1 < x0) return [0, 0, widthMm, heightMm];
  const [left, top] = [Math.max(0, x0 - AROUND_MM), Math.max(0, y0 - AROUND_MM)];
  return [left, top, Math.min(widthMm, x1 + AROUND_MM) - left, Math.min(heightMm, y1 + AROUND_MM) - top];
}

/** A drawing as it was at a moment of its own time, painted on without anything being rendered. */
export function ReplayLane({
  strokes,
  size,
  paper = USUAL_SHEET.paper,
  follow,
  height,
  label,
}: {
  strokes: readonly InkStroke[];
  size: { widthMm: number; heightMm: number };
  paper?: NonNullable<Plan['sheet']>['paper'] | undefined;
  /** Has it shown moments, milliseconds of drawing time: at once, then as they come, until what it returns is called. */
  follow: (show: (ms: number) => void) => () => void;
  /** CSS pixels at most. */
  height: number;
  label: string;
}) {
  const finished = useRef<HTMLCanvasElement>(null);
  const underWay = useRef<HTMLCanvasElement>(null);
  const part = useMemo(() => windowOf(strokes, size.widthMm, size.heightMm), [strokes, size.widthMm, size.heightMm]);
  const [left, top, wideMm, highMm] = part;
  const perMm = (height * 2) / highMm;
  useEffect(() => {
    const contexts = [finished.current, underWay.current].map((canvas) => canvas?.getContext('2d'));
    const [base, above] = contexts;
    if (!base || !above) return;
    const grounds = [base, above].map((context): InkGround => {
      context.setTransform(1, 0, 0, 1, -left * perMm, -top * perMm);
      return { context, perMm, leastPx: 2.5, paper };
    });
    const ends = strokes.map((stroke) => stroke.atMs + stroke.points[stroke.points.length - 2]);
    let laid = 0;
    const clear = (context: CanvasRenderingContext2D): void =>
      context.clearRect(left * perMm - 1, top * perMm - 1, context.canvas.width + 2, context.canvas.height + 2);
    return follow((ms) => {
      if (laid > 0 && ends[laid - 1] > ms) {
        laid = 0;
        clear(base);
      }
      while (laid < strokes.length && ends[laid] <= ms) paintStroke(grounds[0], strokes[laid++]);
      clear(above);
      const next = strokes.at(laid);
      if (next && next.atMs <= ms) paintStroke(grounds[1], next, ms);
    });
  }, [strokes, follow, left, top, perMm, paper]);
  const [w, h] = [Math.round(wideMm * perMm), Math.round(highMm * perMm)];
  return (
    <div
      role="img"
      aria-label={label}
      className="relative overflow-hidden"
      style={{
        aspectRatio: `${String(w)} / ${String(h)}`,
        width: `min(100%, ${String(Math.round((height * w) / h))}px)`,
        background: PAPER_COLORS[paper],
      }}
    >
      <canvas ref={finished} width={w} height={h} className="absolute inset-0 size-full" />
      <canvas ref={underWay} width={w} height={h} className="absolute inset-0 size-full" />
    </div>
  );
}
