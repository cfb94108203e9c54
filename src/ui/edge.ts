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

/** Where a share of the path lies on the frame's outer edge (-1) or well inside (+1), square across the path. */
function across(share: number, w: number, h: number, side: 1 | -1): string {
  const { x, y, horizontal } = edgePoint(share, w, h, EDGE_INSET);
  const reach = EDGE_INSET * side;
  const px = horizontal ? x : x + (x < w / 2 ? reach : -reach);
  const py = horizontal ? y + (y < h / 2 ? reach : -reach) : y;
  return `${px.toFixed(1)}px ${py.toFixed(1)}px`;
}

/** The part of the frame's border that is still to burn, as the points of a CSS polygon. */
export function edgeSection(spent: number, w: number, h: number): string {
  const corners = [
    [w, 0],
    [w, h],
    [0, h],
    [0, 0],
  ];
  const ahead = cornerShares(w, h)
    .map((share, i) => ({ share, corner: corners[i] }))
    .filter(({ share }) => share > spent);
  const inward = 2 * EDGE_INSET;
  const outer = ahead.map(({ corner: [x, y] }) => `${x}px ${y}px`);
  const inner = ahead.map(
    ({ corner: [x, y] }) => `${x === 0 ? inward : x - inward}px ${y === 0 ? inward : y - inward}px`,
  );
  return [
    across(spent, w, h, -1),
    ...outer,
    `${w / 2}px 0px`,
    `${w / 2}px ${inward}px`,
    ...inner.reverse(),
    across(spent, w, h, 1),
  ].join(', ');
}
