import * as z from 'zod/mini';
import { SUBJECT_KINDS } from '../../references/subjectKind';

/** What is noted of a picture when it is taken to be drawn from: the record keeps it, whatever becomes of the picture. */
export const pictureNotesSchema = z.object({
  /** What of it is left out on purpose. */
  leftOut: z.optional(z.array(z.string().check(z.maxLength(80))).check(z.maxLength(20))),
  /** What it shows, where that is no figure. */
  shows: z.optional(z.enum(SUBJECT_KINDS)),
});
export type PictureNotes = z.infer<typeof pictureNotesSchema>;
