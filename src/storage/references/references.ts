import { type Appearance, appearanceKey } from '@/core/figure/picture/appearance';
import { CATALOGUE, catalogued, type CatalogueEntry, factsAtHand } from '@/core/figure/catalogue/catalogue';
import { builtInSet } from '@/core/references/builtIn';
import { MIRRORED, splitFigureReference } from '@/core/figure/catalogue/referenceId';
import { drawnReferences } from '@/core/journal/history';
import type { Session } from '@/core/journal/session';
import type { ReferenceFacts } from '@/core/references/coverage';
import { mirroredFacing } from '@/core/references/mirrorReference';
import { readShape } from '@/core/references/unlike';
import { effectiveFacts } from '@/core/references/effectiveFacts';
import type { DrawnFacts } from '@/core/references/facets';
import {
  isMirrored,
  LIBRARY_ID,
  parsePictureReference,
  type Picture,
  type PictureBox,
  pictureReferenceId,
} from '@/core/references/picture';
import { db } from '@/storage/db';
import { pictureImage } from '@/storage/pictures/pictureImage';
import { inSetOrder, listPictures, loadPicture, loadSet } from '@/storage/pictures/pictures';
import { loadRender, saveRender } from './renders';
import { listOwnSessions } from '@/storage/sessions/sessions';

export const smallPictureUrl = ({ file }: CatalogueEntry, covered: boolean): string =>
  `/figures/${covered ? 'covered' : 'small'}/${file}.webp`;
const fullPictureUrl = ({ file }: CatalogueEntry): string => `/figures/${file}.webp`;

const chance = /^figure\/chance\.(\d+)(~m)?\//;

/** Facts of a built-in figure that need no computing; undefined for pictures. */
export function knownFacts(referenceId: string): (Partial<ReferenceFacts> & { name: string }) | undefined {
  const known = factsAtHand(referenceId);
  if (known) return known;
  const seed = chance.exec(referenceId)?.[1];
  if (seed !== undefined) return { name: `Chance pose ${seed}` };
  return referenceId.startsWith('figure/joints.') ? { name: 'Pose from motion' } : undefined;
}

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
      ...readShape(entry.shape),
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

/** What a reference is called: a figure's name or a picture's file name. */
export async function referenceName(referenceId: string): Promise<string> {
  const facts = knownFacts(referenceId);
  if (facts) return facts.name;
  const pictureId = parsePictureReference(referenceId);
  return (pictureId && (await loadPicture(pictureId))?.name) ?? 'A picture no longer here';
}

/**
 * The picture of a reference at full size: shipped, kept, cached or rendered now.
 * @param render Makes a view of a figure that is not there yet; the result is kept.
 * @returns undefined when a picture is no longer here.
 */
export async function loadReferenceImage(
  referenceId: string,
  appearance: Appearance,
  render: (referenceId: string) => Promise<Blob>,
): Promise<Blob | undefined> {
  const pictureId = parsePictureReference(referenceId);
  if (pictureId) {
    const picture = await loadPicture(pictureId);
    return picture && pictureImage(picture);
  }
  const shown = appearanceKey(appearance);
  const known = catalogued(referenceId);
  if (known?.full && shown === '') {
    const response = await fetch(fullPictureUrl(known));
    if (response.ok) return response.blob();
  }
  return keptRender(referenceId + shown, () => render(referenceId));
}

/** Parts of a picture that are left out on purpose while it is drawn. */
export async function veilsOf(referenceId: string): Promise<PictureBox[]> {
  const pictureId = parsePictureReference(referenceId);
  const picture = pictureId === undefined ? undefined : await loadPicture(pictureId);
  return picture?.leftOut?.map(({ box }) => box) ?? [];
}

/** A render from the cache, or made now and kept. */
export async function keptRender(key: string, make: () => Promise<Blob>): Promise<Blob> {
  const cached = await loadRender(key, Date.now());
  if (cached) return cached;
  const image = await make();
  // A full cache must not keep the learner from drawing.
  await saveRender(key, image, Date.now()).catch(() => undefined);
  return image;
}
