import type { FactValues } from '../references/facts';
import type { Picture } from '../references/picture';
import { limbDirections } from './limbs';
import { type BodyInPicture, READ_BY, readBody } from './readBody';
import { type GrayPicture, readLight } from './readLight';

/** How often light was right when measured; see docs/picture-facts.md. */
const LIGHT_SURE = { light: 0.84, lightFrom: 0.8 };

/**
 * A picture's fields from what was found in it. Its tone stays; what the learner said is not touched.
 * @param gray Its lightness, for reading the light on the body; missing where it cannot be had.
 */
export function readingOf(
  { found, sure, measures, widthPx, heightPx }: Picture,
  { body, people }: { body: BodyInPicture | undefined; people: number },
  gray: GrayPicture | undefined,
): Partial<Picture> {
  const tone: FactValues = found.tone === undefined ? {} : { tone: found.tone };
  const toneSure = { tone: sure.tone ?? 0 };
  if (!body) return { found: tone, sure: toneSure, readBy: READ_BY };
  const { facts, sure: factSure } = readBody(body, people);
  const light = gray && readLight(gray, body.points);
  return {
    found: { ...tone, ...facts, ...(light && { light: light.light, lightFrom: light.lightFrom }) },
    sure: { ...toneSure, ...factSure, ...(light && LIGHT_SURE) },
    measures: {
      mean: measures?.mean ?? 0,
      spread: measures?.spread ?? 0,
      limbs: limbDirections(body.points, widthPx / heightPx),
    },
    readBy: READ_BY,
  };
}

/** Nobody has read it as well as is possible now, and it is there to be read. */
export const needsReading = ({ readBy, binnedAtMs, inFolder }: Picture): boolean =>
  readBy < READ_BY && binnedAtMs === null && inFolder?.gone !== true;
