import type { Point } from '../figure/facts/actionLine';
import type { PlaceName, Places } from './places';

/** How far a straightened sheet may still be off: its proportion (share) and its turn (degrees), standard deviations. */
const SHEET_ASPECT_SIGMA = 0.003;
const SHEET_TURN_SIGMA_DEG = 0.2;

/** Step of the differences that stand for derivatives, in the unit of the places. */
const STEP = 0.01;

export interface Spread {
  value: number;
  /** Standard deviation. */
  sigma: number;
}

type Of = (at: (name: PlaceName) => Point) => number;

/**
 * A value computed from places, and how far it is unsure because they are: to first order, with each place's errors independent of
 * the others', and for a sheet its proportion and its turn beside (JCGM 100:2008, "Guide to the expression of uncertainty in
 * measurement", 5.1.2).
 * @param onSheet The places lie on a straightened sheet rather than in a picture.
 */
export function spreadOf(of: Of, needs: readonly PlaceName[], places: Places, onSheet: boolean): Spread {
  const known = (name: PlaceName): Point => {
    const place = places.get(name);
    if (!place) throw new Error(`${name} is not known`);
    return place.at;
  };
  const value = of(known);
  // Angles may jump by a whole turn between two steps.
  const difference = (other: number): number => {
    const d = other - value;
    return Math.abs(d) > 180 ? d - 360 * Math.sign(d) : d;
  };
  let variance = 0;
  for (const name of needs) {
    const place = places.get(name);
    if (!place) continue;
    for (const [dx, dy] of [
      [STEP, 0],
      [0, STEP],
    ]) {
      const nudged = of((n) => (n === name ? [place.at[0] + dx, place.at[1] + dy] : known(n)));
      variance += ((difference(nudged) / STEP) * place.sigma) ** 2;
    }
  }
  if (onSheet) {
    const [k, a] = [1 + 1e-4, 1e-4];
    const wider = of((n) => [known(n)[0] * k, known(n)[1]]);
    variance += ((difference(wider) / 1e-4) * SHEET_ASPECT_SIGMA) ** 2;
    const [c, s] = [Math.cos(a), Math.sin(a)];
    const turned = of((n) => [known(n)[0] * c - known(n)[1] * s, known(n)[0] * s + known(n)[1] * c]);
    variance += ((difference(turned) / a) * ((SHEET_TURN_SIGMA_DEG * Math.PI) / 180)) ** 2;
  }
  return { value, sigma: Math.sqrt(variance) };
}
