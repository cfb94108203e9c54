import * as z from 'zod/mini';
import { AIMS } from '@/core/practice/start/aims';
import type { Aim } from '@/core/practice/start/aimIds';
import { SHAPES } from '@/core/practice/fit/fit';

const aims = Object.keys(AIMS) as [Aim, ...Aim[]];

/** What the learner asks of a plan: kept between visits. */
export const askSchema = z.object({
  /** For so long, or until a clock time. */
  until: z.boolean(),
  availableMs: z.int().check(z.minimum(1000), z.maximum(86_400_000)),
  /** Until: what is left is shared out again where something runs over; missing is yes. */
  holds: z.optional(z.boolean()),
  /** Minutes after midnight. */
  untilMinute: z.int().check(z.minimum(0), z.maximum(1439)),
  aim: z.enum(aims),
  shape: z.enum(SHAPES),
  liveModel: z.boolean(),
  withoutLines: z.boolean(),
  /** Weights of one's own, in place of the aim's. */
  wishes: z.nullable(
    z
      .array(z.object({ exercise: z.string(), weight: z.number().check(z.minimum(0), z.maximum(100)) }))
      .check(z.maxLength(12)),
  ),
});
export type Ask = z.infer<typeof askSchema>;

export const USUAL_ASK: Ask = {
  until: false,
  availableMs: 25 * 60_000,
  untilMinute: 20 * 60,
  aim: 'everything',
  shape: 'climb',
  liveModel: false,
  withoutLines: false,
  wishes: null,
};

/** Milliseconds there are: as said, or from the start until the clock time said, the next day's if it is past. */
export function availableOf({ until, availableMs, untilMinute }: Ask, startsAtMinute: number): number {
  if (!until) return availableMs;
  const minutes = (((untilMinute - startsAtMinute) % 1440) + 1440) % 1440;
  return Math.max(60_000, Math.floor((minutes === 0 ? 1440 : minutes) * 60) * 1000);
}
