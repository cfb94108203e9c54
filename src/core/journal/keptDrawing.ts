import * as z from 'zod/mini';
import { momentSchema } from '../moment';
import type { Drawing } from './drawings';
import { measuredSchema } from './measured';
import { MOST_LOOKED_FOR, type Verdict, VERDICTS } from './reflection';

/** Features that are listed of one drawing at most, and times it is taken up again. */
const MOST_FEATURES = 60;
const MOST_TIMES = 100;
/** Letters in the line about a drawing. */
export const NOTE_LENGTH = 300;
/** One drawing is worked on for a day at most at a time. */
const LONGEST_MS = 86_400_000;

/**
 * What became of a feature of the reference in a drawing of it: from memory, or in a shorter version. What was left out on purpose, an
 * edge that was lost, is no fault and not counted.
 */
export const FEATURE_STATES = ['kept', 'missed', 'left out', 'invented'] as const;
export type FeatureState = (typeof FEATURE_STATES)[number];

const idSchema = z.string().check(z.minLength(1), z.maxLength(500));

/** What is said of one drawing beyond its session and its sheet. A drawing of which nothing was said has no such record. */
export const keptDrawingSchema = z.object({
  /** Of the session and of the drawing in it: see `keptDrawingId`. */
  id: idSchema,
  sessionId: z.string().check(z.minLength(1), z.maxLength(64)),
  /** Its key among the session's drawings. */
  drawing: z.string().check(z.maxLength(400)),
  /** On paper it is gone; the record stays and counts. */
  thrownAway: z.optional(z.boolean()),
  finished: z.optional(z.boolean()),
  surprised: z.optional(z.boolean()),
  /** Only where wanted, of the whole drawing and for the time it took. */
  verdict: z.optional(z.enum(VERDICTS)),
  /** The same, aspect by aspect: what its exercise looks for. */
  aspects: z.optional(
    z
      .array(z.object({ aspect: z.string().check(z.minLength(1), z.maxLength(120)), verdict: z.enum(VERDICTS) }))
      .check(z.maxLength(MOST_LOOKED_FOR)),
  ),
  /** A line of words about it. */
  note: z.optional(z.string().check(z.maxLength(NOTE_LENGTH))),
  /** Worked on later: these minutes are the drawing's, not the session's. */
  continued: z.optional(
    z
      .array(z.object({ atMs: momentSchema, spentMs: z.int().check(z.minimum(1000), z.maximum(LONGEST_MS)) }))
      .check(z.maxLength(MOST_TIMES)),
  ),
  /** The drawing it was made from. */
  madeFrom: z.optional(idSchema),
  features: z.optional(
    z
      .array(z.object({ name: z.string().check(z.minLength(1), z.maxLength(80)), state: z.enum(FEATURE_STATES) }))
      .check(z.maxLength(MOST_FEATURES)),
  ),
  /** Whose or what way of drawing it was made under, and what it was used for: to be found by, and in no statistic. */
  influence: z.optional(z.string().check(z.maxLength(80))),
  usedFor: z.optional(z.string().check(z.maxLength(80))),
  /** What was measured of it last. */
  measured: z.optional(measuredSchema),
});
export type KeptDrawing = z.infer<typeof keptDrawingSchema>;

export const keptDrawingId = (sessionId: string, drawing: string): string => `${sessionId}/${drawing}`;

/** A drawing of which nothing was said yet. */
export const freshKeptDrawing = (sessionId: string, drawing: string): KeptDrawing => ({
  id: keptDrawingId(sessionId, drawing),
  sessionId,
  drawing,
});

const NAMES = ['id', 'sessionId', 'drawing'];
/** Whether anything is said in it: else there is nothing to keep. */
export const saysNothing = (kept: KeptDrawing): boolean =>
  Object.entries(kept).every(
    ([field, value]) =>
      NAMES.includes(field) ||
      value === undefined ||
      value === false ||
      value === '' ||
      (Array.isArray(value) && value.length === 0),
  );

/** The verdicts on a drawing's aspects with one of them changed; the same given again takes it back. */
export function withAspect(
  aspects: KeptDrawing['aspects'],
  aspect: string,
  verdict: Verdict,
): NonNullable<KeptDrawing['aspects']> {
  const others = (aspects ?? []).filter((one) => one.aspect !== aspect);
  const same = aspects?.some((one) => one.aspect === aspect && one.verdict === verdict);
  return same ? others : [...others, { aspect, verdict }].slice(-MOST_LOOKED_FOR);
}

/** Time on a drawing: in its session, later, and together, milliseconds. Averages of sessions know only the first. */
export function timeOn(
  { spentMs }: Pick<Drawing, 'spentMs'>,
  kept: Pick<KeptDrawing, 'continued'> | undefined,
): { inSessionMs: number; laterMs: number; togetherMs: number } {
  const laterMs = (kept?.continued ?? []).reduce((sum, time) => sum + time.spentMs, 0);
  return { inSessionMs: spentMs, laterMs, togetherMs: spentMs + laterMs };
}

/** What was made from a drawing, and what it was made from. */
export function lineageOf(id: string, all: readonly KeptDrawing[]): { from: string | undefined; pieces: string[] } {
  return {
    from: all.find((kept) => kept.id === id)?.madeFrom,
    pieces: all.filter((kept) => kept.madeFrom === id).map((kept) => kept.id),
  };
}

/** A drawing made from another: never from itself, nor from what was made from it. @returns undefined where it would go in a circle. */
export function madeFrom(kept: KeptDrawing, from: string, all: readonly KeptDrawing[]): KeptDrawing | undefined {
  let at: string | undefined = from;
  for (let steps = 0; at !== undefined && steps <= all.length; steps++) {
    if (at === kept.id) return undefined;
    at = lineageOf(at, all).from;
  }
  return { ...kept, madeFrom: from };
}

/** Of the features that were listed, how many are there, and how many were added that are not in the reference. */
export function featureCounts(kept: Pick<KeptDrawing, 'features'> | undefined): {
  listed: number;
  kept: number;
  invented: number;
  /** Of the listed ones; undefined where none is. */
  share: number | undefined;
} {
  const features = kept?.features ?? [];
  const invented = features.filter(({ state }) => state === 'invented').length;
  const listed = features.filter(({ state }) => state === 'kept' || state === 'missed').length;
  const there = features.filter(({ state }) => state === 'kept').length;
  return { listed, kept: there, invented, share: listed > 0 ? there / listed : undefined };
}

/** Features that every one of some versions kept, in the order of the first. */
export function keptThroughout(versions: readonly Pick<KeptDrawing, 'features'>[]): string[] {
  const [first, ...others] = versions.map(({ features }) =>
    (features ?? []).filter(({ state }) => state === 'kept').map(({ name }) => name),
  );
  return (first ?? []).filter((name) => others.every((names) => names.includes(name)));
}
