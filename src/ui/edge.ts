/** The edge clock's path lies this far inside the frame, pixels. */
export const EDGE_INSET = 17;

export interface EdgePoint {
  x: number;
  y: number;
  /** On the top or bottom side. */
  horizontal: boolean;
}

/**
 * A point on the border of a frame, clockwise from top center: 0.25 is the middle of the right side where the frame is square,
 * 0.5 always bottom center.
 */
export function edgePoint(share: number, w: number, h: number, inset: number): EdgePoint {
  const width = w - 2 * inset;
  const height = h - 2 * inset;
  let d = Math.max(0, Math.min(1, share)) * 2 * (width + height);
  const sides: readonly [length: number, x: number, y: number, dx: number, dy: number][] = [
    [width / 2, w / 2, inset, 1, 0],
    [height, w - inset, inset, 0, 1],
    [width, w - inset, h - inset, -1, 0],
    [height, inset, h - inset, 0, -1],
    [width / 2, inset, inset, 1, 0],
  ];
  for (const [length, x, y, dx, dy] of sides) {
    if (d <= length) return { x: x + dx * d, y: y + dy * d, horizontal: dx !== 0 };
    d -= length;
  }
  return { x: w / 2, y: inset, horizontal: true };
}

/** Shares at which the path of EDGE_INSET turns a corner. */
function cornerShares(w: number, h: number): number[] {
  const width = w - 2 * EDGE_INSET;
  const height = h - 2 * EDGE_INSET;
  const total = 2 * (width + height);
  return [width / 2, width / 2 + height, 1.5 * width + height, 1.5 * width + 2 * height].map((d) => d / total);
}

type Point = readonly [x: number, y: number];

/** Where a share of the path lies on the frame's outer edge (-1) or well inside (+1), square across the path. */
function across(share: number, w: number, h: number, side: 1 | -1): Point {
  const { x, y, horizontal } = edgePoint(share, w, h, EDGE_INSET);
  const reach = EDGE_INSET * side;
  const px = horizontal ? x : x + (x < w / 2 ? reach : -reach);
  const py = horizontal ? y + (y < h / 2 ? reach : -reach) : y;
  return [px, py];
}

/** The part of the frame's border that is still to burn, as a polygon; for a CSS polygon, see `cssPolygon`. */
export function edgeSection(spent: number, w: number, h: number): Point[] {
  const corners: Point[] = [
    [w, 0],
    [w, h],
    [0, h],
    [0, 0],
  ];
  const ahead = cornerShares(w, h)
    .map((share, i) => ({ share, corner: corners[i] }))
    .filter(({ share }) => share > spent);
  const inward = 2 * EDGE_INSET;
  const outer = ahead.map(({ corner }) => corner);
  const inner = ahead.map(({ corner: [x, y] }): Point => [
    x === 0 ? inward : x - inward,
    y === 0 ? inward : y - inward,
  ]);
  return [across(spent, w, h, -1), ...outer, [w / 2, 0], [w / 2, inward], ...inner.reverse(), across(spent, w, h, 1)];
}

/** Points as a CSS polygon, measured from another origin. */
export const cssPolygon = (points: readonly Point[], x: number, y: number): string =>
  `polygon(${points.map(([px, py]) => `${(px - x).toFixed(1)}px ${(py - y).toFixed(1)}px`).join(', ')})`;

/** A piece of the border that is painted by itself, pixels, and the shares of the path over which it burns. */
export interface EdgeStrip {
  x: number;
  y: number;
  width: number;
  height: number;
  fromShare: number;
  toShare: number;
}

/** The border in five strips, clockwise from top center; together they are the whole of it and none lies over another. */
export function edgeStrips(w: number, h: number): EdgeStrip[] {
  const thick = 2 * EDGE_INSET;
  const total = 2 * (w + h - 2 * thick);
  const pieces: readonly Omit<EdgeStrip, 'fromShare' | 'toShare'>[] = [
    { x: w / 2, y: 0, width: w / 2 - thick, height: thick },
    { x: w - thick, y: 0, width: thick, height: h - thick },
    { x: thick, y: h - thick, width: w - thick, height: thick },
    { x: 0, y: thick, width: thick, height: h - thick },
    { x: 0, y: 0, width: w / 2, height: thick },
  ];
  // A strip begins to burn before the corner that it holds.
  const begins = [0, w / 2 - thick, w / 2 + h - 2 * thick, 1.5 * w + h - 3 * thick, 1.5 * w + 2 * h - 4 * thick];
  const bounds = [...begins.map((px) => px / total), 1];
  return pieces.map((piece, i) => ({ ...piece, fromShare: bounds[i], toShare: bounds[i + 1] }));
}
