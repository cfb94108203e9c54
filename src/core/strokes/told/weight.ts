import type { Mark } from '../inkStroke';

/** Tools without pressure say the same everywhere: less difference than this is none. */
const LEAST_SPREAD = 0.02;

export interface Weight {
  /** Mean pressure on the side of the figure away from the light, and toward it. */
  away: number;
  toward: number;
}

/**
 * Pressure away from the light: how hard was pressed on the far side of the drawing and on the near one, by length.
 * @param lightFrom Where the light comes from across the picture: x to the right, y down; any length but 0.
 * @returns undefined where nothing was drawn, or every place was pressed alike, as with a tool that knows no pressure.
 */
export function weightOf(marks: readonly Mark[], lightFrom: readonly [number, number]): Weight | undefined {
  const pieces = marks.flatMap(({ points }) =>
    points.slice(1).map(([x, y, , press], i) => {
      const [a, b, , before] = points[i];
      return { x: (a + x) / 2, y: (b + y) / 2, mm: Math.hypot(x - a, y - b), press: (press + before) / 2 };
    }),
  );
  const total = pieces.reduce((sum, { mm }) => sum + mm, 0);
  if (total === 0) return undefined;
  const presses = pieces.map(({ press }) => press);
  if (Math.max(...presses) - Math.min(...presses) < LEAST_SPREAD) return undefined;
  const [cx, cy] = [
    pieces.reduce((sum, { x, mm }) => sum + x * mm, 0) / total,
    pieces.reduce((sum, { y, mm }) => sum + y * mm, 0) / total,
  ];
  const mean = (away: boolean): number => {
    let [pressed, mm] = [0, 0];
    for (const piece of pieces) {
      const side = (piece.x - cx) * lightFrom[0] + (piece.y - cy) * lightFrom[1];
      if (side === 0 || side < 0 !== away) continue;
      pressed += piece.press * piece.mm;
      mm += piece.mm;
    }
    return mm > 0 ? pressed / mm : 0;
  };
  return { away: mean(true), toward: mean(false) };
}
