import { knownFacts } from '@/core/figure/catalogue/catalogue';
import type { ReferenceFacts } from '@/core/references/coverage';
import { drawnByPicture } from '@/core/references/drawnByPicture';
import { mirroredFacing } from '@/core/references/mirrorReference';
import { isMirrored, LIBRARY_ID, parsePictureReference, type Picture } from '@/core/references/picture';
import {
  figureReferenceFacts,
  pictureReferenceFacts,
  poseAndBuild,
  shippedReferences,
} from '@/core/references/referenceFacts';
import { db } from '@/storage/db';
import { inSetOrder, listPictures, loadSet } from '@/storage/pictures/pictures';
import { listOwnSessions } from '@/storage/sessions/sessions';

/** Facts of references with their names, in the order given; a mirror image has the facing it shows. */
export async function factsOf(referenceIds: readonly string[]): Promise<ReferenceFacts[]> {
  const ids = [...new Set(referenceIds.map(parsePictureReference))].filter((id) => id !== undefined);
  const { store } = (await db()).transaction('pictures');
  const pictures = new Map((await Promise.all(ids.map((id) => store.get(id)))).map((p) => [p?.id, p]));
  return referenceIds.map((id): ReferenceFacts => {
    const pictureId = parsePictureReference(id);
    if (pictureId === undefined) return { ...figureReferenceFacts(id), name: knownFacts(id)?.name };
    const picture = pictures.get(pictureId);
    const facts = picture ? pictureReferenceFacts(picture) : {};
    return {
      ...facts,
      id,
      name: picture?.name,
      ...(isMirrored(id) && { facing: mirroredFacing((facts as ReferenceFacts).facing) }),
    };
  });
}

/** Pictures a set holds, by hand or by its rule. */
async function picturesOf(setId: string): Promise<Picture[]> {
  const set = await loadSet(setId);
  if (!set?.rule) return listPictures(setId);
  // Only sets by a rule need the search: Today and the journal load without it.
  const { indexLibrary, search } = await import('@/core/references/facets');
  const [library, sessions] = await Promise.all([listPictures(LIBRARY_ID), listOwnSessions()]);
  const drawn = drawnByPicture(sessions);
  const { found } = search(
    indexLibrary(library, (id) => drawn.get(id), Date.now()),
    set.rule,
  );
  return set.order ? inSetOrder(found, set.order) : found;
}

/** What there is to draw from in a set. */
export async function referencesOf(setId: string): Promise<ReferenceFacts[]> {
  const shipped = shippedReferences(setId);
  if (shipped) return shipped;
  const figures = (await loadSet(setId))?.figures ?? [];
  const here = (await picturesOf(setId)).filter((p) => p.inFolder?.gone !== true);
  return [...figures.map((figure) => ({ ...figure, ...poseAndBuild(figure.id) })), ...here.map(pictureReferenceFacts)];
}
