import * as z from 'zod/mini';
import { LONGEST_REFERENCE_ID } from '../figure/catalogue/referenceId';
import { sheetSchema } from '../desk/sheet';
import { momentSchema } from '../moment';
import { runLogSchema, sessionMsSchema } from '../clock/log';
import { planSchema } from '../practice/plan/schema';
import { reflectionSchema } from './reflection';

/** Time spent choosing is counted up to a day. */
export const MAX_CHOOSING_MS = 86_400_000;

/** A session: what was planned and everything that happened. */
export const sessionSchema = z.object({
  id: z.string().check(z.minLength(1), z.maxLength(64)),
  plan: planSchema,
  log: runLogSchema,
  /** Wall time of the start, ms since 1970. The session clock begins there. */
  startedAtMs: momentSchema,
  /** When it was noted to have begun, where the learner has corrected that since. */
  notedAtMs: z.optional(momentSchema),
  /** Last sign of life on the session clock, for picking up after a crash. */
  lastSeenMs: sessionMsSchema,
  status: z.enum(['running', 'kept']),
  /** One line by the learner. */
  note: z.string().check(z.maxLength(500)),
  /** Time spent choosing pictures before it, ms; not part of the session's own time. */
  choosingMs: z.optional(z.number().check(z.minimum(0), z.maximum(MAX_CHOOSING_MS))),
  reflection: z.optional(reflectionSchema),
  /** The hand usually drawn with, as it was chosen then. */
  usualHand: z.optional(z.enum(['left', 'right'])),
});
export type Session = z.infer<typeof sessionSchema>;

const share = z.number().check(z.minimum(0), z.maximum(1));

/** Stands for the session of a page that belongs to none. */
export const NO_SESSION = 'none';

/** A photographed sheet. Its image is kept under the same id. */
export const pageSchema = z.object({
  id: z.string().check(z.minLength(1), z.maxLength(64)),
  sessionId: z.string().check(z.minLength(1), z.maxLength(64)),
  widthPx: z.int().check(z.minimum(1)),
  heightPx: z.int().check(z.minimum(1)),
  addedAtMs: momentSchema,
  binnedAtMs: z.nullable(momentSchema),
  /** The sheet itself was thrown away; its record stays and counts. */
  thrownAway: z.optional(z.boolean()),
  /** How the sheet lies in the photograph, and the drawings on it; missing until it was at the Desk. */
  sheet: z.optional(sheetSchema),
  /** Where the learner would change it, shares of width and height. */
  fixes: z.optional(
    z.array(z.object({ x: share, y: share, part: z.string().check(z.maxLength(40)) })).check(z.maxLength(3)),
  ),
  /** Horizon of the perspective box laid over it, a share of its height; missing while there is none. */
  horizon: z.optional(share),
  /** How a reference was last laid over it: its top left corner and its width, as shares of the page's width and height. */
  laid: z.optional(
    z.object({
      referenceId: z.string().check(z.maxLength(LONGEST_REFERENCE_ID)),
      x: z.number().check(z.minimum(-3), z.maximum(3)),
      y: z.number().check(z.minimum(-3), z.maximum(3)),
      width: z.number().check(z.minimum(0.02), z.maximum(10)),
    }),
  ),
});
export type Page = z.infer<typeof pageSchema>;
