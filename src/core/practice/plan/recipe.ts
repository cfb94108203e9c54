import * as z from 'zod/mini';
import { without } from '../../without';
import { wishesSchema } from '../../references/wishes';
import { LONGEST_REFERENCE_ID } from '../../figure/catalogue/referenceId';
import { seededRandom } from '../../random';
import { PICK_ORDERS } from '../../references/pickOrder';
import { DURATION_STEPS_MS } from '../time/durationSteps';
import { durationSchema, LONGEST_MS } from '../time/duration';
import { exerciseSchema } from '../exercises/exercise';
import {
  bodyBlockSchema,
  linesBlockSchema,
  MAX_BLOCK_DRAWINGS,
  MAX_BLOCKS,
  MAX_DRAWINGS,
  MAX_PLAN_MS,
  restBlockSchema,
} from './schema';
import { settingsSchema } from './blockSettings';
import { causeSchema } from './cause';
import { sheetSchema } from '../paper/sheet';

const optionalMs = z.int().check(z.minimum(0), z.maximum(LONGEST_MS));
export const MAX_COUNT = MAX_BLOCK_DRAWINGS;
/** Time to choose between two exercises; after it, it is the first. */
const CHOOSING_MS = 10_000;

/** The order of lengths within a block. */
export const LENGTH_ORDERS = ['level', 'climb', 'descend', 'arch', 'in turn', 'own list'] as const;

/** Where the references of a block come from. */
const sourceSchema = z.object({
  kind: z.enum(['pictures', 'same picture', 'live model', 'own hand', 'imagination', 'none']),
  /** Null is the set of the whole plan. */
  setId: z.nullable(z.string().check(z.maxLength(64))),
  order: z.enum(PICK_ORDERS),
  /** One of another set takes the last place. */
  odd: z.boolean(),
  /** The first is of difficulty 2 or less. */
  gentleFirst: z.boolean(),
  /** Each picture serves two poses running. */
  pairs: z.optional(z.boolean()),
  ...wishesSchema.shape,
  /** Kept whatever is picked anew; null where it is free. */
  pins: z.array(z.nullable(z.string().check(z.maxLength(LONGEST_REFERENCE_ID)))).check(z.maxLength(MAX_COUNT)),
});
export type Source = z.infer<typeof sourceSchema>;

const blockBase = z.object({
  id: z.string().check(z.minLength(1), z.maxLength(64)),
  /** Left as it is when the plan is fitted. */
  pinned: z.boolean(),
});
const posesRecipeSchema = z.extend(blockBase, {
  kind: z.literal('poses'),
  exercise: z.string().check(z.maxLength(64)),
  /** Every other pose is worked by this rule. */
  alternate: z.nullable(z.string().check(z.maxLength(64))),
  /** Poses; with an own list of lengths its number is the list's. */
  count: z.int().check(z.minimum(1), z.maximum(MAX_COUNT)),
  lengths: z.object({
    order: z.enum(LENGTH_ORDERS),
    /** Level has only the first; climb, descend and arch go between them; in turn, it is the one, then the other. */
    fromMs: durationSchema,
    toMs: durationSchema,
    listMs: z.array(durationSchema).check(z.maxLength(MAX_COUNT)),
  }),
  leadInMs: optionalMs,
  lookMs: optionalMs,
  againMs: optionalMs,
  lookAgainMs: optionalMs,
  openLook: z.boolean(),
  openDraw: z.boolean(),
  changeMs: optionalMs,
  /** The whole row again with the other hand. */
  bothHands: z.boolean(),
  /** The other hand draws every other pose, and begins. */
  handsInTurn: z.optional(z.boolean()),
  labels: z.array(z.string().check(z.maxLength(60))).check(z.maxLength(MAX_COUNT)),
  source: sourceSchema,
  settings: settingsSchema,
});
export type PosesRecipe = z.infer<typeof posesRecipeSchema>;

const recipeBlockSchema = z.discriminatedUnion('kind', [
  posesRecipeSchema,
  z.extend(bodyBlockSchema, blockBase.shape),
  z.extend(linesBlockSchema, blockBase.shape),
  z.extend(restBlockSchema, blockBase.shape),
]);
export type RecipeBlock = z.infer<typeof recipeBlockSchema>;

/** What of a recipe is more than a plan may hold, in a sentence; undefined where it all fits. */
export function overTheMost(blocks: readonly RecipeBlock[]): string | undefined {
  if (blocks.length > MAX_BLOCKS) return `A plan has at most ${MAX_BLOCKS} blocks.`;
  const drawings = blocks.map((b) => (b.kind === 'poses' ? poseLengths(b).length : 0));
  if (drawings.some((n) => n > MAX_BLOCK_DRAWINGS))
    return `A block has at most ${MAX_BLOCK_DRAWINGS} drawings, both hands together.`;
  if (drawings.reduce((a, b) => a + b, 0) > MAX_DRAWINGS)
    return `A plan has at most ${MAX_DRAWINGS.toLocaleString('en')} drawings.`;
  return undefined;
}

/** A plan as it is built: its structure without the pictures. */
export const recipeSchema = z.object({
  version: z.literal(1),
  /** One line, whatever a file brings. */
  title: z.string().check(
    z.overwrite((text) => text.replace(/[\s\u2028\u2029]+/g, ' ')),
    z.minLength(1),
    z.maxLength(120),
  ),
  why: z.string().check(z.maxLength(600)),
  seed: z.int(),
  availableMs: z.int().check(z.minimum(1000), z.maximum(MAX_PLAN_MS)),
  /** Clock time it is meant to begin, minutes after midnight; null for whenever it is started. */
  startsAtMinute: z.nullable(z.int().check(z.minimum(0), z.maximum(1439))),
  setId: z.string().check(z.maxLength(64)),
  medium: z.string().check(z.maxLength(40)),
  grade: z.string().check(z.maxLength(20)),
  sheet: sheetSchema,
  /** A rest after so much drawing without one; null where rests stand only where they were put. */
  restRule: z.nullable(z.object({ everyMs: durationSchema, restMs: durationSchema })),
  /** Explained to others while drawing: left out of the learner's own averages. */
  audience: z.boolean(),
  /** Empty while it is being built. */
  blocks: z.array(recipeBlockSchema).check(
    z.refine((blocks) => overTheMost(blocks) === undefined, {
      error: ({ input }) => overTheMost(input as RecipeBlock[]),
    }),
  ),
  exercises: z.array(exerciseSchema).check(z.maxLength(100)),
  cause: z.optional(causeSchema),
  /** The saved plan this one was opened from or saved as; never in files. */
  savedId: z.optional(z.string().check(z.minLength(1), z.maxLength(64))),
});
export type Recipe = z.infer<typeof recipeSchema>;

/** Returns the recipe without the saved plan it belongs to, which means nothing in another browser or in that plan itself. */
export const withoutSavedId = (recipe: Recipe): Recipe => without(recipe, 'savedId');

/** Lengths that go from one to another in even ratios, each brought to the nearest duration step between them. */
function between(fromMs: number, toMs: number, count: number): number[] {
  if (count === 1) return [fromMs];
  const low = Math.min(fromMs, toMs);
  const high = Math.max(fromMs, toMs);
  const steps = [...new Set([low, ...DURATION_STEPS_MS.filter((s) => s > low && s < high), high])];
  return Array.from({ length: count }, (_, i) => {
    const wanted = fromMs * (toMs / fromMs) ** (i / (count - 1));
    const off = (step: number): number => Math.abs(Math.log(step / wanted));
    return steps.reduce((best, step) => (off(step) < off(best) ? step : best));
  });
}

/** Lengths that give a row, pose by pose, milliseconds: level ones where all are alike. The other way round of `rowLengths`. */
export function lengthsOf(rowMs: readonly number[]): PosesRecipe['lengths'] {
  const [fromMs, toMs] = [Math.min(...rowMs), Math.max(...rowMs)];
  return fromMs === toMs
    ? { order: 'level', fromMs, toMs, listMs: [] }
    : { order: 'own list', fromMs, toMs, listMs: [...rowMs] };
}

/** Lengths of drawing of a row, pose by pose, milliseconds; both hands draw the row one after the other. */
export function rowLengths({ count, lengths }: Pick<PosesRecipe, 'count' | 'lengths'>): number[] {
  const { order, fromMs, toMs, listMs } = lengths;
  switch (order) {
    case 'level':
      return Array.from({ length: count }, () => fromMs);
    case 'climb':
      return between(Math.min(fromMs, toMs), Math.max(fromMs, toMs), count);
    case 'descend':
      return between(Math.max(fromMs, toMs), Math.min(fromMs, toMs), count);
    case 'arch': {
      const up = between(Math.min(fromMs, toMs), Math.max(fromMs, toMs), Math.ceil(count / 2));
      return [...up, ...(count % 2 === 1 ? up.slice(0, -1) : up).toReversed()];
    }
    case 'in turn':
      return Array.from({ length: count }, (_, i) => (i % 2 === 0 ? fromMs : toMs));
    case 'own list':
      return listMs.length > 0 ? listMs : [fromMs];
  }
}

/** Lengths of all drawings of a block. */
export function poseLengths(block: Pick<PosesRecipe, 'count' | 'lengths' | 'bothHands'>): number[] {
  const row = rowLengths(block);
  return block.bothHands ? [...row, ...row] : row;
}

/** Whether a block goes by twos: two exercises, hands, lengths or drawings of one picture in turn. */
export const goesByTwos = ({ alternate, handsInTurn, lengths, source }: PosesRecipe): boolean =>
  alternate !== null || handsInTurn === true || source.pairs === true || lengths.order === 'in turn';

/** How often a block changes hands between two of its poses. */
export const handChanges = (block: Pick<PosesRecipe, 'count' | 'lengths' | 'bothHands' | 'handsInTurn'>): number =>
  block.handsInTurn ? poseLengths(block).length - 1 : block.bothHands ? 1 : 0;

/** A block without poses. */
export type PlainBlock = Exclude<RecipeBlock, PosesRecipe>;

/** How long a block without poses is expected to take. */
export function plainBlockMs(block: PlainBlock): number {
  switch (block.kind) {
    case 'rest':
      return block.durationMs;
    case 'body':
      return block.moves.reduce((sum, m) => sum + m.durationMs, 0);
    case 'lines':
      return block.pages.reduce((sum, p) => sum + p.nominalMs, 0);
  }
}

/** What comes before each pose; long enough to choose in where there is a choice. */
export const leadInOf = ({ leadInMs, settings }: Pick<PosesRecipe, 'leadInMs' | 'settings'>): number =>
  settings.orExercise === undefined ? leadInMs : Math.max(leadInMs, CHOOSING_MS);

/** Ids for blocks, the same from the same seed. */
export function blockIds(seed: number): () => string {
  const random = seededRandom(seed);
  return () => Math.floor(random() * 2 ** 40).toString(36);
}
