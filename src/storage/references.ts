import {
  type FigureFacts,
  figureFacts,
  figureReferenceId,
  parseFigureReference,
  SHIPPED_FIGURES,
} from '@/core/figure/reference';
import shippedPictures from '@/core/figure/shippedPictures.json';
import type { ReferenceFacts } from '@/core/references/coverage';
import { BUILT_IN_SET_ID, parsePictureReference, pictureReferenceId } from '@/core/references/picture';
import { imageKey, loadImage } from './images';
import { listPictures, loadPicture } from './pictures';
import { loadRender, saveRender } from './renders';

export interface ShippedPicture {
  file: string;
  size: number[];
  small: number[];
}
const shipped = shippedPictures as Record<string, ShippedPicture | undefined>;

export const shippedPicture = (referenceId: string): ShippedPicture | undefined => shipped[referenceId];
export const smallPictureUrl = ({ file }: ShippedPicture): string => `/figures/small/${file}.webp`;
const fullPictureUrl = ({ file }: ShippedPicture): string => `/figures/${file}.webp`;

const factsCache = new Map<string, FigureFacts>();
/** Facts of a built-in figure, worked out once; undefined for pictures. */
export function knownFacts(referenceId: string): FigureFacts | undefined {
  const cached = factsCache.get(referenceId);
  if (cached) return cached;
  const reference = parseFigureReference(referenceId);
  if (!reference) return undefined;
  const facts = figureFacts(reference);
  factsCache.set(referenceId, facts);
  return facts;
}

export function referenceFacts(referenceId: string): ReferenceFacts {
  return { id: referenceId, ...knownFacts(referenceId) };
}

/** What there is to draw from in a set. */
export async function referencesOf(setId: string): Promise<ReferenceFacts[]> {
  if (setId === BUILT_IN_SET_ID) return SHIPPED_FIGURES.map((f) => referenceFacts(figureReferenceId(f)));
  return (await listPictures(setId)).map((p) => ({ id: pictureReferenceId(p.id) }));
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
  render: (referenceId: string) => Promise<Blob>,
): Promise<Blob | undefined> {
  const pictureId = parsePictureReference(referenceId);
  if (pictureId) return loadImage(imageKey('picture', pictureId));
  const known = shippedPicture(referenceId);
  if (known) {
    const response = await fetch(fullPictureUrl(known));
    if (response.ok) return response.blob();
  }
  const cached = await loadRender(referenceId, Date.now());
  if (cached) return cached;
  const image = await render(referenceId);
  // A full cache must not keep the learner from drawing.
  await saveRender(referenceId, image, Date.now()).catch(() => undefined);
  return image;
}
