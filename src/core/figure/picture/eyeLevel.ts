/** From where a figure is seen, by height. */
export type EyeLevel = 'from below' | 'at eye level' | 'from above';

/** Eyes so far above the horizon see a figure from above, degrees; so far below it, from below. Set by eye. */
const ABOVE_DEG = 22;
const BELOW_DEG = -3;

/** @param elevationDeg Of the camera over the horizon, seen from the figure. */
export const eyeLevelOf = (elevationDeg: number): EyeLevel =>
  elevationDeg > ABOVE_DEG ? 'from above' : elevationDeg < BELOW_DEG ? 'from below' : 'at eye level';
