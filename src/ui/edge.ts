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

/** A piece of the border that is painted by itself, pixels, and the shares of the path over which it burns. */
export interface EdgeStrip {
  x: number;
  y: number;
  width: number;
  height: number;
  fromShare: number;
  toShare: number;
  /** The direction in which it burns. */
  along: readonly [x: number, y: number];
}

/** The border in five strips, clockwise from top center; together they are the whole of it and none lies over another. */
export function edgeStrips(w: number, h: number): EdgeStrip[] {
  const thick = 2 * EDGE_INSET;
  const total = 2 * (w + h - 2 * thick);
  const pieces: readonly Omit<EdgeStrip, 'fromShare' | 'toShare'>[] = [
    { x: w / 2, y: 0, width: w / 2 - thick, height: thick, along: [1, 0] },
    { x: w - thick, y: 0, width: thick, height: h - thick, along: [0, 1] },
    { x: thick, y: h - thick, width: w - thick, height: thick, along: [-1, 0] },
    { x: 0, y: thick, width: thick, height: h - thick, along: [0, -1] },
    { x: 0, y: 0, width: w / 2, height: thick, along: [1, 0] },
  ];
  // A strip begins to burn before the corner that it holds.
  const begins = [0, w / 2 - thick, w / 2 + h - 2 * thick, 1.5 * w + h - 3 * thick, 1.5 * w + 2 * h - 4 * thick];
  const bounds = [...begins.map((px) => px / total), 1];
  return pieces.map((piece, i) => ({ ...piece, fromShare: bounds[i], toShare: bounds[i + 1] }));
}

/** How much of a strip has burnt, whole pixels along it. */
export function burntPx({ fromShare, toShare, width, height, along }: EdgeStrip, spent: number): number {
  const length = along[0] === 0 ? height : width;
  const share = (spent - fromShare) / (toShare - fromShare);
  return Math.round(Math.max(0, Math.min(1, share)) * length);
}
