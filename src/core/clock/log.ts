import * as z from 'zod/mini';
import { LONGEST_MS } from '../practice/time/duration';
import { LONGEST_REFERENCE_ID } from '../figure/catalogue/referenceId';
import { pictureNotesSchema } from '../practice/plan/pictureNotes';

/** Milliseconds on the session clock: wall time at the session's start, then monotonic; it never goes back. A session may lie on hold for years. */
export const sessionMsSchema = z.int().check(z.minimum(0), z.maximum(100 * 366 * 86_400_000));
const atMs = sessionMsSchema;

/** `picture`: the pose's picture wasn't on screen yet. */
const holdReasonSchema = z.enum(['paused', 'asleep', 'closed', 'moved', 'picture']);
export type HoldReason = z.infer<typeof holdReasonSchema>;

/** Why the clock stands, in the learner's words. */
export const HOLD_WHYS = [
  'a tool broke',
  'fetching paper',
  'somebody came',
  'the body wants a break',
  'something else',
] as const;
const holdWhySchema = z.enum(HOLD_WHYS);
export type HoldWhy = z.infer<typeof holdWhySchema>;

/** How a line was, in the learner's words. */
export const lineSchema = z.enum(['loose', 'tight']);
export type Line = z.infer<typeof lineSchema>;

/** A pose of the plan. */
const poseAt = { blockIndex: z.int().check(z.minimum(0)), poseIndex: z.int().check(z.minimum(0)) };

const share = z.number().check(z.minimum(0), z.maximum(1));

/** A line drawn on a picture is kept by so many points at most. */
export const MOST_LINE_POINTS = 60;

/** What happened in a session, in order. Together with the plan it is the whole truth about it. */
export const runEventSchema = z.discriminatedUnion('type', [
  z.object({ type: z.literal('start'), atMs }),
  /** The clock stops: by the learner, or as of the last sign of life before sleep, closing or moving to another tab. */
  z.object({ type: z.literal('hold'), atMs, reason: holdReasonSchema }),
  /** `counted`: the time on hold was drawn after all. */
  z.object({ type: z.literal('resume'), atMs, counted: z.boolean() }),
  z.object({ type: z.literal('next'), atMs }),
  z.object({ type: z.literal('back'), atMs }),
  z.object({ type: z.literal('restart'), atMs }),
  z.object({ type: z.literal('extend'), atMs, byMs: z.int().check(z.minimum(0), z.maximum(LONGEST_MS)) }),
  /** A drawing of any segment, running or coming, gets another length; what has passed of it stays. */
  z.object({
    type: z.literal('length'),
    atMs,
    segmentIndex: z.int().check(z.minimum(0)),
    lengthMs: z.int().check(z.minimum(1000), z.maximum(LONGEST_MS)),
  }),
  /** The drawing at hand, or the one before, once more as an extra. */
  z.object({ type: z.literal('oneMore'), atMs }),
  /** What is left of a pot is shared out evenly among the drawings to come. */
  z.object({ type: z.literal('shareOut'), atMs }),
  /** How the line was, in a gap. */
  z.object({ type: z.literal('line'), atMs, line: lineSchema }),
  /** Why it is on hold. */
  z.object({ type: z.literal('why'), atMs, why: holdWhySchema }),
  /** A look at the sheet in blind work; `forMs` is how long, where the key was held. */
  z.object({ type: z.literal('peek'), atMs, forMs: z.optional(z.int().check(z.minimum(0), z.maximum(3600_000))) }),
  /** The line was lifted by accident. */
  z.object({ type: z.literal('lift'), atMs }),
  /** It is drawn into a perspective box; the name is that of older versions. */
  z.object({ type: z.literal('intoRoom'), atMs }),
  /** Where on the picture the drawing was begun, shares of its width and height. */
  z.object({ type: z.literal('startPoint'), atMs, x: share, y: share }),
  /** The learner's own line of the flow, drawn on the picture while it was looked at; shares of its width and height. */
  z.object({
    type: z.literal('flowLine'),
    atMs,
    points: z.array(z.tuple([share, share])).check(z.minLength(2), z.maxLength(MOST_LINE_POINTS)),
  }),
  /** Where the eye is to go first, chosen on the picture before it is drawn, and whether it still does. */
  z.object({ type: z.literal('focal'), atMs, x: share, y: share }),
  z.object({ type: z.literal('focalKept'), atMs, kept: z.boolean() }),
  /** Whether the whole figure was down when the last drawing ended. */
  z.object({ type: z.literal('whole'), atMs, down: z.boolean() }),
  /** How many marks the last drawing took, and what of what was looked for it does not have, as the learner said. */
  z.object({ type: z.literal('marks'), atMs, count: z.int().check(z.minimum(0), z.maximum(9999)) }),
  z.object({
    type: z.literal('missing'),
    atMs,
    elements: z.array(z.string().check(z.minLength(1), z.maxLength(120))).check(z.maxLength(12)),
  }),
  /** Something was rubbed out where nothing is to be. */
  z.object({ type: z.literal('rubbedOut'), atMs }),
  /** All of the figure is in: from here on it is mended. */
  z.object({ type: z.literal('wholeIn'), atMs }),
  /** The other of two exercises for the pose at hand, or the one that comes; given again, back to the first. */
  z.object({ type: z.literal('choose'), atMs }),
  /** From a pose on, another picture wherever the plan has that pose's. */
  z.object({
    type: z.literal('picture'),
    atMs,
    ...poseAt,
    referenceId: z.string().check(z.maxLength(LONGEST_REFERENCE_ID)),
    ...pictureNotesSchema.shape,
  }),
  /** From a pose on, another medium wherever the plan has that pose's. */
  z.object({ type: z.literal('medium'), atMs, ...poseAt, medium: z.string().check(z.maxLength(40)) }),
  /** The other hand, from a pose to the end of its block; given again, back. */
  z.object({ type: z.literal('hand'), atMs, ...poseAt }),
  z.object({ type: z.literal('stop'), atMs }),
]);
export type RunEvent = z.infer<typeof runEventSchema>;

/** More than anybody presses in a day: the run takes no further event but its end. */
export const MOST_EVENTS = 20_000;
export const runLogSchema = z.array(runEventSchema).check(z.maxLength(MOST_EVENTS));
