import * as z from 'zod/mini';

/** What a session comes of: it is carried from where it was proposed into the journal. */
export const causeSchema = z.object({
  /** What Today had to say: an offer of `growing/today`. */
  offer: z.optional(z.string().check(z.minLength(1), z.maxLength(40))),
  /** The remedy that is in it. */
  remedy: z.optional(z.string().check(z.minLength(1), z.maxLength(64))),
  /** A day of a course, the first is 1. */
  course: z.optional(
    z.object({
      id: z.string().check(z.minLength(1), z.maxLength(64)),
      day: z.int().check(z.minimum(1), z.maximum(366)),
    }),
  ),
  /** A kept plan that stands on weekdays, and the local day it stood on. */
  scheduled: z.optional(
    z.object({ planId: z.string().check(z.minLength(1), z.maxLength(64)), day: z.int().check(z.minimum(0)) }),
  ),
  /** The lesson that is tried in it, in the learner's words. */
  lesson: z.optional(z.string().check(z.minLength(1), z.maxLength(120))),
  /** The drawing whose picture is drawn again under its rule: see `keptDrawingId`. */
  again: z.optional(z.string().check(z.minLength(1), z.maxLength(500))),
});
export type Cause = z.infer<typeof causeSchema>;
