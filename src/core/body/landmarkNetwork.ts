import { LANDMARK_PX, regionAround, type Region, sigmoid } from './detector';
import { type BodyPoint, POINT_COUNT } from './points';

/** The landmark network gives six points more than a body has; two of them tell where to look next. */
const NETWORK_POINTS = 39;
const VALUES = 5;
const HEAT_PX = 64;
const HEAT_REACH = 3;

export interface NetworkBody {
  score: number;
  points: BodyPoint[];
  space: [number, number, number][];
  /** Where the network itself would look: a second pass there is more exact. */
  next: Region;
}

/** The same outputs by their sizes, since their order differs between builds of the network. */
function bySize(outputs: readonly Float32Array[]): {
  points: Float32Array;
  score: Float32Array;
  space: Float32Array;
  heat: Float32Array;
} {
  const of = (size: number): Float32Array => {
    const found = outputs.find((o) => o.length === size);
    if (!found) throw new Error(`The landmark network gave no output of ${String(size)} numbers.`);
    return found;
  };
  return {
    points: of(NETWORK_POINTS * VALUES),
    score: of(1),
    space: of(NETWORK_POINTS * 3),
    heat: of(HEAT_PX * HEAT_PX * NETWORK_POINTS),
  };
}

/** A point moved to the weighted middle of the heat around it, where there is any. */
function refined(heat: Float32Array, i: number, x: number, y: number): [number, number] {
  const cx = Math.floor(x * HEAT_PX);
  const cy = Math.floor(y * HEAT_PX);
  if (cx < 0 || cy < 0 || cx >= HEAT_PX || cy >= HEAT_PX) return [x, y];
  let [sum, sumX, sumY, most] = [0, 0, 0, 0];
  for (let v = Math.max(0, cy - HEAT_REACH); v <= Math.min(HEAT_PX - 1, cy + HEAT_REACH); v++)
    for (let u = Math.max(0, cx - HEAT_REACH); u <= Math.min(HEAT_PX - 1, cx + HEAT_REACH); u++) {
      const p = sigmoid(heat[(v * HEAT_PX + u) * NETWORK_POINTS + i]);
      sum += p;
      sumX += u * p;
      sumY += v * p;
      most = Math.max(most, p);
    }
  return most >= 0.5 ? [sumX / sum / HEAT_PX, sumY / sum / HEAT_PX] : [x, y];
}

/**
 * The body in the landmark network's numbers.
 * @param region What of the picture the network saw.
 * @param width The picture's, pixels, as its height.
 */
export function networkBody(
  outputs: readonly Float32Array[],
  region: Region,
  width: number,
  height: number,
): NetworkBody {
  const { points, score, space, heat } = bySize(outputs);
  const cos = Math.cos(region.turn);
  const sin = Math.sin(region.turn);
  const all = Array.from({ length: NETWORK_POINTS }, (_, i) => {
    const [u, v] = refined(heat, i, points[i * VALUES] / LANDMARK_PX, points[i * VALUES + 1] / LANDMARK_PX);
    const dx = (u - 0.5) * region.size;
    const dy = (v - 0.5) * region.size;
    return {
      x: region.x + cos * dx - sin * dy,
      y: region.y + sin * dx + cos * dy,
      z: (points[i * VALUES + 2] / LANDMARK_PX) * region.size,
      seen: Math.min(sigmoid(points[i * VALUES + 3]), sigmoid(points[i * VALUES + 4])),
    };
  });
  const [middle, rim] = all.slice(POINT_COUNT);
  const within = (value: number, low: number, high: number): number => Math.min(high, Math.max(low, value));
  return {
    score: score[0],
    points: all.slice(0, POINT_COUNT).map(({ x, y, z, seen }) => ({
      x: within(x / width, -2, 3),
      y: within(y / height, -2, 3),
      z: within(z / width, -5, 5),
      seen,
    })),
    space: Array.from({ length: POINT_COUNT }, (_, i): [number, number, number] => {
      const [x, y, z] = space.subarray(i * 3, i * 3 + 3);
      return [cos * x - sin * y, sin * x + cos * y, z];
    }),
    next: regionAround(middle.x, middle.y, rim.x, rim.y),
  };
}
