import type { PictureNotes } from '@/core/practice/plan/pictureNotes';
import { subjectKindOf } from '@/core/references/subjectKind';
import { leftOutOf } from './references';
import { traitsOf } from './traits';

/** Returns what is noted of a picture when it is taken to be drawn from. */
export async function pictureNotesOf(referenceId: string): Promise<PictureNotes> {
  const [leftOut, [traits]] = await Promise.all([leftOutOf(referenceId), traitsOf([referenceId])]);
  const shows = subjectKindOf(traits);
  return { ...(leftOut.length > 0 && { leftOut }), ...(shows && shows !== 'figure' && { shows }) };
}
