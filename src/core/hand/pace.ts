import { norm2 } from '../norms';
import type { Random } from '../random';
import type { Point } from '../figure/facts/actionLine';
import { lineLength, type StrokePoint } from './stroke';

/** Pixels between two points of a stroke. */
const STEP_PX = 5;

/** A line with points at even distances, its ends among them. */
export function evenly(line: readonly Point[], step = STEP_PX): Point[] {
  if (line.length < 2) return [...line];
  const total = lineLength(line);
  const count = Math.max(1, Math.round(total / step));
  const out: Point[] = [line[0]];
  let [i, before] = [1, 0];
  for (let k = 1; k < count; k++) {
    const at = (total * k) / count;
    for (;;) {
      const piece = norm2(line[i][0] - line[i - 1][0], line[i][1] - line[i - 1][1]);
      if (before + piece >= at || i === line.length - 1) {
        const t = piece > 0 ? Math.min(1, (at - before) / piece) : 0;
        out.push([
          line[i - 1][0] + (line[i][0] - line[i - 1][0]) * t,
          line[i - 1][1] + (line[i][1] - line[i - 1][1]) * t,
        ]);
        break;
      }
      before += piece;
      i++;
    }
  }
  out.push(line[line.length - 1]);
  return out;
}

/** A smooth curve through points (Catmull and Rom 1974, uniform), as a line of points at even distances. */
export function curveThrough(points: readonly Point[]): Point[] {
  if (points.length < 3) return evenly(points);
  const q = [points[0], ...points, points[points.length - 1]];
  const fine: Point[] = [];
  for (let k = 0; k + 1 < points.length; k++) {
    const [a, b, c, d] = [q[k], q[k + 1], q[k + 2], q[k + 3]];
    const one = (i: 0 | 1, t: number): number =>
      0.5 *
      (2 * b[i] +
        (c[i] - a[i]) * t +
        (2 * a[i] - 5 * b[i] + 4 * c[i] - d[i]) * t * t +
        (3 * b[i] - a[i] - 3 * c[i] + d[i]) * t * t * t);
    for (let s = 0; s < 12; s++) fine.push([one(0, s / 12), one(1, s / 12)]);
  }
  fine.push(points[points.length - 1]);
  return evenly(fine);
}

/** Waves of a hand's straying along a line, pixels of path each, and how much of it they carry. */
const WAVES = [
  [260, 0.6],
  [90, 0.3],
  [26, 0.1],
] as const;

/** A line as a hand draws it: straying softly by about `stray` pixels, its points at even distances. */
export function strayed(line: readonly Point[], stray: number, random: Random): Point[] {
  const even = evenly(line);
  if (stray <= 0) return even;
  const phases = WAVES.map(() => [random(), random()].map((r) => 2 * Math.PI * r));
  return even.map(([x, y], i): Point => {
    let [dx, dy] = [0, 0];
    WAVES.forEach(([wave, share], k) => {
      const t = (2 * Math.PI * i * STEP_PX) / wave;
      dx += share * Math.sin(t + phases[k][0]);
      dy += share * Math.sin(t + phases[k][1]);
    });
    return [x + dx * stray * Math.SQRT2, y + dy * stray * Math.SQRT2];
  });
}

/** Curvature below which a hand goes no faster, one over pixels. */
const STRAIGHT_ENOUGH = 1 / 600;

/**
 * Times and pressures along a line. The hand slows down where it bends: its speed goes with the curvature to the power of -1/3.
 * Source: F. Lacquaniti, C. Terzuolo and P. Viviani, "The law relating the kinematic and figural aspects of drawing movements",
 * Acta Psychologica 54 (1983).
 * @param even The pace is held even, as along a slow contour.
 */
export function paced(
  line: readonly Point[],
  { fromMs, lastsMs, press, even }: { fromMs: number; lastsMs: number; press: number; even: boolean },
): StrokePoint[] {
  const n = line.length;
  const slowness = line.map((p, i) => {
    if (even || i === 0 || i === n - 1) return 1;
    const [a, c] = [line[i - 1], line[i + 1]];
    const turn = Math.atan2(c[1] - p[1], c[0] - p[0]) - Math.atan2(p[1] - a[1], p[0] - a[0]);
    const bend = Math.abs(Math.atan2(Math.sin(turn), Math.cos(turn)));
    const reach = norm2(c[0] - a[0], c[1] - a[1]) / 2 || 1;
    return Math.cbrt(Math.max(STRAIGHT_ENOUGH, bend / reach) / STRAIGHT_ENOUGH);
  });
  const total = slowness.slice(1).reduce((sum, s) => sum + s, 0) || 1;
  let gone = 0;
  return line.map(([x, y], i): StrokePoint => {
    if (i > 0) gone += slowness[i];
    const t = n > 1 ? i / (n - 1) : 1;
    // Put down softly, lifted softly.
    const ease = Math.min(1, 0.35 + 3.2 * Math.min(t, 1 - t));
    return [x, y, fromMs + (lastsMs * gone) / total, Math.min(1, press * ease)];
  });
}
