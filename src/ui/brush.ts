import { seededRandom } from '@/core/random';

type Point = [x: number, y: number];
const path = (points: readonly Point[]): string =>
  `M${points.map(([x, y]) => `${x.toFixed(1)},${y.toFixed(1)}`).join('L')}Z`;

/** Distance between two wobbles of a brushed edge, pixels. */
const WOBBLE_PX = 11;

export interface BandShape {
  x: number;
  y: number;
  width: number;
  height: number;
  seed: number;
  /** How far the long edges wander. */
  edge?: number;
  /** How ragged the ends are. */
  end?: number;
}

/** SVG path of a band laid in with a dry brush: long edges that wander, ends that break off. The same seed gives the same band. */
export function brushBand({ x, y, width, height, seed, edge = 1.8, end = 2.2 }: BandShape): string {
  const random = seededRandom(seed * 7919 + 13);
  const steps = Math.max(2, Math.round(width / WOBBLE_PX));
  const top: Point[] = [];
  const bottom: Point[] = [];
  let up = 0;
  let down = 0;
  for (let i = 0; i <= steps; i++) {
    const at = x + (width * i) / steps;
    up = up * 0.45 + (random() - 0.5) * edge;
    down = down * 0.45 + (random() - 0.5) * edge;
    top.push([at, y + up]);
    bottom.push([at, y + height + down]);
  }
  const raggedEnd = (at: number, from: number, to: number, outward: number): Point[] => {
    const bristles = Math.max(2, Math.round(Math.abs(to - from) / 5));
    return Array.from({ length: bristles - 1 }, (_, i): Point => [
      at + (random() - 0.5) * end * 1.4 + outward * (random() > 0.72 ? end : 0),
      from + ((to - from) * (i + 1)) / bristles,
    ]);
  };
  return path([
    ...top,
    ...raggedEnd(x + width, y, y + height, 1),
    ...bottom.reverse(),
    ...raggedEnd(x, y + height, y, -1),
  ]);
}

/** SVG path of one tapered stroke between two points. */
export function brushStroke(from: Point, to: Point, width: number, seed: number): string {
  const random = seededRandom(seed * 131 + 7);
  const steps = 12;
  const dx = to[0] - from[0];
  const dy = to[1] - from[1];
  const length = Math.hypot(dx, dy) || 1;
  const normal: Point = [-dy / length, dx / length];
  const left: Point[] = [];
  const right: Point[] = [];
  for (let i = 0; i <= steps; i++) {
    const t = i / steps;
    const half = (width * (0.55 + 0.45 * Math.sin(Math.PI * (t * 0.82 + 0.12))) * (0.82 + 0.3 * random())) / 2;
    const drift = (random() - 0.5) * width * 0.14;
    left.push([from[0] + dx * t + normal[0] * (half + drift), from[1] + dy * t + normal[1] * (half + drift)]);
    right.push([from[0] + dx * t - normal[0] * (half - drift), from[1] + dy * t - normal[1] * (half - drift)]);
  }
  return path([...left, ...right.reverse()]);
}
