import type { Rgba } from './picture';

/** A small picture in lightness and two color differences, and where it changes most. */
export interface Edges {
  width: number;
  height: number;
  /** So many pixels of the photograph are one of these. */
  factor: number;
  lightness: Float32Array;
  redGreen: Float32Array;
  greenBlue: Float32Array;
  /** Gradient of the channel that changes most, and its length. */
  gx: Float32Array;
  gy: Float32Array;
  size: Float32Array;
  /** Length of the gradient on the ridges of edges, 0 elsewhere, and where those are. */
  ridge: Float32Array;
  on: Uint32Array;
}

/** Long side on which a sheet is looked for, pixels. */
const LONG_SIDE = 512;
/** A change of less than this is no edge. */
const LEAST = 14;
/** How much the color differences count against lightness. */
const CHANNELS = [1, 1.2, 1] as const;

/** Mean of squares of `factor` pixels. */
function shrunk(
  { width, height, data }: Rgba,
  factor: number,
): Pick<Edges, 'width' | 'height' | 'lightness' | 'redGreen' | 'greenBlue'> {
  const w = Math.floor(width / factor);
  const h = Math.floor(height / factor);
  const lightness = new Float32Array(w * h);
  const redGreen = new Float32Array(w * h);
  const greenBlue = new Float32Array(w * h);
  const n = factor * factor;
  for (let y = 0, o = 0; y < h; y++)
    for (let x = 0; x < w; x++, o++) {
      let [r, g, b] = [0, 0, 0];
      for (let j = 0; j < factor; j++) {
        let i = ((y * factor + j) * width + x * factor) * 4;
        for (let k = 0; k < factor; k++, i += 4) {
          r += data[i];
          g += data[i + 1];
          b += data[i + 2];
        }
      }
      lightness[o] = (r + 2 * g + b) / (4 * n);
      redGreen[o] = (r - g) / n;
      greenBlue[o] = (g - b) / n;
    }
  return { width: w, height: h, lightness, redGreen, greenBlue };
}

/** One pass of (1 4 6 4 1) / 16 along both axes. */
function blurred(from: Float32Array, w: number, h: number): Float32Array {
  const rows = new Float32Array(w * h);
  const out = new Float32Array(w * h);
  const pass = (source: Float32Array, to: Float32Array, at: (x: number, y: number, step: number) => number): void => {
    for (let y = 0, o = 0; y < h; y++)
      for (let x = 0; x < w; x++, o++)
        to[o] =
          (source[at(x, y, -2)] +
            source[at(x, y, 2)] +
            4 * (source[at(x, y, -1)] + source[at(x, y, 1)]) +
            6 * source[o]) /
          16;
  };
  pass(from, rows, (x, y, d) => y * w + Math.min(w - 1, Math.max(0, x + d)));
  pass(rows, out, (x, y, d) => Math.min(h - 1, Math.max(0, y + d)) * w + x);
  return out;
}

/** The edges of a photograph. */
export function edgesOf(photo: Rgba): Edges {
  const factor = Math.max(1, Math.round(Math.max(photo.width, photo.height) / LONG_SIDE));
  const small = shrunk(photo, factor);
  const { width: w, height: h } = small;
  const [lightness, redGreen, greenBlue] = [small.lightness, small.redGreen, small.greenBlue].map((c) =>
    blurred(c, w, h),
  );
  const gx = new Float32Array(w * h);
  const gy = new Float32Array(w * h);
  const size = new Float32Array(w * h);
  for (let y = 1; y < h - 1; y++)
    for (let x = 1; x < w - 1; x++) {
      const i = y * w + x;
      let most = 0;
      [lightness, redGreen, greenBlue].forEach((c, k) => {
        const right = c[i - w + 1] + 2 * c[i + 1] + c[i + w + 1];
        const left = c[i - w - 1] + 2 * c[i - 1] + c[i + w - 1];
        const below = c[i + w - 1] + 2 * c[i + w] + c[i + w + 1];
        const above = c[i - w - 1] + 2 * c[i - w] + c[i - w + 1];
        const dx = (right - left) * CHANNELS[k];
        const dy = (below - above) * CHANNELS[k];
        const m = dx * dx + dy * dy;
        if (m <= most) return;
        most = m;
        gx[i] = dx;
        gy[i] = dy;
      });
      size[i] = Math.sqrt(most);
    }
  // Ridges: larger than what lies on either side across the edge.
  const ridge = new Float32Array(w * h);
  const on: number[] = [];
  for (let y = 2; y < h - 2; y++)
    for (let x = 2; x < w - 2; x++) {
      const i = y * w + x;
      const m = size[i];
      if (m < LEAST) continue;
      const across = Math.round(gy[i] / m) * w + Math.round(gx[i] / m);
      if (m < size[i + across] || m < size[i - across]) continue;
      ridge[i] = m;
      on.push(i);
    }
  return { width: w, height: h, factor, lightness, redGreen, greenBlue, gx, gy, size, ridge, on: Uint32Array.from(on) };
}
