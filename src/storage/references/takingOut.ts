import { type DrawnSource, exportGate, type Gate, pictureGate, type Purpose } from '@/core/references/exportGate';
import { parsePictureReference } from '@/core/references/picture';
import { loadPicture } from '@/storage/pictures/pictures';

/** The pictures of the learner's among what was drawn from; figures of the program ask for nothing. */
async function sourcesOf(references: readonly (string | null)[]): Promise<DrawnSource[]> {
  const ids = new Set(references.flatMap((id) => (id && parsePictureReference(id)) || []));
  const pictures = await Promise.all([...ids].map((id) => loadPicture(id)));
  return pictures.map((picture) => ({ name: picture?.name ?? '', rights: picture?.rights ?? null }));
}

/** Whether what was drawn from some references may be taken out for a purpose. */
export const gateFor = async (purpose: Purpose, references: readonly (string | null)[]): Promise<Gate> =>
  exportGate(purpose, await sourcesOf(references));

/** The same of something in which references themselves are to be seen, beside drawings from others. */
export const gateForPictures = async (
  purpose: Purpose,
  shown: readonly string[],
  drawnFrom: readonly (string | null)[],
): Promise<Gate> => pictureGate(purpose, await sourcesOf(shown), await sourcesOf(drawnFrom));
