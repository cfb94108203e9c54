import type { Point } from '../figure/facts/actionLine';

/** A point and where it is to be taken. */
export interface Pull {
  from: Point;
  to: Point;
}

/** Squared pixels below which a point counts as lying on a pull: no division by nothing. */
const ON_IT = 1e-6;

/**
 * A map of the plane that takes each pull's point exactly where it is to go, and whatever lies between along with its nearest ones,
 * turned and scaled but not sheared. Source: S. Schaefer, T. McPhail and J. Warren, "Image deformation using moving least squares",
 * SIGGRAPH 2006, similarity transformations, weights one over the distance squared.
 */
export function warpBy(pulls: readonly Pull[]): (p: Point) => Point {
  if (pulls.length === 0) return (p) => p;
  const weights = new Float64Array(pulls.length);
  return ([x, y]) => {
    let sum = 0;
    let [px, py, qx, qy] = [0, 0, 0, 0];
    for (let i = 0; i < pulls.length; i++) {
      const { from, to } = pulls[i];
      const d = (from[0] - x) ** 2 + (from[1] - y) ** 2;
      if (d < ON_IT) return to;
      const w = 1 / d;
      weights[i] = w;
      sum += w;
      px += w * from[0];
      py += w * from[1];
      qx += w * to[0];
      qy += w * to[1];
    }
    px /= sum;
    py /= sum;
    qx /= sum;
    qy /= sum;
    // As complex numbers: the similarity is the sum of conj(p) q over the sum of |p|^2.
    let [re, im, size] = [0, 0, 0];
    for (let i = 0; i < pulls.length; i++) {
      const { from, to } = pulls[i];
      const [a, b, c, d] = [from[0] - px, from[1] - py, to[0] - qx, to[1] - qy];
      re += weights[i] * (a * c + b * d);
      im += weights[i] * (a * d - b * c);
      size += weights[i] * (a * a + b * b);
    }
    if (size < ON_IT * sum) return [x - px + qx, y - py + qy];
    const [dx, dy] = [x - px, y - py];
    return [qx + (re * dx - im * dy) / size, qy + (im * dx + re * dy) / size];
  };
}
