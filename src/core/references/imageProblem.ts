import * as z from 'zod/mini';

/** Why a file cannot become a reference. */
export const imageProblemSchema = z.discriminatedUnion('kind', [
  z.object({
    kind: z.enum([
      'empty',
      'not a picture',
      'truncated',
      'damaged',
      'no room',
      'gone',
      'not copied',
      'too many',
      'failed',
    ]),
  }),
  z.object({ kind: z.literal('unknown type'), type: z.string() }),
  z.object({ kind: z.literal('too heavy'), megabytes: z.number() }),
  z.object({ kind: z.literal('too large'), megapixels: z.number() }),
  z.object({ kind: z.literal('already there'), as: z.string() }),
]);
export type ImageProblem = z.infer<typeof imageProblemSchema>;
