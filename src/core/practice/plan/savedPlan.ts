import * as z from 'zod/mini';
import { momentSchema } from '../../moment';
import { recipeSchema } from './recipe';

/** When a saved plan comes round: days of the week (0 Sunday to 6 Saturday) and a time of day. */
const scheduleSchema = z.object({
  days: z.array(z.int().check(z.minimum(0), z.maximum(6))).check(z.minLength(1), z.maxLength(7)),
  minute: z.int().check(z.minimum(0), z.maximum(1439)),
  /** How many times; null is for as long as it is kept. */
  times: z.nullable(z.int().check(z.minimum(1), z.maximum(1000))),
  /** Since when it stands on them; missing is since it was kept. */
  sinceMs: z.optional(momentSchema),
  /** A day that was missed is made up for on the next; otherwise it stays missed, and the others where they are. */
  moves: z.optional(z.boolean()),
});
export type Schedule = z.infer<typeof scheduleSchema>;

/** A plan the learner keeps, without the pictures except those pinned to it. */
export const savedPlanSchema = z.object({
  id: z.string().check(z.minLength(1), z.maxLength(64)),
  /** Never empty: there would be nothing to draw on its day. */
  recipe: recipeSchema.check(z.refine(({ blocks }) => blocks.length > 0)),
  savedAtMs: momentSchema,
  schedule: z.nullable(scheduleSchema),
  binnedAtMs: z.nullable(momentSchema),
});
export type SavedPlan = z.infer<typeof savedPlanSchema>;
