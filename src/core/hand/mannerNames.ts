/** Ways of drawing a figure, each its own order of lines. */
export const MANNERS = [
  'action line',
  'bars',
  'flowing',
  'structural',
  'mass',
  'block-in',
  'contour',
  'blind',
  'one line',
  'negative shapes',
  'shadow shapes',
  'hatching',
  'wrapping',
  'cross-contours',
] as const;
export type Manner = (typeof MANNERS)[number];
