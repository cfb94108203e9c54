import type { Point } from '../figure/facts/actionLine';

/** A place of the tool on the sheet at a moment: pixels, milliseconds since the drawing began, and how hard it is pressed, 0 to 1. */
export type StrokePoint = readonly [x: number, y: number, atMs: number, press: number];

/** One mark, from where the tool is put down to where it is lifted. */
export interface Stroke {
  points: readonly StrokePoint[];
  /** The stage of the drawing it belongs to. */
  stage: string;
  /** Laid with the side of the tool rather than its point. */
  broad: boolean;
}

/** A drawing as it is made: strokes in the order of time, on a sheet of so many pixels. */
export interface HandDrawing {
  width: number;
  height: number;
  strokes: Stroke[];
  /** Where the drawing puts the landmarks of what it was drawn from. */
  places: ReadonlyMap<string, Point>;
  /** Time it took, milliseconds. */
  tookMs: number;
}

/** Length of a line, in the unit of its points. */
export const lineLength = (points: readonly (readonly number[])[]): number => {
  let sum = 0;
  for (let i = 1; i < points.length; i++)
    sum += Math.hypot(points[i][0] - points[i - 1][0], points[i][1] - points[i - 1][1]);
  return sum;
};

/** What of strokes is on the sheet at a moment: whole ones, and the one under way as far as it has come. */
export function strokesUntil(strokes: readonly Stroke[], ms: number): Stroke[] {
  return strokes.flatMap((stroke) => {
    const { points } = stroke;
    if (points.length === 0 || points[0][2] > ms) return [];
    if (points[points.length - 1][2] <= ms) return [stroke];
    return [{ ...stroke, points: points.filter(([, , at]) => at <= ms) }];
  });
}
