import * as z from 'zod/mini';
import { AIM_IDS } from '../practice/start/aimIds';
import { LONGEST_SESSION_MINUTES, SHORTEST_SESSION_MINUTES } from '../practice/start/minutes';

/** How long a course can be. */
export const COURSE_DAYS = [10, 30] as const;

const daySchema = z.int().check(z.minimum(0), z.maximum(3_000_000));

/** Some days in a row with one aim. Its days are not kept: each is worked out when it comes. */
export const courseSchema = z.object({
  id: z.string().check(z.minLength(1), z.maxLength(64)),
  aim: z.enum(AIM_IDS),
  days: z.literal([...COURSE_DAYS]),
  minutes: z.int().check(z.minimum(SHORTEST_SESSION_MINUTES), z.maximum(LONGEST_SESSION_MINUTES)),
  /** Local day of its first day. */
  startedDay: daySchema,
  /** A missed day moves the ones after it; otherwise it stays missed. */
  moves: z.boolean(),
  /** Local day on which it was ended before its end. */
  endedDay: z.optional(daySchema),
});
export type Course = z.infer<typeof courseSchema>;
