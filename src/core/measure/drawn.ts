import type { DrawnPoint } from '../desk/sheet';
import type { DrawnKey } from '../figure/facts/answerKey';
import { isPlace, type Place, type PlaceName, PLACES } from './places';

/** A point put by hand lies as near as this to its place, share of the figure's height: tapped with a magnifier. */
export const TAPPED_SIGMA = 0.003;
/** A landmark of a built-in figure is known, one found in a picture is about so sure; shares of the figure's height. */
const KNOWN_SIGMA = 0.001;
const FOUND_SIGMA = 0.012;

/**
 * Places of a figure in its reference that one can also find in a drawing: those that nothing covers.
 * @param found The picture's points were found in it, or set by hand: they are less sure than a built-in figure's.
 */
export function placesSeen(key: DrawnKey, found: boolean): Map<PlaceName, Place> {
  const sigma = (found ? FOUND_SIGMA : KNOWN_SIGMA) * (key.bottom - key.top);
  return new Map(
    key.marks.flatMap(({ name, at, visible, findable }) =>
      (findable ?? visible) && isPlace(name) ? [[name, { at, sigma }] as const] : [],
    ),
  );
}

/** Places of a drawing in pixels of its straightened sheet, on which a step across is as long as a step down. */
export function placesDrawn(points: readonly DrawnPoint[], width: number, height: number): Map<PlaceName, Place> {
  const long = Math.max(width, height);
  return new Map(points.map(({ name, x, y, sigma }) => [name, { at: [x * width, y * height], sigma: sigma * long }]));
}

/** Below this share of ink or outline that meets, what was found is not to be trusted unseen. */
const TRUSTED = 0.6;
/** As many points as give a first answer. */
export const FIRST_POINTS = 5;

/**
 * Whether what follows from a drawing's points may be said, and remembered, before anybody has looked at them.
 * @param met How much of ink and outline met when they were proposed; undefined where that was never asked.
 */
export const trustsPoints = (points: readonly Pick<DrawnPoint, 'by'>[], met: number | undefined): boolean =>
  met === undefined || met >= TRUSTED || points.filter(({ by }) => by === 'hand').length >= FIRST_POINTS;

/** A drawing's points with one of them put somewhere by hand. */
export function withPoint(
  points: readonly DrawnPoint[],
  name: PlaceName,
  [x, y]: readonly [number, number],
  /** Of the drawing, share of the sheet's longer side. */
  figureHeight: number,
): DrawnPoint[] {
  const put: DrawnPoint = { name, x, y, sigma: Math.min(0.5, TAPPED_SIGMA * figureHeight), by: 'hand' };
  return [...points.filter((p) => p.name !== name), put].sort(
    (a, b) => PLACES.indexOf(a.name) - PLACES.indexOf(b.name),
  );
}
