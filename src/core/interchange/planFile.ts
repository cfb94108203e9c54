import { LONGEST_REFERENCE_ID } from '../figure/catalogue/referenceId';
import * as z from 'zod/mini';
import { exerciseById } from '../practice/exercises';
import type { Chosen } from '../practice/plan/layOut';
import { factValuesSchema } from '../references/facts';
import { leftOutSchema, rightsSchema } from '../references/picture';
import { counted, listPhrases, moreOf } from '../words';
import { type PosesRecipe, type Recipe, recipeSchema, withoutSavedId } from '../practice/plan/recipe';

const FORMAT = 'fox-minute-plan';
const VERSION = 1;

/** A plan names so many pictures at most, and its file is no larger. */
export const MOST_PICTURES = 1000;
export const PLAN_BYTES = 5_000_000;

const planPictureSchema = z.object({
  reference: z.string().check(z.maxLength(LONGEST_REFERENCE_ID)),
  name: z.string().check(z.maxLength(300)),
  /** Of the file it was added from. */
  sha256: z.string().check(z.maxLength(64)),
  /** Where the ZIP around the plan holds it, and what goes with it; absent where it is only named. */
  held: z.optional(
    z.object({
      path: z.string().check(z.regex(/^pictures\/\d{1,4}\.[a-z0-9]{1,9}$/)),
      rights: rightsSchema,
      leftOut: z.optional(leftOutSchema),
      corrected: z._default(factValuesSchema, {}),
    }),
  ),
});
export type PlanPicture = z.infer<typeof planPictureSchema>;

const planFileSchema = z.object({
  format: z.literal(FORMAT),
  version: z.literal(VERSION),
  /** With the references of every pose as pins, and every exercise it uses with its cues. */
  recipe: recipeSchema,
  /** Pictures among them, so that the same ones are found in another browser. */
  pictures: z.array(planPictureSchema).check(z.maxLength(MOST_PICTURES)),
});
export type PlanFile = z.infer<typeof planFileSchema>;

/** A recipe with what was chosen for each pose pinned to it. */
function pinChosen(recipe: Recipe, chosen: Chosen): Recipe {
  return {
    ...recipe,
    blocks: recipe.blocks.map((b) => {
      if (b.kind !== 'poses' || !chosen[b.id]) return b;
      const ids = [...chosen[b.id]];
      return { ...b, source: { ...b.source, pins: b.source.kind === 'same picture' ? ids.slice(0, 1) : ids } };
    }),
  };
}

/** A plan as a file that replays exactly: seed, order, pictures, exercises with their cues. */
export function writePlanFile(recipe: Recipe, chosen: Chosen, pictures: readonly PlanPicture[]): string {
  const ids = recipe.blocks.flatMap((b) =>
    b.kind === 'poses' ? [b.exercise, b.alternate, b.settings.orExercise] : [],
  );
  const exercises = [...new Set(ids)].flatMap((id) => (id ? [exerciseById(id, recipe.exercises)] : []));
  const file: PlanFile = {
    format: FORMAT,
    version: VERSION,
    recipe: { ...pinChosen(withoutSavedId(recipe), chosen), exercises },
    pictures: [...pictures],
  };
  return JSON.stringify(file, null, 1);
}

const NAMED = 4;

/**
 * What a plan file holds, and which of the learner's own pictures it names without holding them.
 * @param keptBack why a picture is only named, by its name
 */
export function planFileWords(pictures: readonly PlanPicture[], keptBack: ReadonlyMap<string, string>): string {
  const held = new Set(pictures.flatMap((p) => p.held?.path ?? [])).size;
  const holds = `The file holds the plan with its seed, order and cues${held > 0 ? `, and ${counted(held, 'picture')} of your own` : ''}.`;
  const named = [...new Set(pictures.flatMap((p) => (p.held ? [] : p.name)))];
  if (pictures.length === 0) return `${holds} Its figures are in every Fox Minute.`;
  if (named.length === 0) return holds;
  const because = (name: string): string => (keptBack.has(name) ? ` (${String(keptBack.get(name))})` : '');
  const told = named.slice(0, NAMED).map((name) => `“${name}”${because(name)}`);
  if (named.length > NAMED) told.push(moreOf(named.length - NAMED, 'picture'));
  return `${holds} Not in it, only named: ${listPhrases(told)}. Where ${named.length === 1 ? 'that picture is' : 'those pictures are'} missing, others take ${named.length === 1 ? 'its' : 'their'} place.`;
}

const SAFE = 'Nothing here was changed.';
const headSchema = z.object({ format: z.string(), version: z.number() });

/** Read a plan file. @returns The file, or a sentence: what is wrong, what is safe, what to do. */
export function readPlanFile(text: string): { file: PlanFile } | { problem: string } {
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    return { problem: `This file does not hold a plan. ${SAFE} Choose one saved by “Share as a file”.` };
  }
  const head = headSchema.safeParse(value);
  if (!head.success || head.data.format !== FORMAT)
    return { problem: `This file is not a Fox Minute plan. ${SAFE} Choose one saved by “Share as a file”.` };
  if (head.data.version > VERSION)
    return { problem: `This plan was made by a newer Fox Minute. ${SAFE} Update this one and open it again.` };
  const parsed = planFileSchema.safeParse(value);
  if (!parsed.success) {
    const [issue] = parsed.error.issues;
    if (issue?.code === 'custom')
      return { problem: `This plan is larger than can be run. ${issue.message} ${SAFE} Ask for it in parts.` };
    const where = issue?.path.join(', ') ?? '';
    return { problem: `Something in this plan is not as it should be (${where}). ${SAFE} Ask for the file again.` };
  }
  return { file: parsed.data };
}

/** The recipe of a file with its pictures found here: by the same address, or by the same file under another. */
export function recipeFromFile(
  { recipe, pictures }: PlanFile,
  findHere: (picture: PlanPicture) => string | undefined,
): { recipe: Recipe; missing: string[] } {
  const here = new Map(pictures.map((p) => [p.reference, findHere(p)]));
  const missing = pictures.filter((p) => here.get(p.reference) === undefined).map((p) => p.name);
  const replace = (id: string | null): string | null => (id === null || !here.has(id) ? id : (here.get(id) ?? null));
  const withPins = (b: PosesRecipe): PosesRecipe => ({
    ...b,
    source: { ...b.source, pins: b.source.pins.map(replace) },
  });
  return {
    recipe: { ...withoutSavedId(recipe), blocks: recipe.blocks.map((b) => (b.kind === 'poses' ? withPins(b) : b)) },
    missing,
  };
}
