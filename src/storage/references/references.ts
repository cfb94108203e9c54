import { type Appearance, appearanceKey } from '@/core/figure/picture/appearance';
import { catalogued, type CatalogueEntry, knownFacts } from '@/core/figure/catalogue/catalogue';
import { hasCover } from '@/core/figure/catalogue/families';
import { parsePictureReference, type PictureBox } from '@/core/references/picture';
import { pictureImage } from '@/storage/pictures/pictureImage';
import { loadPicture } from '@/storage/pictures/pictures';
import { loadRender, saveRender } from './renders';

export const smallPictureUrl = ({ file, family }: CatalogueEntry, covered: boolean): string =>
  `/figures/${covered && hasCover(family) ? 'covered' : 'small'}/${file}.webp`;
const fullPictureUrl = ({ file }: CatalogueEntry): string => `/figures/${file}.webp`;

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

/** What they are, in words. */
export async function leftOutOf(referenceId: string): Promise<string[]> {
  const pictureId = parsePictureReference(referenceId);
  const picture = pictureId === undefined ? undefined : await loadPicture(pictureId);
  return picture?.leftOut?.map(({ words }) => words) ?? [];
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
