import { z } from 'zod';
import { exerciseIdSchema } from './exercises';

const MAX_SEGMENT_MS = 6 * 3600_000;
const durationMs = z.int().min(1000).max(MAX_SEGMENT_MS);
const optionalMs = z.int().min(0).max(MAX_SEGMENT_MS);

/** One drawing. Zero for a part that the exercise does not have. */
const posePlanSchema = z.object({
  /** A built-in figure, a picture in the learner's sets, or nothing. */
  referenceId: z.string().max(200).nullable(),
  /** The odd one out: outside the theme, and as good skipped as drawn. */
  odd: z.boolean().optional(),
  leadInMs: durationMs,
  /** Studying the reference before drawing. */
  lookMs: optionalMs,
  drawMs: durationMs,
  /** Seeing the reference again after drawing without it. */
  lookAgainMs: optionalMs,
});
export type PosePlan = z.infer<typeof posePlanSchema>;

const posesBlockSchema = z.object({
  kind: z.literal('poses'),
  exercise: exerciseIdSchema,
  /** After each of its poses, before the next pose: turning the sheet, wiping hands. */
  changeMs: optionalMs,
  poses: z.array(posePlanSchema).min(1).max(500),
});
const bodyBlockSchema = z.object({
  kind: z.literal('body'),
  moves: z
    .array(z.object({ name: z.string().min(1).max(80), hint: z.string().max(200), durationMs }))
    .min(1)
    .max(40),
});
const linesBlockSchema = z.object({
  kind: z.literal('lines'),
  /** Each page ends when the learner says it is full; `nominalMs` is only what it is expected to take. */
  pages: z
    .array(z.object({ motif: z.string().min(1).max(80), nominalMs: durationMs }))
    .min(1)
    .max(40),
});
const restBlockSchema = z.object({ kind: z.literal('rest'), durationMs });

const blockSchema = z.discriminatedUnion('kind', [
  posesBlockSchema,
  bodyBlockSchema,
  linesBlockSchema,
  restBlockSchema,
]);
export type Block = z.infer<typeof blockSchema>;

/** A session as it is meant to go. */
export const planSchema = z.object({
  version: z.literal(1),
  title: z.string().min(1).max(120),
  /** One sentence: why this plan. */
  why: z.string().max(600),
  /** Seed of every random choice in it, so that it can be made again exactly. */
  seed: z.int(),
  /** The time the learner said they had. */
  availableMs: z
    .int()
    .min(1000)
    .max(24 * 3600_000),
  blocks: z.array(blockSchema).min(1).max(200),
});
export type Plan = z.infer<typeof planSchema>;
