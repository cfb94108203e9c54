import { catalogued, knownFacts } from '@/core/figure/catalogue/catalogue';
import { effectiveFacts } from '@/core/references/effectiveFacts';
import { parsePictureReference } from '@/core/references/picture';
import type { LightFrom, PictureTraits } from '@/core/practice/rules/pictureCues';
import { loadPicture } from '@/storage/pictures/pictures';

/** The lamp of the studio stands there. */
const STUDIO_LIGHT_FROM: LightFrom = 'upper left';

/** What of a built-in figure calls for a word before it is drawn; undefined for a picture. */
export function traitsOfFigure(referenceId: string): PictureTraits | undefined {
  if (parsePictureReference(referenceId) !== undefined) return undefined;
  const known = knownFacts(referenceId);
  return known
    ? {
        family: known.family,
        foreshortened: catalogued(referenceId)?.foreshortened,
        onGround: known.onGround,
        lightFrom: STUDIO_LIGHT_FROM,
      }
    : {};
}

/** The same of a picture, as found or as the learner said. */
export async function traitsOfPicture(referenceId: string): Promise<PictureTraits> {
  const picture = await loadPicture(parsePictureReference(referenceId) ?? '');
  if (!picture) return {};
  const { family, foreshortened, subject, lightFrom } = effectiveFacts(picture);
  return {
    family,
    foreshortened: foreshortened === 'yes',
    onGround: family === 'reclining',
    subject,
    lightFrom: lightFrom as LightFrom | undefined,
  };
}

/** The same of several references of either kind, in their order. */
export const traitsOf = (referenceIds: readonly string[]): Promise<PictureTraits[]> =>
  Promise.all(referenceIds.map(async (id) => traitsOfFigure(id) ?? (await traitsOfPicture(id))));
