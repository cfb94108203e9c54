/** For each pixel, the nearest one with ink. */
export interface InkField {
  width: number;
  height: number;
  /** Index of the nearest inked pixel; -1 everywhere where there is none. */
  nearest: Int32Array;
}

/**
 * The nearest inked pixel of each pixel, exactly, in two passes of lower envelopes of parabolas.
 * Source: P. Felzenszwalb and D. Huttenlocher, "Distance transforms of sampled functions", Theory of Computing 8 (2012).
 * @param mask Not 0 where there is ink, row by row.
 */
export function inkField(mask: ArrayLike<number>, width: number, height: number): InkField {
  const FAR = 1e12;
  const n = Math.max(width, height);
  const [v, z, f] = [new Int32Array(n), new Float64Array(n + 1), new Float64Array(n)];
  /** Nearest place of each place of a line whose own squared distances are `f`. */
  const along = (count: number, put: (q: number, from: number) => void): void => {
    let k = 0;
    v[0] = 0;
    z[0] = -Infinity;
    z[1] = Infinity;
    for (let q = 1; q < count; q++) {
      let s = (f[q] + q * q - (f[v[k]] + v[k] * v[k])) / (2 * q - 2 * v[k]);
      while (s <= z[k]) {
        k--;
        s = (f[q] + q * q - (f[v[k]] + v[k] * v[k])) / (2 * q - 2 * v[k]);
      }
      k++;
      v[k] = q;
      z[k] = s;
      z[k + 1] = Infinity;
    }
    k = 0;
    for (let q = 0; q < count; q++) {
      while (z[k + 1] < q) k++;
      put(q, v[k]);
    }
  };
  const rowOf = new Int32Array(width * height).fill(-1);
  const squared = new Float64Array(width * height);
  for (let x = 0; x < width; x++) {
    for (let y = 0; y < height; y++) f[y] = mask[y * width + x] ? 0 : FAR;
    along(height, (y, from) => {
      const o = y * width + x;
      squared[o] = f[from] === FAR ? FAR : (y - from) ** 2;
      rowOf[o] = f[from] === FAR ? -1 : from;
    });
  }
  const nearest = new Int32Array(width * height).fill(-1);
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) f[x] = squared[y * width + x];
    along(width, (x, from) => {
      const row = rowOf[y * width + from];
      if (row >= 0) nearest[y * width + x] = row * width + from;
    });
  }
  return { width, height, nearest };
}
