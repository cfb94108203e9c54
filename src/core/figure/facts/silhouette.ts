import { contours } from 'd3-contour';
import { polygonArea, polygonHull } from 'd3-polygon';
import type { Point } from './actionLine';
import { type Contour, contourLength } from './contours';

export interface Silhouette {
  /** The outer outline, in pieces if something covers the figure apart; largest first. */
  outline: Contour[];
  /** Enclosed regions of the ground: negative shapes, largest first, with their share of the envelope's area. */
  negatives: { shape: Contour; share: number }[];
  /** Corners of the convex hull, in order. */
  envelope: Point[];
}

/** Regions smaller than this share of the envelope are pinholes, not shapes to draw. */
const LEAST_SHARE = 0.0015;
/** Outlines shorter than this share of the longest are specks. */
const LEAST_LENGTH = 0.04;

/** One pass of (1 2 1) / 4 along both axes; the picture's edge counts as empty. */
function softened(mask: Float32Array, width: number, height: number): Float32Array {
  const rows = new Float32Array(mask.length);
  const out = new Float32Array(mask.length);
  for (let y = 0, o = 0; y < height; y++)
    for (let x = 0; x < width; x++, o++)
      rows[o] = ((x > 0 ? mask[o - 1] : 0) + 2 * mask[o] + (x < width - 1 ? mask[o + 1] : 0)) / 4;
  for (let y = 0, o = 0; y < height; y++)
    for (let x = 0; x < width; x++, o++)
      out[o] = ((y > 0 ? rows[o - width] : 0) + 2 * rows[o] + (y < height - 1 ? rows[o + width] : 0)) / 4;
  return out;
}

/** Rings around what a mask covers: outer rings with their holes. Marching squares on the softened mask, so the lines are smooth. */
export function maskRings(mask: Float32Array, width: number, height: number): Point[][][] {
  const [shape] = contours().size([width, height]).thresholds([0.5])(
    softened(mask, width, height) as unknown as number[],
  );
  return shape.coordinates.map((polygon) => polygon.map((ring) => ring.slice(1).map(([x, y]): Point => [x, y])));
}

/** Outline, negative shapes and envelope of a figure from its mask (1 inside). */
export function silhouette(mask: Float32Array, width: number, height: number): Silhouette {
  const polygons = maskRings(mask, width, height);
  const closed = (points: Point[]): Contour => ({ points, closed: true });
  const area = (points: readonly Point[]): number => Math.abs(polygonArea(points as [number, number][]));
  const outer = polygons.map(([ring]) => closed(ring)).sort((a, b) => contourLength(b) - contourLength(a));
  const longest = outer.length > 0 ? contourLength(outer[0]) : 0;
  const outline = outer.filter((c) => contourLength(c) > LEAST_LENGTH * longest);
  const hull = polygonHull(outline.flatMap((c) => c.points as [number, number][])) ?? [];
  const envelopeArea = hull.length > 2 ? area(hull) : 1;
  const negatives = polygons
    .flatMap(([, ...holes]) => holes)
    .map((ring) => ({ shape: closed(ring), share: area(ring) / envelopeArea }))
    .filter(({ share }) => share > LEAST_SHARE)
    .sort((a, b) => b.share - a.share);
  return { outline, negatives, envelope: simplifyHull(hull) };
}

/** The envelope as a draftsman blocks it in: corners that hardly turn are dropped until at most eight remain. */
function simplifyHull(hull: readonly Point[]): Point[] {
  const out = [...hull];
  const loss = (i: number): number => {
    const a = out[(i + out.length - 1) % out.length];
    const b = out[i];
    const c = out[(i + 1) % out.length];
    return Math.abs((b[0] - a[0]) * (c[1] - a[1]) - (c[0] - a[0]) * (b[1] - a[1])) / 2;
  };
  while (out.length > 8) {
    let least = 0;
    for (let i = 1; i < out.length; i++) if (loss(i) < loss(least)) least = i;
    out.splice(least, 1);
  }
  return out;
}
