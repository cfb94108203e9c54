import * as z from 'zod/mini';
import { MATERIALS } from '../hand/ink';
import type { StrokePoint } from '../hand/stroke';

/** What a sheet on the screen is drawn with. */
const SHEET_TOOLS = [...MATERIALS, 'eraser'] as const;
export type SheetTool = (typeof SHEET_TOOLS)[number];

/** Numbers kept of each place of the tool. */
const PER_POINT = 4;
/** Places kept of one stroke at most: an hour of one line at 60 a second is more than this, and is gone over again thinned. */
const MOST_POINTS = 250_000;
/** A sheet's own hundredths of a millimeter, and thousandths of full pressure. */
const PER_MM = 100;
const FULL_PRESS = 1000;

/** One stroke on a sheet on the screen, as it is kept. */
export const inkStrokeSchema = z.object({
  /** Of the session and its place in it: see `inkStrokeId`. */
  id: z.string().check(z.minLength(1), z.maxLength(120)),
  sessionId: z.string().check(z.minLength(1), z.maxLength(64)),
  /** Which sheet of the session it is on, from 0. */
  sheet: z.int().check(z.minimum(0), z.maximum(100_000)),
  /** Its drawing among the session's, as `drawingKey` names it. */
  drawing: z.string().check(z.maxLength(400)),
  /** How often the drawing had been started over before. */
  attempt: z.int().check(z.minimum(0), z.maximum(10_000)),
  /** The how many-eth stroke of the session it is, from 0. */
  n: z.int().check(z.minimum(0), z.maximum(10_000_000)),
  /** When it was begun: drawing time, milliseconds since its drawing began, holds left out. */
  atMs: z.int().check(z.minimum(0), z.maximum(366 * 86_400_000)),
  tool: z.enum(SHEET_TOOLS),
  by: z.enum(['pen', 'finger', 'mouse']),
  /** Four numbers a place: hundredths of a millimeter across and down the sheet, milliseconds since it began, thousandths of full pressure. */
  points: z.array(z.int()).check(
    z.minLength(PER_POINT),
    z.maxLength(MOST_POINTS * PER_POINT),
    z.refine((all) => all.length % PER_POINT === 0),
  ),
  /** Its sheet lay on its side; missing for one that stood upright. */
  lying: z.optional(z.boolean()),
  /** Laid with the side of the point: the pen was held flat. */
  side: z.optional(z.boolean()),
  /** How many millimeters the hand moved for one of the sheet, where the screen's size was measured. */
  movedMm: z.optional(z.number().check(z.minimum(0.001), z.maximum(1000))),
  /** Taken back by the learner, where that may be done: it is kept, and neither seen nor counted. */
  undone: z.optional(z.boolean()),
});
export type InkStroke = z.infer<typeof inkStrokeSchema>;

/** Strokes of a session are next to one another, in the order they were made. */
export const inkStrokeId = (sessionId: string, n: number): string => `${sessionId}/${String(n).padStart(8, '0')}`;

/** A stroke as it was made, for looking at and measuring. */
export interface Mark {
  /** Millimeters on the sheet, milliseconds of the drawing's own time, pressure 0 to 1. */
  points: readonly StrokePoint[];
}

/** The numbers that are kept of some places. @param points Milliseconds since the stroke began; millimeters; pressure 0 to 1. */
export const packed = (points: readonly StrokePoint[]): number[] =>
  points.flatMap(([x, y, at, press]) => [
    Math.round(x * PER_MM),
    Math.round(y * PER_MM),
    Math.round(at),
    Math.round(Math.max(0, Math.min(1, press)) * FULL_PRESS),
  ]);

/** A kept stroke in millimeters and in its drawing's time. */
export function markOf({ points, atMs }: Pick<InkStroke, 'points' | 'atMs'>): Mark {
  const places: StrokePoint[] = [];
  for (let i = 0; i < points.length; i += PER_POINT)
    places.push([points[i] / PER_MM, points[i + 1] / PER_MM, atMs + points[i + 2], points[i + 3] / FULL_PRESS]);
  return { points: places };
}

/** What of strokes counts as drawn: nothing taken back, no eraser. */
export const marksOf = (strokes: readonly InkStroke[]): Mark[] =>
  strokes.filter(({ undone, tool }) => !undone && tool !== 'eraser').map(markOf);
