import { PART_FAMILIES } from '../../figure/catalogue/families';
import { MANNERS } from '../../hand/mannerNames';
import * as z from 'zod/mini';
import { durationSchema } from '../time/duration';

/** Families share a color and a pattern on the ribbon. */
export const FAMILIES = ['quick', 'lines', 'seeing', 'memory', 'light'] as const;
export type ExerciseFamily = (typeof FAMILIES)[number];
export const FAMILY_NAMES: Record<ExerciseFamily, string> = {
  quick: 'Action line and figure, quick',
  lines: 'Lines',
  seeing: 'Edge and seeing',
  memory: 'Memory and loosening',
  light: 'Light',
};

/** How the reference is seen. */
export const VIEWS = [
  'as is',
  'gray',
  'squint',
  'two values',
  'three values',
  'five values',
  'mirrored',
  'detail',
] as const;

const marksSchema = z.int().check(z.minimum(1), z.maximum(200));

/** What the program keeps, so that the learner need not police it. */
export const ruleSchema = z.object({
  /** `look then hidden`: drawn from memory. `shown then hidden`: drawn, then drawn again with both put away. */
  reference: z.enum(['shown', 'look then hidden', 'shown then hidden', 'none']),
  gaze: z.enum(['free', 'mostly on the reference', 'only on the reference', 'eyes closed']),
  lifts: z.enum(['free', 'none']),
  erasing: z.enum(['free', 'none']),
  /** No limit, at most so many, only C, S and straight marks, or at most so many of those. */
  marks: z.union([
    z.literal('free'),
    marksSchema,
    z.literal('C, S and straight'),
    z.object({ most: marksSchema, kinds: z.literal('C, S and straight') }),
  ]),
  hand: z.enum(['usual', 'other']),
  grip: z.enum(['free', 'from the shoulder']),
  view: z.enum(VIEWS),
  repeat: z.enum(['new picture', 'same picture again']),
  pace: z.enum(['free', 'quick', 'slow']),
  review: z.enum(['kind', 'measured', 'pair']),
});
export type ExerciseRule = z.infer<typeof ruleSchema>;

/** What a line of a rule is about. */
const RULE_TOPICS = ['eyes', 'eyes closed', 'line', 'mark', 'view'] as const;
export interface RuleLine {
  topic: (typeof RULE_TOPICS)[number];
  words: string;
}

/** Stage tables by school; the shares are in `stages.ts`. */
const SCHOOLS = [
  'flowing',
  'structural',
  'study',
  'head by mass',
  'light and dark',
  'long',
  'two pens',
  'none',
] as const;

/** What a picture must show for an exercise to make sense. */
const NEEDS = ['figure', 'head', 'hand or foot', 'anything'] as const;
export type Needs = (typeof NEEDS)[number];

/** What sets an exercise apart beyond its rule; whatever is not said is as with most. */
const formSchema = z.object({
  /** What its pictures must show; missing is a figure for quick work and anything for the rest. */
  needs: z.optional(z.enum(NEEDS)),
  /** Its drawings are made to stand on one sheet. */
  onOneSheet: z.optional(z.boolean()),
  /** They may lie over one another there. */
  overlaps: z.optional(z.boolean()),
  /** They are small plans in frames shaped like the sheet they are for. */
  framed: z.optional(z.boolean()),
  /** One part, or only the outermost: there is no whole figure to ask for. */
  notWhole: z.optional(z.boolean()),
  /** Drawn out of the head. */
  imagined: z.optional(z.boolean()),
  /** Parts of the body that it is about: it is drawn from pictures of those where there are some. */
  about: z.optional(z.array(z.enum(PART_FAMILIES)).check(z.maxLength(PART_FAMILIES.length))),
  /** Where the eye is to go first is chosen before, and asked for after. */
  focal: z.optional(z.boolean()),
  /** Wants something laid on its side. */
  broad: z.optional(z.boolean()),
  /** Its line is heavier away from the light. */
  lineWeight: z.optional(z.boolean()),
  /** What is put down one after the other: a card before each pose. */
  steps: z.optional(z.array(z.string().check(z.minLength(1), z.maxLength(60))).check(z.maxLength(8))),
  /** A drawing may be traced in it: whose it is matters. */
  traced: z.optional(z.boolean()),
  /** Somebody's drawing is drawn again: what it is copied from is for practice only. */
  copies: z.optional(z.boolean()),
  /** What a warm-up is for: counted apart. */
  mainPiece: z.optional(z.boolean()),
  /** What is ticked afterward is what was used, not what was missing. */
  ticksUsed: z.optional(z.boolean()),
  /** Names of its drawings, offered one for each. */
  labels: z.optional(z.array(z.string().check(z.minLength(1), z.maxLength(60))).check(z.maxLength(40))),
  /** Its drawings are made over one another as one: name and length of each. */
  parts: z.optional(
    z.array(z.object({ label: z.string().check(z.maxLength(60)), drawMs: durationSchema })).check(z.maxLength(6)),
  ),
  /** How the hand draws it, where its rule does not say. */
  drawn: z.optional(z.enum(MANNERS)),
  /** A line of its rule card that follows from no rule. */
  ruleLine: z.optional(
    z.object({ topic: z.enum(RULE_TOPICS), words: z.string().check(z.minLength(1), z.maxLength(80)) }),
  ),
  /** Its cue where a picture shows no human figure, by subject. */
  cuesOf: z.optional(
    z.partialRecord(z.enum(['animals/four-legged', 'animals/birds']), z.string().check(z.maxLength(160))),
  ),
  /** What is drawn in it where there is no picture and nothing else was said. */
  withoutPicture: z.optional(z.string().check(z.minLength(1), z.maxLength(160))),
  /** Never proposed by itself: it is chosen, or part of a lesson. */
  onlyChosen: z.optional(z.boolean()),
  /** An exercise that serves the same end, for another mix. */
  otherwise: z.optional(z.string().check(z.maxLength(64))),
});

export const exerciseSchema = z.object({
  id: z.string().check(z.regex(/^[a-z0-9-]{1,64}$/)),
  name: z.string().check(z.minLength(1), z.maxLength(60)),
  family: z.enum(FAMILIES),
  purpose: z.string().check(z.maxLength(300)),
  /** Shown in the lead-in only, never over the picture. */
  cues: z.array(z.string().check(z.minLength(1), z.maxLength(160))).check(z.minLength(1), z.maxLength(12)),
  rule: ruleSchema,
  /** Usual lengths of one drawing, from the shortest to the longest. */
  shortestMs: durationSchema,
  usualMs: durationSchema,
  longestMs: durationSchema,
  /** Studying before drawing, and seeing it again; 0 for none. */
  lookMs: z.int().check(z.minimum(0), z.maximum(3600_000)),
  lookAgainMs: z.int().check(z.minimum(0), z.maximum(3600_000)),
  school: z.enum(SCHOOLS),
  /** Asked afterward; never about likeness where the rule is kind. */
  closingQuestion: z.string().check(z.minLength(1), z.maxLength(160)),
  /** What is looked at afterward. */
  lookAt: z.array(z.string().check(z.minLength(1), z.maxLength(120))).check(z.maxLength(12)),
  form: z.optional(formSchema),
});
export type Exercise = z.infer<typeof exerciseSchema>;

/** Slow and blind work is told calmly; everything else crisply. */
export const isCalm = ({ rule }: Exercise): boolean =>
  rule.pace === 'slow' || rule.gaze === 'only on the reference' || rule.gaze === 'eyes closed';

/** Eyes stay on the reference: looking at the sheet is counted when the learner says so. */
export const countsPeeks = ({ rule }: Exercise): boolean => rule.gaze === 'only on the reference';

const PLAIN_RULE: ExerciseRule = {
  reference: 'shown',
  gaze: 'free',
  lifts: 'free',
  erasing: 'free',
  marks: 'free',
  hand: 'usual',
  grip: 'free',
  view: 'as is',
  repeat: 'new picture',
  pace: 'free',
  review: 'kind',
};

type Defaulted = 'rule' | 'shortestMs' | 'usualMs' | 'longestMs' | 'lookMs' | 'lookAgainMs' | 'school' | 'lookAt';
/** An exercise written with what sets it apart. Lengths in seconds: shortest, usual, longest. */
export function exercise(
  own: Omit<Exercise, Defaulted> & {
    seconds: readonly [shortest: number, usual: number, longest: number];
    rule?: Partial<ExerciseRule>;
    lookSeconds?: number;
    lookAgainSeconds?: number;
    school?: Exercise['school'];
    lookAt?: readonly string[];
  },
): Exercise {
  const { seconds, rule, lookSeconds = 0, lookAgainSeconds = 0, school = 'none', lookAt = [], ...rest } = own;
  const [shortestMs, usualMs, longestMs] = seconds.map((s) => s * 1000);
  return {
    ...rest,
    rule: { ...PLAIN_RULE, ...rule },
    shortestMs,
    usualMs,
    longestMs,
    lookMs: lookSeconds * 1000,
    lookAgainMs: lookAgainSeconds * 1000,
    school,
    lookAt: [...lookAt],
  };
}

/** Something of it is drawn from memory: the reference hides while it is drawn. */
export const hidesReference = ({ rule }: Exercise): boolean =>
  rule.reference === 'look then hidden' || rule.reference === 'shown then hidden';
