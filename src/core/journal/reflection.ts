import * as z from 'zod/mini';
import { lineSchema } from '../clock/log';
import { momentSchema } from '../moment';
import { durationWords } from '../practice/time/duration';

export const ASPECTS = ['placement', 'construction', 'tone'] as const;
export const VERDICTS = ['holds', 'nearly', 'not yet'] as const;
export type Verdict = (typeof VERDICTS)[number];
/** A verdict is one for a time, never one for ever: "holds for 10 min". */
export const verdictWords = (verdict: Verdict, forMs: number): string => `${verdict} for ${durationWords(forMs)}`;

/** The longest list an exercise has, eleven things, and what a reference asks for besides. */
export const MOST_LOOKED_FOR = 16;

const answersSchema = z.object({
  exerciseId: z.string().check(z.maxLength(64)),
  /** In the learner's words. */
  noticed: z.optional(z.string().check(z.maxLength(500))),
  /** Elements the learner looked for, and those of them that were not there. */
  looked: z.optional(z.array(z.string().check(z.maxLength(120))).check(z.maxLength(MOST_LOOKED_FOR))),
  missing: z.optional(z.array(z.string().check(z.maxLength(120))).check(z.maxLength(MOST_LOOKED_FOR))),
  marks: z.optional(z.int().check(z.minimum(0), z.maximum(9999))),
  /** Any mark besides C, S and straight. */
  otherMark: z.optional(z.boolean()),
  /** Short back-and-forth strokes. */
  fuzz: z.optional(z.boolean()),
});
export type ExerciseAnswers = z.infer<typeof answersSchema>;

export const NEXT_TIME_LENGTH = 300;

/** How a day was, apart from anything that was drawn on it. */
export const MOODS = ['heavy', 'low', 'even', 'light', 'bright'] as const;
export type Mood = (typeof MOODS)[number];

/** What the learner said after a session. Everything is optional. */
export const reflectionSchema = z.object({
  line: z.optional(lineSchema),
  answers: z.optional(z.array(answersSchema).check(z.maxLength(40))),
  /** Only where wanted, each for the time it was drawn in. */
  verdicts: z.optional(
    z
      .array(z.object({ aspect: z.enum(ASPECTS), verdict: z.enum(VERDICTS), forMs: z.int().check(z.minimum(0)) }))
      .check(z.maxLength(3)),
  ),
  nextTime: z.optional(z.string().check(z.maxLength(NEXT_TIME_LENGTH))),
  /** Other study on the same day, ms: what part of it this was can be told then. */
  otherStudyMs: z.optional(z.int().check(z.minimum(0), z.maximum(86_400_000))),
  /** Of the day, not of a drawing. */
  mood: z.optional(z.enum(MOODS)),
  nextMedium: z.optional(z.string().check(z.maxLength(40))),
  /** The inner critic's sentence, parked: counted nowhere, shown only here. */
  critic: z.optional(z.string().check(z.maxLength(500))),
  /** Judging is shut until then. */
  noJudgingUntilMs: z.optional(momentSchema),
  /** Which grip was comfortable. */
  grip: z.optional(z.string().check(z.maxLength(60))),
});
export type Reflection = z.infer<typeof reflectionSchema>;
