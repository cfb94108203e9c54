import { z } from 'zod';

/** Milliseconds on the session clock: wall time at the session's start, then monotonic; it never goes back. */
const atMs = z.int().min(0);

const holdReasonSchema = z.enum(['paused', 'asleep', 'closed', 'moved']);
export type HoldReason = z.infer<typeof holdReasonSchema>;

/** What happened in a session, in order. Together with the plan it is the whole truth about it. */
const runEventSchema = z.discriminatedUnion('type', [
  z.object({ type: z.literal('start'), atMs }),
  /** The clock stops: by the learner, or as of the last sign of life before sleep, closing or moving to another tab. */
  z.object({ type: z.literal('hold'), atMs, reason: holdReasonSchema }),
  /** `counted`: the time on hold was drawn after all. */
  z.object({ type: z.literal('resume'), atMs, counted: z.boolean() }),
  z.object({ type: z.literal('next'), atMs }),
  z.object({ type: z.literal('back'), atMs }),
  z.object({ type: z.literal('restart'), atMs }),
  z.object({ type: z.literal('extend'), atMs, byMs: z.int().min(0).max(3600_000) }),
  z.object({ type: z.literal('peek'), atMs }),
  z.object({ type: z.literal('stop'), atMs }),
]);
export type RunEvent = z.infer<typeof runEventSchema>;

export const runLogSchema = z.array(runEventSchema).max(20_000);
