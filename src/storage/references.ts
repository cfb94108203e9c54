import { type Appearance, appearanceKey } from '@/core/figure/appearance';
import { CATALOGUE, catalogued, type CatalogueEntry, factsAtHand } from '@/core/figure/catalogue';
import { builtInSet } from '@/core/references/builtIn';
import type { ReferenceFacts } from '@/core/references/coverage';
import { parsePictureReference, pictureReferenceId } from '@/core/references/picture';
import { db } from './db';
import { imageKey, loadImage } from './images';
import { listPictures, loadPicture } from './pictures';
import { loadRender, saveRender } from './renders';

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

export const referenceFacts = (referenceId: string): ReferenceFacts => ({
  ...knownFacts(referenceId),
  id: referenceId,
});

/** Facts of what ships, for one built-in set or all of it. */
export function shippedReferences(setId: string): ReferenceFacts[] | undefined {
  const set = builtInSet(setId);
  return (
    set &&
    CATALOGUE.filter((entry) => set.family === undefined || entry.family === set.family).map(
      ({ id, viewName, facing, difficulty, full }) => ({ id, viewName, facing, difficulty, ready: full }),
    )
  );
}

/** What there is to draw from in a set. */
export async function referencesOf(setId: string): Promise<ReferenceFacts[]> {
  const shipped = shippedReferences(setId);
  if (shipped) return shipped;
  const set = await (await db()).get('sets', setId);
  const figures = set?.figures ?? [];
  return [...figures, ...(await listPictures(setId)).map((p) => ({ id: pictureReferenceId(p.id) }))];
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
  if (pictureId) return loadImage(imageKey('picture', pictureId));
  const shown = appearanceKey(appearance);
  const known = catalogued(referenceId);
  if (known?.full && shown === '') {
    const response = await fetch(fullPictureUrl(known));
    if (response.ok) return response.blob();
  }
  return keptRender(referenceId + shown, () => render(referenceId));
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
