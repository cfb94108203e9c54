import type { Stroke } from '@/core/hand/stroke';

/** Widths of a point and of a side, shares of the drawing's longer side. */
const POINT = 0.0042;
const SIDE = 0.022;
/** A tool's side covers what is under it only so far. */
const SIDE_COVERS = 0.3;

/**
 * Paint strokes up to a moment, on a canvas that is cleared first.
 * @param scale Pixels of the canvas for each of the drawing's.
 * @param long The drawing's longer side, in its own pixels.
 */
export function paintStrokes(
  context: CanvasRenderingContext2D,
  strokes: readonly Stroke[],
  { untilMs, scale, long, color }: { untilMs: number; scale: number; long: number; color: string },
): void {
  const { width, height } = context.canvas;
  context.clearRect(0, 0, width, height);
  context.strokeStyle = color;
  context.lineCap = 'round';
  context.lineJoin = 'round';
  for (const { points, broad } of strokes) {
    if (points.length === 0 || points[0][2] > untilMs) break;
    for (let i = 1; i < points.length && points[i][2] <= untilMs; i++) {
      const [a, b] = [points[i - 1], points[i]];
      context.globalAlpha = broad ? SIDE_COVERS : 0.35 + 0.65 * b[3];
      context.lineWidth = long * scale * (broad ? SIDE : POINT * (0.45 + 0.8 * b[3]));
      context.beginPath();
      context.moveTo(a[0] * scale, a[1] * scale);
      context.lineTo(b[0] * scale, b[1] * scale);
      context.stroke();
    }
  }
  context.globalAlpha = 1;
}
