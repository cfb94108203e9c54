import { PAPERS, sheetSizeSchema } from '../paper/sheet';
import * as z from 'zod/mini';
import { wishesSchema } from '../../references/wishes';
import { pictureNotesSchema } from './pictureNotes';
import { LONGEST_REFERENCE_ID } from '../../figure/catalogue/referenceId';
import { durationSchema, LONGEST_MS } from '../time/duration';
import { exerciseSchema } from '../exercises/exercise';
import { settingsSchema } from './blockSettings';
import { momentSchema } from '../../moment';
import { causeSchema } from './cause';

const optionalMs = z.int().check(z.minimum(0), z.maximum(LONGEST_MS));

/** The most a plan may hold, as it is built: blocks, drawings in one block (both hands together), and drawings in all. */
export const MAX_BLOCKS = 200;
export const MAX_BLOCK_DRAWINGS = 500;
export const MAX_DRAWINGS = 1500;
/** Laid out, rests part blocks: at most one after every drawing. */
const MAX_LAID_BLOCKS = 2 * MAX_DRAWINGS + MAX_BLOCKS;

/** One drawing. Zero for a part that the exercise does not have. */
const posePlanSchema = z.object({
  /** A built-in figure, a picture in the learner's sets, or nothing. */
  referenceId: z.nullable(z.string().check(z.maxLength(LONGEST_REFERENCE_ID))),
  ...pictureNotesSchema.shape,
  /** The odd one out: outside the theme, and as good skipped as drawn. */
  odd: z.optional(z.boolean()),
  /** Where it differs from the block's. */
  exercise: z.optional(z.string().check(z.maxLength(64))),
  hand: z.optional(z.literal('other')),
  /** Where another was taken on the way. */
  medium: z.optional(z.string().check(z.maxLength(40))),
  /** Said with it: a quality of line, which element. */
  label: z.optional(z.string().check(z.maxLength(60))),
  leadInMs: optionalMs,
  /** Studying the reference before drawing. */
  lookMs: optionalMs,
  drawMs: durationSchema,
  /** Drawing once more: with the reference after memory, from memory after the reference. */
  againMs: z.optional(optionalMs),
  /** Seeing the reference again after drawing without it. */
  lookAgainMs: optionalMs,
  /** These count up until the learner is satisfied; their length is only what is expected. */
  openLook: z.optional(z.boolean()),
  openDraw: z.optional(z.boolean()),
});
export type PosePlan = z.infer<typeof posePlanSchema>;

const posesBlockSchema = z.object({
  kind: z.literal('poses'),
  exercise: z.string().check(z.maxLength(64)),
  /** After each of its poses, before the next pose: turning the sheet, wiping hands. */
  changeMs: optionalMs,
  poses: z.array(posePlanSchema).check(z.minLength(1), z.maxLength(MAX_BLOCK_DRAWINGS)),
  settings: z.optional(settingsSchema),
  /** The sets its pictures were chosen from, and what was wished of them: another picture comes from there. */
  from: z.optional(
    z.object({ sets: z.array(z.string().check(z.maxLength(64))).check(z.maxLength(20)), wishes: wishesSchema }),
  ),
});
export type PosesBlock = z.infer<typeof posesBlockSchema>;
export const bodyBlockSchema = z.object({
  kind: z.literal('body'),
  moves: z
    .array(
      z.object({
        name: z.string().check(z.minLength(1), z.maxLength(80)),
        hint: z.string().check(z.maxLength(200)),
        durationMs: durationSchema,
        /** Paced breaths, each in and out in so long; missing where none are. */
        breathMs: z.optional(z.int().check(z.minimum(3000), z.maximum(60_000))),
      }),
    )
    .check(z.minLength(1), z.maxLength(40)),
});
export const linesBlockSchema = z.object({
  kind: z.literal('lines'),
  /** Each page ends when the learner says it is full; `nominalMs` is only what it is expected to take. */
  pages: z
    .array(z.object({ motif: z.string().check(z.minLength(1), z.maxLength(80)), nominalMs: durationSchema }))
    .check(z.minLength(1), z.maxLength(40)),
});
export const restBlockSchema = z.object({
  kind: z.literal('rest'),
  durationMs: durationSchema,
  /** A look back at the pages rather than a rest. */
  purpose: z.optional(z.literal('look back')),
});

const blockSchema = z.discriminatedUnion('kind', [
  posesBlockSchema,
  bodyBlockSchema,
  linesBlockSchema,
  restBlockSchema,
]);
export type Block = z.infer<typeof blockSchema>;

export const MAX_PLAN_MS = 24 * 3600_000;

/** Drawings that blocks ask for, all hands together. */
const countDrawings = (blocks: readonly z.infer<typeof blockSchema>[]): number =>
  blocks.reduce((sum, b) => sum + (b.kind === 'poses' ? b.poses.length : 0), 0);

/** A session as it is meant to go. Version 1 knew three exercises and no settings; it is read as it is. */
export const planSchema = z.object({
  version: z.literal([1, 2]),
  /** One line, whatever a file brings. */
  title: z.string().check(
    z.overwrite((text) => text.replace(/[\s\u2028\u2029]+/g, ' ')),
    z.minLength(1),
    z.maxLength(120),
  ),
  /** One sentence: why this plan. */
  why: z.string().check(z.maxLength(600)),
  /** Seed of every random choice in it, so that it can be made again exactly. */
  seed: z.int(),
  /** The time the learner said they had. */
  availableMs: z.int().check(z.minimum(1000), z.maximum(MAX_PLAN_MS)),
  blocks: z.array(blockSchema).check(
    z.minLength(1),
    z.maxLength(MAX_LAID_BLOCKS),
    z.refine((blocks) => countDrawings(blocks) <= MAX_DRAWINGS, `more than ${MAX_DRAWINGS} drawings`),
  ),
  /** Exercises of the learner's own that it uses. */
  exercises: z.optional(z.array(exerciseSchema).check(z.maxLength(100))),
  /** Drawn while explaining to others: it does not count in the learner's own averages. */
  audience: z.optional(z.boolean()),
  cause: z.optional(causeSchema),
  /** The paper its drawings are made on; missing in older plans. */
  sheet: z.optional(z.object({ size: sheetSizeSchema, paper: z.enum(PAPERS) })),
  /** When it is to end: what is left is shared out again where something runs over. */
  finishAtMs: z.optional(momentSchema),
});
export type Plan = z.infer<typeof planSchema>;
