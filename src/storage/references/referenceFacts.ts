import { CATALOGUE, catalogued } from '@/core/figure/catalogue/catalogue';
import { MIRRORED, splitFigureReference } from '@/core/figure/catalogue/referenceId';
import { shapeOf } from '@/core/figure/catalogue/shapes';
import { drawnReferences } from '@/core/journal/history';
import type { Session } from '@/core/journal/session';
import { builtInSet } from '@/core/references/builtIn';
import type { ReferenceFacts } from '@/core/references/coverage';
import { effectiveFacts } from '@/core/references/effectiveFacts';
import type { DrawnFacts } from '@/core/references/facets';
import { mirroredFacing } from '@/core/references/mirrorReference';
import {
  isMirrored,
  LIBRARY_ID,
  parsePictureReference,
  type Picture,
  pictureReferenceId,
} from '@/core/references/picture';
import { readShape } from '@/core/references/unlike';
import { db } from '@/storage/db';
import { inSetOrder, listPictures, loadSet } from '@/storage/pictures/pictures';
import { listOwnSessions } from '@/storage/sessions/sessions';
import { knownFacts } from './references';

/** Eye level of a figure, by the elevation in its id. */
function figureEyeLevel(referenceId: string): string | undefined {
  const elevationDeg = splitFigureReference(referenceId)?.view.elevationDeg;
  if (elevationDeg === undefined) return undefined;
  return elevationDeg > 22 ? 'from above' : elevationDeg < -3 ? 'from below' : 'at eye level';
}

/** The pose of a figure, however it is turned, mirrored or played, and who plays it. */
function poseAndBuild(referenceId: string): Partial<ReferenceFacts> {
  const figure = splitFigureReference(referenceId);
  return figure ? { pose: figure.poseId.replace(MIRRORED, ''), build: figure.build } : {};
}

/** What a figure is chosen by, as far as that needs no computing; of views of the sets also their shape and what they are with. */
export function figureReferenceFacts(referenceId: string): ReferenceFacts {
  const entry = catalogued(referenceId);
  const known = knownFacts(referenceId);
  return {
    id: referenceId,
    ...poseAndBuild(referenceId),
    ...(known && {
      viewName: known.viewName,
      facing: known.facing,
      family: known.family,
      difficulty: known.difficulty,
    }),
    ...(entry && {
      props: entry.props,
      ...readShape(shapeOf(entry)),
      foreshortened: entry.foreshortened,
      ready: entry.full,
    }),
    eyeLevel: figureEyeLevel(referenceId),
    extent: 'whole',
  };
}

/** What a picture is chosen by: as found, or as the learner said. */
function pictureFacts(picture: Picture): ReferenceFacts {
  const facts = effectiveFacts(picture);
  return {
    id: pictureReferenceId(picture.id),
    facing: facts.facing as ReferenceFacts['facing'],
    viewName: facts.view,
    family: facts.family,
    eyeLevel: facts.eyeLevel,
    extent: facts.extent,
    hand: facts.hand,
    limbs: picture.measures?.limbs,
    foreshortened: facts.foreshortened === undefined ? undefined : facts.foreshortened === 'yes',
    difficulty: facts.difficulty === undefined ? undefined : Number(facts.difficulty),
  };
}

/** Facts of references in the order given; a mirror image has the facing it shows. */
export async function factsOf(referenceIds: readonly string[]): Promise<ReferenceFacts[]> {
  const ids = [...new Set(referenceIds.map(parsePictureReference))].filter((id) => id !== undefined);
  const { store } = (await db()).transaction('pictures');
  const pictures = new Map((await Promise.all(ids.map((id) => store.get(id)))).map((p) => [p?.id, p]));
  return referenceIds.map((id): ReferenceFacts => {
    const pictureId = parsePictureReference(id);
    if (pictureId === undefined) return figureReferenceFacts(id);
    const picture = pictures.get(pictureId);
    const facts = picture ? pictureFacts(picture) : {};
    return { ...facts, id, ...(isMirrored(id) && { facing: mirroredFacing((facts as ReferenceFacts).facing) }) };
  });
}

/** How often and when last each picture was drawn, by its id; its mirror image counts for it. */
export function drawnByPicture(sessions: readonly Session[]): Map<string, DrawnFacts> {
  const out = new Map<string, DrawnFacts>();
  for (const session of sessions)
    for (const reference of drawnReferences(session)) {
      const id = parsePictureReference(reference);
      if (id === undefined) continue;
      const before = out.get(id);
      out.set(id, {
        times: (before?.times ?? 0) + 1,
        lastMs: Math.max(before?.lastMs ?? 0, session.startedAtMs),
      });
    }
  return out;
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

/** Facts of what ships, for one built-in set or all of it. */
export function shippedReferences(setId: string): ReferenceFacts[] | undefined {
  const set = builtInSet(setId);
  if (!set) return undefined;
  const shipped = CATALOGUE.filter(({ family }) => set.family === undefined || family === set.family);
  return shipped.map(({ id }) => figureReferenceFacts(id));
}

/** What there is to draw from in a set. */
export async function referencesOf(setId: string): Promise<ReferenceFacts[]> {
  const shipped = shippedReferences(setId);
  if (shipped) return shipped;
  const figures = (await loadSet(setId))?.figures ?? [];
  const here = (await picturesOf(setId)).filter((p) => p.inFolder?.gone !== true);
  return [...figures.map((figure) => ({ ...figure, ...poseAndBuild(figure.id) })), ...here.map(pictureFacts)];
}
