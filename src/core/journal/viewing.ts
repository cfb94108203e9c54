import * as z from 'zod/mini';
import { LONGEST_REFERENCE_ID } from '../figure/catalogue/referenceId';
import { momentSchema } from '../moment';

const share = z.number().check(z.minimum(0), z.maximum(1));

/** The largest and the smallest zoom of a picture while it is drawn from; below 1 only to show a figure at a size in centimeters. */
export const MAX_ZOOM = 6;
export const MIN_ZOOM = 0.1;

/** How a reference was seen last, and where it was begun: remembered per picture, the picture itself is untouched. */
export const viewingSchema = z.object({
  /** The reference's id. */
  id: z.string().check(z.minLength(1), z.maxLength(LONGEST_REFERENCE_ID)),
  zoom: z.number().check(z.minimum(MIN_ZOOM), z.maximum(MAX_ZOOM)),
  /** Shift of its middle, as shares of its shown size. */
  panX: z.number().check(z.minimum(-1), z.maximum(1)),
  panY: z.number().check(z.minimum(-1), z.maximum(1)),
  /** Where drawings of it were begun, newest last. */
  starts: z.array(z.object({ x: share, y: share, atMs: momentSchema })).check(z.maxLength(12)),
  /** An edge the learner traced for the pace, shares of width and height. */
  edge: z.optional(z.array(z.tuple([share, share])).check(z.maxLength(4000))),
});
export type Viewing = z.infer<typeof viewingSchema>;

/** The picture whole, in the middle of its place. */
export const WHOLE = { zoom: 1, panX: 0, panY: 0 } as const;

/** How a picture is seen that was never looked at closely: whole, upright, in color. */
export const freshViewing = (id: string): Viewing => ({ id, ...WHOLE, starts: [] });

const MOST_STARTS = 12;

/** With one more place it was begun at. */
export const withStart = (viewing: Viewing, x: number, y: number, atMs: number): Viewing => ({
  ...viewing,
  starts: [...viewing.starts, { x, y, atMs }].slice(-MOST_STARTS),
});
