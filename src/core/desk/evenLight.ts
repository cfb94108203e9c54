import type { Rgba } from './picture';

/** A sheet as if lit evenly. */
export interface EvenSheet {
  picture: Rgba;
  /** How much darker than the paper each pixel is: the logarithm of their ratio, 0 on bare paper. */
  density: Float32Array;
  /** How much bare paper itself varies. */
  noise: number;
}

/** Size of a cell in which the paper's lightness is looked for, pixels. */
const CELL = 16;
/** The paper's level in the evened picture, of 255. */
const PAPER = 235;
/** A cell whose paper is so much darker or lighter than its neighbors' is drawn on all over, or chalked. */
const DRAWN_OVER = [0.86, 1.12] as const;
/** Of a cell's pixels, how many must be paper. */
const MOSTLY_PAPER = 0.35;

interface Cells {
  across: number;
  down: number;
  lightness: Float32Array;
  colors: readonly Float32Array[];
  /** Share of a cell that is of its most usual lightness. */
  sure: Float32Array;
}

/** The most usual lightness of each cell and around it: paper, unless it is drawn over. */
function cellsOf({ width: w, height: h, data }: Rgba, luminance: Float32Array): Cells {
  const across = Math.ceil(w / CELL);
  const down = Math.ceil(h / CELL);
  const count = across * down;
  const lightness = new Float32Array(count);
  const sure = new Float32Array(count);
  const colors = [0, 1, 2].map(() => new Float32Array(count));
  const histogram = new Uint32Array(64);
  for (let cy = 0; cy < down; cy++)
    for (let cx = 0; cx < across; cx++) {
      const g = cy * across + cx;
      const [x0, x1] = [Math.max(0, (cx - 0.5) * CELL), Math.min(w, (cx + 1.5) * CELL)];
      const [y0, y1] = [Math.max(0, (cy - 0.5) * CELL), Math.min(h, (cy + 1.5) * CELL)];
      histogram.fill(0);
      let n = 0;
      for (let y = y0; y < y1; y += 2)
        for (let x = x0; x < x1; x += 2, n++) histogram[Math.min(63, luminance[y * w + x] >> 2)]++;
      let usual = 1;
      let most = -1;
      for (let k = 1; k < 63; k++) {
        const v = histogram[k - 1] + 2 * histogram[k] + histogram[k + 1];
        if (v >= most) {
          most = v;
          usual = k;
        }
      }
      const level = usual * 4 + 2;
      let [sum, near] = [0, 0];
      const rgb = [0, 0, 0];
      for (let y = y0; y < y1; y += 2)
        for (let x = x0; x < x1; x += 2) {
          const i = y * w + x;
          if (Math.abs(luminance[i] - level) > 7) continue;
          sum += luminance[i];
          near++;
          for (let c = 0; c < 3; c++) rgb[c] += data[i * 4 + c];
        }
      lightness[g] = near > 0 ? sum / near : level;
      sure[g] = near / n;
      for (let c = 0; c < 3; c++) colors[c][g] = near > 0 ? rgb[c] / near : level;
    }
  return { across, down, lightness, colors, sure };
}

/** How much each cell tells of the paper: nothing where it is darker or lighter than what is around it. */
function trust({ across, down, lightness, sure }: Cells): Float32Array {
  const out = new Float32Array(across * down);
  const all = new Float32Array(81);
  for (let y = 0; y < down; y++)
    for (let x = 0; x < across; x++) {
      let n = 0;
      for (let v = Math.max(0, y - 4); v <= Math.min(down - 1, y + 4); v++)
        for (let u = Math.max(0, x - 4); u <= Math.min(across - 1, x + 4); u++)
          if (sure[v * across + u] > 0.45) all[n++] = lightness[v * across + u];
      if (n < 6) continue;
      // Numbers in an array of numbers are sorted many times faster than by a comparison.
      const around = all.subarray(0, n).sort();
      const g = y * across + x;
      const ratio = lightness[g] / around[Math.floor(n * 0.6)];
      if (sure[g] > MOSTLY_PAPER && ratio > DRAWN_OVER[0] && ratio < DRAWN_OVER[1]) out[g] = sure[g] ** 2;
    }
  return out;
}

/** Values of the trusted cells, spread to the others until all have one. */
function spread(values: Float32Array, trusted: Float32Array, across: number, down: number): Float32Array {
  const soft = (from: Float32Array): Float32Array => {
    const rows = new Float32Array(from.length);
    const out = new Float32Array(from.length);
    for (let y = 0, g = 0; y < down; y++)
      for (let x = 0; x < across; x++, g++)
        rows[g] = from[g - (x > 0 ? 1 : 0)] + 2 * from[g] + from[g + (x < across - 1 ? 1 : 0)];
    for (let y = 0, g = 0; y < down; y++)
      for (let x = 0; x < across; x++, g++)
        out[g] = (rows[g - (y > 0 ? across : 0)] + 2 * rows[g] + rows[g + (y < down - 1 ? across : 0)]) / 16;
    return out;
  };
  let sums: Float32Array = values.map((v, g) => v * trusted[g]);
  let weights: Float32Array = trusted.slice();
  const out = new Float32Array(values.length);
  const known = new Uint8Array(values.length);
  for (let turn = 0; turn < 200; turn++) {
    sums = soft(sums);
    weights = soft(weights);
    if (turn === 0) continue;
    let left = 0;
    for (let g = 0; g < out.length; g++) {
      if (known[g]) continue;
      if (weights[g] > 0.02) {
        out[g] = sums[g] / weights[g];
        known[g] = 1;
      } else left++;
    }
    if (left === 0) break;
  }
  // Where nothing is trusted, the cell is all there is.
  for (let g = 0; g < out.length; g++) if (!known[g]) out[g] = values[g];
  return out;
}

const middle = (values: number[]): number => values.sort((a, b) => a - b)[values.length >> 1] ?? 0;

/** Take shadows and uneven light off a straightened sheet; its hue stays. */
export function evenLight(sheet: Rgba): EvenSheet {
  const { width: w, height: h, data } = sheet;
  const luminance = new Float32Array(w * h);
  for (let i = 0, o = 0; i < luminance.length; i++, o += 4)
    luminance[i] = (data[o] + 2 * data[o + 1] + data[o + 2]) / 4;
  const cells = cellsOf(sheet, luminance);
  const { across, down } = cells;
  const trusted = trust(cells);
  const paper = spread(cells.lightness, trusted, across, down);
  const colors = cells.colors.map((c) => spread(c, trusted, across, down));
  const mean = colors.map((c) => {
    let [sum, n] = [0, 0];
    c.forEach((v, g) => {
      if (trusted[g] === 0) return;
      sum += v;
      n++;
    });
    return n > 0 ? sum / n : PAPER;
  });
  const target = mean.map((v) => (v / Math.max(...mean)) * PAPER);
  const density = new Float32Array(w * h);
  const even = new Uint8ClampedArray(w * h * 4);
  const levels = [paper, ...colors];
  /** The levels between two rows of cells, along a row of pixels. */
  const between = levels.map(() => new Float32Array(across));
  const [lit, ...tints] = between;
  for (let y = 0, i = 0; y < h; y++) {
    const fy = Math.min(down - 1, Math.max(0, (y + 0.5) / CELL - 0.5));
    const y0 = Math.min(down - 1, Math.floor(fy));
    const y1 = Math.min(down - 1, y0 + 1);
    const v = fy - y0;
    levels.forEach((level, k) => {
      for (let x = 0; x < across; x++) between[k][x] = level[y0 * across + x] * (1 - v) + level[y1 * across + x] * v;
    });
    for (let x = 0; x < w; x++, i++) {
      const fx = Math.min(across - 1, Math.max(0, (x + 0.5) / CELL - 0.5));
      const x0 = Math.floor(fx);
      const x1 = Math.min(across - 1, x0 + 1);
      const u = fx - x0;
      density[i] = Math.log((lit[x0] * (1 - u) + lit[x1] * u + 2) / (luminance[i] + 2));
      for (let c = 0; c < 3; c++) {
        const tint = tints[c];
        even[i * 4 + c] = (data[i * 4 + c] * target[c]) / (tint[x0] * (1 - u) + tint[x1] * u || 1);
      }
      even[i * 4 + 3] = 255;
    }
  }
  // What is most usual is bare paper; how it varies is its grain.
  const some: number[] = [];
  for (let i = 0; i < density.length; i += 37) some.push(density[i]);
  const usual = middle([...some]);
  for (let i = 0; i < density.length; i++) density[i] -= usual;
  return {
    picture: { width: w, height: h, data: even },
    density,
    noise: 1.4826 * middle(some.map((d) => Math.abs(d - usual))),
  };
}
