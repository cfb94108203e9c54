import type { Edges } from './edges';
import type { Point } from './quad';

/** A line as its normal and its distance from the corner of the picture. */
export interface Line {
  c: number;
  s: number;
  rho: number;
}

/** Where two lines meet; undefined when they are parallel. */
export function meeting(a: Line, b: Line): Point | undefined {
  const d = a.c * b.s - a.s * b.c;
  return Math.abs(d) < 1e-6 ? undefined : [(a.rho * b.s - b.rho * a.s) / d, (a.c * b.rho - b.c * a.rho) / d];
}

/** Edges count up to this much: a strong one is no more a line than a clear one. */
export const CLEAR = 70;
/** Directions that are told apart, and how far to both sides of its own each edge counts. */
const DIRECTIONS = 180;
const SPREAD = 6;
/** A line is at least this long against the shorter side of the picture. */
const SHORTEST = 0.06;
/** So many lines are looked at. */
const MOST = 60;
/** Peaks nearer to each other than this are one, in directions and in pixels. */
const APART = 3;

/**
 * The straight lines of a picture, the strongest first.
 * Source: R. Duda and P. Hart, "Use of the Hough transformation to detect lines and curves in pictures", 1972; each edge votes for the
 * directions about its own, and each peak is fitted again to the edges that lie on it.
 */
export function linesOf({ width: w, height: h, gx, gy, size, on }: Edges): Line[] {
  const reach = Math.ceil(Math.hypot(w, h));
  const bins = 2 * reach + 1;
  const votes = new Float32Array(DIRECTIONS * bins);
  const cos = Float32Array.from({ length: DIRECTIONS }, (_, t) => Math.cos((t * Math.PI) / DIRECTIONS));
  const sin = Float32Array.from({ length: DIRECTIONS }, (_, t) => Math.sin((t * Math.PI) / DIRECTIONS));
  for (const i of on) {
    const x = i % w;
    const y = Math.floor(i / w);
    const own = Math.round((Math.atan2(gy[i], gx[i]) * DIRECTIONS) / Math.PI);
    const weight = Math.min(CLEAR, size[i]) / CLEAR;
    for (let d = -SPREAD; d <= SPREAD; d++) {
      const t = (((own + d) % DIRECTIONS) + DIRECTIONS) % DIRECTIONS;
      const rho = x * cos[t] + y * sin[t] + reach;
      const bin = Math.floor(rho);
      const k = weight * (1 - Math.abs(d) / (SPREAD + 2));
      votes[t * bins + bin] += k * (1 - rho + bin);
      votes[t * bins + bin + 1] += k * (rho - bin);
    }
  }
  /** Whether no neighbor has more votes; directions go around. */
  const isPeak = (t: number, b: number): boolean => {
    const v = votes[t * bins + b];
    for (let dt = -APART; dt <= APART; dt++) {
      const turned = t + dt < 0 || t + dt >= DIRECTIONS;
      const t2 = (t + dt + DIRECTIONS) % DIRECTIONS;
      for (let db = -APART; db <= APART; db++) {
        const b2 = (turned ? 2 * reach - b : b) + db;
        if (b2 < 0 || b2 >= bins) continue;
        const u = votes[t2 * bins + b2];
        if (u > v || (u === v && (dt < 0 || (dt === 0 && db < 0)))) return false;
      }
    }
    return true;
  };
  const peaks: number[] = [];
  const least = SHORTEST * Math.min(w, h);
  for (let t = 0; t < DIRECTIONS; t++)
    for (let b = 2; b < bins - 2; b++) if (votes[t * bins + b] >= least && isPeak(t, b)) peaks.push(t * bins + b);
  peaks.sort((a, b) => votes[b] - votes[a]);
  return peaks.slice(0, MOST).map((k) => {
    const t = Math.floor(k / bins);
    return fitted({ c: cos[t], s: sin[t], rho: (k % bins) - reach }, { w, gx, gy, size, on });
  });
}

/** Edges within so many pixels of a line belong to it, if they are turned as it is (cosine). */
const NEAR = 2.2;
const TURNED = 0.93;

/** A line fitted to the edges that lie on it, weighted by their strength. */
function fitted(line: Line, { w, gx, gy, size, on }: { w: number } & Pick<Edges, 'gx' | 'gy' | 'size' | 'on'>): Line {
  let { c, s, rho } = line;
  for (let turn = 0; turn < 2; turn++) {
    let [sum, sx, sy, sxx, sxy, syy] = [0, 0, 0, 0, 0, 0];
    for (const i of on) {
      const x = i % w;
      const y = Math.floor(i / w);
      if (Math.abs(x * c + y * s - rho) > NEAR || Math.abs(gx[i] * c + gy[i] * s) < TURNED * size[i]) continue;
      const q = Math.min(CLEAR, size[i]);
      sum += q;
      sx += q * x;
      sy += q * y;
      sxx += q * x * x;
      sxy += q * x * y;
      syy += q * y * y;
    }
    if (sum < CLEAR * 8) break;
    const mx = sx / sum;
    const my = sy / sum;
    const across =
      0.5 * Math.atan2(2 * (sxy / sum - mx * my), sxx / sum - mx * mx - (syy / sum - my * my)) + Math.PI / 2;
    const sign = Math.cos(across) * c + Math.sin(across) * s < 0 ? -1 : 1;
    c = Math.cos(across) * sign;
    s = Math.sin(across) * sign;
    rho = mx * c + my * s;
  }
  return { c, s, rho };
}
