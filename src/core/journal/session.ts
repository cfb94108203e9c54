import { z } from 'zod';
import { accountRun, type RunAccount } from '../clock/account';
import { runLogSchema } from '../clock/log';
import { planSchema } from '../practice/schema';

/** A session: what was planned and everything that happened. */
export const sessionSchema = z.object({
  id: z.string().min(1).max(64),
  plan: planSchema,
  log: runLogSchema,
  /** Wall time of the start, ms since 1970. The session clock begins there. */
  startedAtMs: z.number().int().min(0),
  /** Last sign of life on the session clock, for picking up after a crash. */
  lastSeenMs: z.number().int().min(0),
  status: z.enum(['running', 'kept']),
  /** One line by the learner. */
  note: z.string().max(500),
  /** Time spent choosing pictures before it, ms; not part of the session's own time. */
  choosingMs: z.number().min(0).optional(),
});
export type Session = z.infer<typeof sessionSchema>;

/** A photographed sheet. Its image is kept under the same id. */
export const pageSchema = z.object({
  id: z.string().min(1).max(64),
  sessionId: z.string().min(1).max(64),
  widthPx: z.int().min(1),
  heightPx: z.int().min(1),
  addedAtMs: z.number().int().min(0),
  binnedAtMs: z.number().int().min(0).nullable(),
});
export type Page = z.infer<typeof pageSchema>;

/** Account of a session, to its end or to the last sign of life. */
export function accountSession({ plan, log, lastSeenMs }: Session): RunAccount {
  return accountRun(plan, log, lastSeenMs);
}
