import type { Material } from '@/core/hand/ink';
import type { StrokePoint } from '@/core/hand/stroke';
import type { Plan } from '@/core/practice/plan/schema';
import { type InkStroke, markOf, type SheetTool } from '@/core/strokes/inkStroke';
import { type Laid, meanPress, ringPath, strokeOutline, strokePieces } from '@/core/strokes/outline';
import { inkAlpha } from '@/core/strokes/takeOut';
import { grainOf } from './grain';

type Context = CanvasRenderingContext2D | OffscreenCanvasRenderingContext2D;

/** A canvas that ink is laid on. */
export interface InkGround {
  context: Context;
  /** Pixels of the canvas for each millimeter of the sheet. */
  perMm: number;
  /** A line is laid no narrower than so many pixels of the canvas. */
  leastPx: number;
  paper: NonNullable<Plan['sheet']>['paper'];
}

const fills = new WeakMap<Context, Map<string, CanvasPattern | string>>();
/** The fill of a material, made once for each canvas. */
function fillOf({ context, paper }: InkGround, material: Material): CanvasPattern | string {
  const made = fills.get(context) ?? new Map<string, CanvasPattern | string>();
  fills.set(context, made);
  const key = `${material} ${paper}`;
  const fill = made.get(key) ?? grainOf(context, material, paper);
  made.set(key, fill);
  return fill;
}

/** Have the fill of a tool ready, so that its first stroke does not wait for it. */
export function prepareInk(ground: InkGround, tool: SheetTool): void {
  if (tool !== 'eraser') fillOf(ground, tool);
}

/** Fill a path given in millimeters; the grain stays in the canvas's own pixels. */
function fillPath(ground: InkGround, path: string, tool: SheetTool, alpha: number): void {
  const { context, perMm } = ground;
  const scaled = new Path2D();
  scaled.addPath(new Path2D(path), new DOMMatrix([perMm, 0, 0, perMm, 0, 0]));
  context.save();
  context.globalAlpha = alpha;
  if (tool === 'eraser') context.globalCompositeOperation = 'destination-out';
  else context.fillStyle = fillOf(ground, tool);
  context.fill(scaled);
  context.restore();
}

const leastHalf = ({ leastPx, perMm }: InkGround): number => leastPx / 2 / perMm;

/**
 * Lay some of a stroke's places, opaque: what lies over the sheet while it is drawn.
 * @param ended The stroke ends with them.
 */
export const paintPiece = (ground: InkGround, points: readonly StrokePoint[], laid: Laid, ended: boolean): void =>
  fillPath(ground, ringPath(strokeOutline(points, laid, ended, leastHalf(ground))), laid.tool, 1);

/** Lay a whole stroke, or as much of it as was there at a moment. @param untilMs Drawing time. */
export function paintStroke(
  ground: InkGround,
  stroke: Pick<InkStroke, 'points' | 'atMs' | 'tool' | 'side'>,
  untilMs = Infinity,
): void {
  const { points: all } = markOf(stroke);
  const points = untilMs === Infinity ? all : all.filter(([, , at]) => at <= untilMs);
  if (points.length === 0) return;
  const pieces = strokePieces(points.length);
  const path = pieces
    .map(([from, to], i) =>
      ringPath(strokeOutline(points.slice(from, to), stroke, i === pieces.length - 1, leastHalf(ground))),
    )
    .join('');
  fillPath(ground, path, stroke.tool, stroke.tool === 'eraser' ? 1 : inkAlpha(stroke.tool, meanPress(points)));
}

/** So long may strokes be laid in one go, milliseconds: then keys and clock have their turn. */
const SLICE_MS = 8;

/** Lay many strokes in their order, in slices between which the page lives. @returns Called, it stops. */
export function paintStrokes(ground: InkGround, strokes: readonly InkStroke[], onDone?: () => void): () => void {
  let next = 0;
  let stopped = false;
  const slice = (): void => {
    if (stopped) return;
    const until = performance.now() + SLICE_MS;
    while (next < strokes.length && performance.now() < until) paintStroke(ground, strokes[next++]);
    if (next < strokes.length) setTimeout(slice);
    else onDone?.();
  };
  slice();
  return () => {
    stopped = true;
  };
}
