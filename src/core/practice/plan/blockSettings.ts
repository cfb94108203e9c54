import * as z from 'zod/mini';
import { LONGEST_MS } from '../time/duration';
import { ruleSchema } from '../exercises/exercise';
import { MOST_ON_A_SHEET, sheetSizeSchema } from '../paper/sheet';

const optionalMs = z.int().check(z.minimum(0), z.maximum(LONGEST_MS));

/** What the clock does when the time of a pose is up. */
export const AT_ZERO = ['strict', 'soft', 'open', 'pot'] as const;

/** How a block of poses is worked, beyond what its exercise says. What is missing is as usual. */
export const settingsSchema = z.object({
  atZero: z.optional(z.enum(AT_ZERO)),
  /** Soft, or a pot that ends softly: the most overtime; no limit without it. */
  softCapMs: z.optional(optionalMs),
  /** Pot: the time all drawings of the block share. */
  potMs: z.optional(optionalMs),
  /** Pot: at zero a sound, and you may finish the drawing; without it the picture changes at zero. */
  potEndsSoftly: z.optional(z.boolean()),
  startsBy: z.optional(z.enum(['itself', 'hand'])),
  /** This long before the end a warning; 0 for none; missing goes by the length. Never when it is more than half of the pose. */
  warnMs: z.optional(optionalMs),
  /** After every so many poses the change is longer, to sharpen. */
  sharpenEvery: z.optional(z.int().check(z.minimum(1), z.maximum(100))),
  sharpenMs: z.optional(optionalMs),
  /** The change takes this much more where the next pose is drawn with the other hand. */
  handChangeMs: z.optional(optionalMs),
  /** Its length follows what was said of its drawings: shorter after two that were whole, longer after one that was not. */
  followsAnswers: z.optional(z.boolean()),
  /** The learner chooses between two exercises in the gap; after ten seconds it is the first. */
  orExercise: z.optional(z.string().check(z.maxLength(64))),
  /** Where it departs from the exercise's own rule. */
  rule: z.optional(z.partial(ruleSchema)),
  /** Stages in place of the school's; the shares add up to 1. */
  stages: z.optional(
    z
      .array(
        z.object({
          name: z.string().check(z.minLength(1), z.maxLength(40)),
          share: z.number().check(z.minimum(0.01), z.maximum(1)),
        }),
      )
      .check(z.maxLength(10)),
  ),
  /** What was missing is ticked after each of its poses. */
  tickEach: z.optional(z.boolean()),
  /** The whole figure first, then it is mended: at the latest after this share of the time; 1 where only the learner says so. */
  wholeFirst: z.optional(z.number().check(z.minimum(0.1), z.maximum(1))),
  /** Stages of tone only in drawings at least so long, milliseconds; missing is as usual. */
  toneFromMs: z.optional(optionalMs),
  medium: z.optional(z.string().check(z.maxLength(40))),
  /** A second medium in the same drawing, for the last share of its time: white on toned paper, a second pen. */
  second: z.optional(
    z.object({
      medium: z.string().check(z.minLength(1), z.maxLength(40)),
      share: z.number().check(z.minimum(0.05), z.maximum(0.95)),
    }),
  ),
  grade: z.optional(z.string().check(z.maxLength(20))),
  /** Drawings on one sheet. */
  perSheet: z.optional(z.int().check(z.minimum(1), z.maximum(MOST_ON_A_SHEET))),
  /** They are small plans for a sheet of this size: each has a frame of its proportions. */
  framesFor: z.optional(sheetSizeSchema),
  /** They may lie over one another. */
  overlap: z.optional(z.boolean()),
  /** Somebody poses: called out, and held for so long at most. */
  model: z.optional(z.boolean()),
  /** How long that is, milliseconds; missing is as usual. */
  holdLimitMs: z.optional(z.int().check(z.minimum(60_000), z.maximum(LONGEST_MS))),
  /** Somebody of the family sits: spared, with short holds and a rest after each. */
  familySits: z.optional(z.boolean()),
  /** A strenuous pose may stand longer than anybody would hold it: said by name. */
  hardAllowed: z.optional(z.boolean()),
  /** How tall a figure is to be on the paper, millimeters; missing is as large as it fits. */
  figureMm: z.optional(z.int().check(z.minimum(10), z.maximum(2000))),
  /** Its poses are holds of one pose and make one drawing: its name, the same for parts that a rest parts. */
  oneDrawing: z.optional(z.string().check(z.minLength(1), z.maxLength(64))),
  /** A card before each pose dares a mark; it takes no time. */
  risk: z.optional(z.boolean()),
  /** Said in place of a reference. */
  prompt: z.optional(z.string().check(z.maxLength(200))),
  /** The learner's own calls for poses from imagination, in turn; none calls nothing. Missing calls from the list that ships. */
  calls: z.optional(z.array(z.string().check(z.minLength(1), z.maxLength(200))).check(z.maxLength(60))),
});
