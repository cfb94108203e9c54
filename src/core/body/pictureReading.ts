import type { FactValues } from '../references/facts';
import type { Picture } from '../references/picture';
import { without } from '../without';
import { type Body, peopleIn } from './body';
import { limbDirections } from './limbs';
import { type AroundBody, type BodyInPicture, READ_BY, readBody } from './readBody';
import { headTurn, readFaceLight } from './readHead';
import { type GrayPicture, readLight } from './readLight';

/** How often light was right when measured; see docs/picture-facts.md. */
const LIGHT_SURE = { light: 0.84, lightFrom: 0.8 };

/**
 * A picture's fields from what was found in it. Its tone stays; what the learner said is not touched.
 * @param gray Its lightness, for reading the light on the body; missing where it cannot be had.
 */
export function readingOf(
  picture: Picture,
  { body, people }: { body: BodyInPicture | undefined; people: number },
  gray: GrayPicture | undefined,
): Partial<Picture> {
  const { found, sure, measures, widthPx, heightPx } = picture;
  const tone: FactValues = found.tone === undefined ? {} : { tone: found.tone };
  const toneSure = { tone: sure.tone ?? 0 };
  if (!body) return { found: tone, sure: toneSure, readBy: READ_BY };
  const { facts, sure: factSure } = readBody(body, people, aroundBody(picture));
  const head = facts.subject === 'parts/head';
  const light =
    gray &&
    (head
      ? readFaceLight(gray, body.points, headTurn(body.points, body.space, widthPx / heightPx))
      : readLight(gray, body.points));
  return {
    found: { ...tone, ...facts, ...(light && { light: light.light, lightFrom: light.lightFrom }) },
    sure: { ...toneSure, ...factSure, ...(light && LIGHT_SURE) },
    measures: {
      mean: measures?.mean ?? 0,
      spread: measures?.spread ?? 0,
      ...(!head && { limbs: limbDirections(body.points, widthPx / heightPx) }),
    },
    readBy: READ_BY,
  };
}

/** A picture as a body in it is read. */
export const aroundBody = ({
  horizon,
  widthPx,
  heightPx,
}: Pick<Picture, 'widthPx' | 'heightPx' | 'horizon'>): AroundBody => ({
  aspect: widthPx / heightPx,
  horizon: horizon ?? undefined,
});

/** A picture's fields with its horizon drawn, or with null forgotten: its eye level is read anew. */
export function withHorizon(picture: Picture, body: Body, horizon: number | null): Partial<Picture> {
  const { facts, sure } = readBody(body, peopleIn(body), aroundBody({ ...picture, horizon }));
  const { eyeLevel } = facts;
  return {
    horizon,
    found: { ...without(picture.found, 'eyeLevel'), ...(eyeLevel !== undefined && { eyeLevel }) },
    sure: { ...picture.sure, eyeLevel: sure.eyeLevel ?? 0 },
  };
}

/** Nobody has read it as well as is possible now, and it is there to be read. */
export const needsReading = ({ readBy, binnedAtMs, inFolder }: Picture): boolean =>
  readBy < READ_BY && binnedAtMs === null && inFolder?.gone !== true;
