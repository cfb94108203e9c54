/** A line from one point to another: x1, y1, x2, y2, shares of a frame's width and height. */
export type FrameLine = readonly [x1: number, y1: number, x2: number, y2: number];

/** Where a horizon stands at first: people are seen from about their own eye level. */
export const EYE_LEVEL = 0.35;

/** Vanishing points stand this far outside the frame, shares of its width. */
const OUTSIDE = 0.35;
/** Width of a floor tile on the frame's own edge, a share of its width. */
const TILE = 0.5;
/** Tiles go on this far to both sides of the frame, so that its lower corners are floor as well; shares of its width. */
const SPREAD = 1;

/**
 * A box to put a figure into: floor and ceiling in two-point perspective under and over a horizon. Parallels that cut the picture plane
 * at equal distances meet the frame's edge at equal distances and run to one vanishing point (Alberti, De pictura, 1435, book 1).
 * @param horizon Height of the eye, 0 the top of the frame to 1 its bottom.
 * @returns The horizon first, then the lines of the floor and of the ceiling to the left and to the right vanishing point.
 */
export function perspectiveBox(horizon: number): FrameLine[] {
  const lines: FrameLine[] = [[0, horizon, 1, horizon]];
  for (const edge of [1, 0]) {
    // A floor at the eye's own height, or a ceiling, is seen from its side: the horizon is all of it.
    if (Math.abs(edge - horizon) < 0.01) continue;
    for (const vanishing of [-OUTSIDE, 1 + OUTSIDE])
      for (let x = -SPREAD; x <= 1 + SPREAD; x += TILE) lines.push([x, edge, vanishing, horizon]);
  }
  return lines;
}
