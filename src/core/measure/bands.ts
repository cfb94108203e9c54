/** How far a part may differ from what is seen before it hurts the drawing: shares of its size. Not symmetrical, because errors are not. */
export interface Band {
  low: number;
  high: number;
  /** The side on which an error hurts: 1 too large, -1 too small, 0 either. */
  hurts: 1 | -1 | 0;
}

const BANDS: Readonly<Record<string, Band>> = {
  head: { low: -0.1, high: 0.03, hurts: 1 },
  legs: { low: -0.03, high: 0.1, hurts: -1 },
  'legs from the middle': { low: -0.03, high: 0.1, hurts: -1 },
  waist: { low: -0.12, high: 0.02, hurts: 1 },
};
const OTHERWISE: Band = { low: -0.06, high: 0.06, hurts: 0 };

/** The tolerance of a measure that is a share. */
export const bandOf = (measureId: string): Band => BANDS[measureId] ?? OTHERWISE;

/** Degrees of a tilt that count as the same, and beyond which it is worth a word. */
export const TILT_SAME_DEG = 4;
export const TILT_WORD_DEG = 8;
