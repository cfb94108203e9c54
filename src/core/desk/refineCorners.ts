import { type Line, meeting } from './lines';
import type { Rgba } from './picture';
import type { Corners, Point } from './quad';

/** Places along a side at which its edge is looked for. */
const SAMPLES = 90;
/** A step of less than this is no edge; so many places must have one. */
const LEAST_STEP = 6;
const LEAST_FOUND = 15;
/** Places lie on the line within so many pixels. */
const ON_LINE = 1.8;

/** A channel of a photograph between its pixels. */
function sampler({ width: w, height: h, data }: Rgba): (x: number, y: number, channel: number) => number {
  return (x, y, channel) => {
    const px = Math.min(w - 1.01, Math.max(0, x));
    const py = Math.min(h - 1.01, Math.max(0, y));
    const a = Math.floor(px);
    const b = Math.floor(py);
    const u = px - a;
    const v = py - b;
    const i = (b * w + a) * 4 + channel;
    const j = i + w * 4;
    return (data[i] * (1 - u) + data[i + 4] * u) * (1 - v) + (data[j] * (1 - u) + data[j + 4] * u) * v;
  };
}

interface Found {
  /** Along the side, and off it toward the inside; pixels. */
  u: number;
  d: number;
  weight: number;
}

/** The straight line most places agree on: off = a + b u. */
function agreedLine(found: readonly Found[]): [a: number, b: number] {
  let best = { a: 0, b: 0, votes: -1 };
  const step = Math.max(1, Math.floor(found.length / 22));
  for (let i = 0; i < found.length; i += step)
    for (let j = i + Math.floor(found.length / 3); j < found.length; j += step) {
      const b = (found[j].d - found[i].d) / (found[j].u - found[i].u);
      const a = found[i].d - b * found[i].u;
      let votes = 0;
      for (const { u, d, weight } of found) {
        const off = Math.abs(d - a - b * u);
        if (off < 1.6) votes += weight * (1 - off / 1.6);
      }
      if (votes > best.votes) best = { a, b, votes };
    }
  let { a, b } = best;
  for (let turn = 0; turn < 3; turn++) {
    let [s, su, sd, suu, sud] = [0, 0, 0, 0, 0];
    for (const { u, d, weight } of found) {
      const off = d - a - b * u;
      if (Math.abs(off) > ON_LINE) continue;
      const q = weight / (1 + off * off);
      s += q;
      su += q * u;
      sd += q * d;
      suu += q * u * u;
      sud += q * u * d;
    }
    const det = s * suu - su * su;
    if (Math.abs(det) < 1e-6) break;
    b = (s * sud - su * sd) / det;
    a = (sd - b * su) / s;
  }
  return [a, b];
}

/**
 * Corners to a fraction of a pixel: across each side the steepest step is looked for, a line is laid through where they agree, and the
 * lines meet in the corners. Also takes corners dragged by hand to the sheet's edge.
 * @param reach How far from each side the edge is looked for, pixels.
 */
export function refinedCorners(photo: Rgba, corners: Corners, reach: number): { corners: Corners; bow: number } {
  const { width: w, height: h } = photo;
  const at = sampler(photo);
  const cx = corners.reduce((sum, [x]) => sum + x, 0) / 4;
  const cy = corners.reduce((sum, [, y]) => sum + y, 0) / 4;
  let bow = 0;
  let now = corners.map(([x, y]): Point => [x - 0.5, y - 0.5]);
  for (let pass = 0; pass < 2; pass++) {
    const far = pass > 0 ? reach * 0.5 : reach;
    const steps = Math.ceil(far) * 2 + 1;
    const lines = now.map((p, k): Line => {
      const q = now[(k + 1) % 4];
      const long = Math.hypot(q[0] - p[0], q[1] - p[1]);
      const [tx, ty] = [(q[0] - p[0]) / long, (q[1] - p[1]) / long];
      let [nx, ny] = [-ty, tx];
      if (nx * (cx - p[0]) + ny * (cy - p[1]) < 0) [nx, ny] = [-nx, -ny];
      const base: Line = { c: nx, s: ny, rho: p[0] * nx + p[1] * ny };
      const profiles: Float32Array[] = [];
      const along: number[] = [];
      for (let m = 0; m < SAMPLES; m++) {
        const t = 0.03 + (0.94 * (m + 0.5)) / SAMPLES;
        const x = p[0] + (q[0] - p[0]) * t;
        const y = p[1] + (q[1] - p[1]) * t;
        if (x < far + 3 || y < far + 3 || x > w - far - 4 || y > h - far - 4) continue;
        const profile = new Float32Array(steps);
        for (let o = 0; o < steps; o++) {
          const d = o - (steps - 1) / 2;
          let sum = 0;
          for (let c = 0; c < 3; c++)
            for (const e of [-1.5, 0, 1.5])
              sum +=
                at(x + nx * (d + 1.2) + tx * e, y + ny * (d + 1.2) + ty * e, c) -
                at(x + nx * (d - 1.2) + tx * e, y + ny * (d - 1.2) + ty * e, c);
          profile[o] = sum / 9;
        }
        profiles.push(profile);
        along.push(t * long);
      }
      if (profiles.length < 20) return base;
      // The whole side is one step: darker inside, or lighter.
      const peak = (sign: number): number =>
        profiles.reduce((sum, g) => sum + g.reduce((most, v) => Math.max(most, v * sign), 0), 0);
      const sign = peak(1) >= peak(-1) ? 1 : -1;
      const found: Found[] = [];
      profiles.forEach((g, m) => {
        let best = 1;
        for (let o = 1; o < steps - 1; o++) if (g[o] * sign > g[best] * sign) best = o;
        const v = g[best] * sign;
        if (v < LEAST_STEP) return;
        // The top of the parabola through three samples.
        const curve = (g[best - 1] - 2 * g[best] + g[best + 1]) * sign;
        const off = curve < 0 ? (0.5 * (g[best - 1] - g[best + 1]) * sign) / curve : 0;
        found.push({
          u: along[m],
          d: best - (steps - 1) / 2 + Math.max(-0.5, Math.min(0.5, off)),
          weight: Math.min(v, 40),
        });
      });
      if (found.length < LEAST_FOUND) return base;
      const [a, b] = agreedLine(found);
      const agreeing = found.filter(({ u, d }) => Math.abs(d - a - b * u) < ON_LINE).length / profiles.length;
      if (pass > 0) bow = Math.max(bow, 1 - agreeing);
      const from: Point = [p[0] + nx * a, p[1] + ny * a];
      const to: Point = [q[0] + nx * (a + b * long), q[1] + ny * (a + b * long)];
      const l = Math.hypot(to[0] - from[0], to[1] - from[1]);
      const c = -(to[1] - from[1]) / l;
      const s = (to[0] - from[0]) / l;
      return { c, s, rho: from[0] * c + from[1] * s };
    });
    const next = lines.map((line, k) => meeting(lines[(k + 3) % 4], line));
    const strayed = next.some((p, i) => !p || Math.hypot(p[0] - now[i][0], p[1] - now[i][1]) > 3 * reach + 6);
    if (strayed) break;
    now = next as Point[];
  }
  return { corners: now.map(([x, y]): Point => [x + 0.5, y + 0.5]) as unknown as Corners, bow };
}
