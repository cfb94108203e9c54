import type { Rgba } from '../desk/picture';

/** A light area of a picture: its middle, pixels, and how light it is, 0 to 1. */
interface LightArea {
  x: number;
  y: number;
  lightness: number;
  /** Pixels. */
  area: number;
}

/** What is light and dark within a figure. */
export interface Lights {
  /** The lightest area, and those that are nearly as light: see `NEAR`. Undefined where nearly all of it is equally light. */
  brightest: LightArea | undefined;
  rivals: LightArea[];
  /** Shares of the figure that are as white, or as black, as can be. */
  pureWhite: number;
  pureBlack: number;
}

/** An area is a rival of the brightest light where it is within so much of it, of the whole range. */
const NEAR = 0.05;
/** What is told as pure white or black, of the whole range. */
const PURE = 0.02;
/** Lightness is told over patches of so much of the figure's height: a grain of paper is no light. */
const PATCH = 0.012;
/** Where more of the figure than this is as light as its lightest place there is no single light to be told. */
const MOSTLY = 0.4;
/** A patch lies within the figure by at least so much, and areas below so many patches are specks. */
const WITHIN = 0.9;
const LEAST_PATCHES = 1;

/**
 * The lights of a figure in a picture. Lightness is Rec. 709 luma of the values as they are stored.
 * @param inside Not 0 where the figure is, row by row.
 * @param figureHeight Pixels.
 */
export function lightsOf({ width, height, data }: Rgba, inside: ArrayLike<number>, figureHeight: number): Lights {
  const n = width * height;
  const luma = new Float64Array(n);
  let [all, white, black] = [0, 0, 0];
  for (let i = 0, o = 0; i < n; i++, o += 4) {
    if (!inside[i]) continue;
    luma[i] = (0.2126 * data[o] + 0.7152 * data[o + 1] + 0.0722 * data[o + 2]) / 255;
    all++;
    if (luma[i] >= 1 - PURE) white++;
    if (luma[i] <= PURE) black++;
  }
  if (all === 0) return { brightest: undefined, rivals: [], pureWhite: 0, pureBlack: 0 };
  const reach = Math.max(1, Math.round((PATCH * figureHeight) / 2));
  const means = patchMeans(luma, inside, width, height, reach);
  let lightest = 0;
  for (const mean of means) if (mean > lightest) lightest = mean;
  const areas = areasAbove(means, width, height, lightest - NEAR).filter(
    ({ area }) => area >= LEAST_PATCHES * (2 * reach + 1) ** 2 || area >= all / 20,
  );
  const light = areas.reduce((sum, { area }) => sum + area, 0);
  const [brightest, ...rivals] = light > MOSTLY * all ? [] : areas.sort((a, b) => b.lightness - a.lightness);
  return { brightest, rivals, pureWhite: white / all, pureBlack: black / all };
}

/** Means over squares of pixels that lie within a figure; -1 where too little of a square does. */
function patchMeans(
  luma: Float64Array,
  inside: ArrayLike<number>,
  width: number,
  height: number,
  reach: number,
): Float64Array {
  // Sums over everything above and to the left (F. Crow, "Summed-area tables for texture mapping", SIGGRAPH 1984).
  const w = width + 1;
  const [sums, counts] = [new Float64Array(w * (height + 1)), new Float64Array(w * (height + 1))];
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const [i, o] = [y * width + x, (y + 1) * w + x + 1];
      sums[o] = luma[i] + sums[o - 1] + sums[o - w] - sums[o - w - 1];
      counts[o] = (inside[i] ? 1 : 0) + counts[o - 1] + counts[o - w] - counts[o - w - 1];
    }
  const means = new Float64Array(width * height).fill(-1);
  const full = (2 * reach + 1) ** 2;
  for (let y = reach; y < height - reach; y++)
    for (let x = reach; x < width - reach; x++) {
      const over = (table: Float64Array): number => {
        const [top, bottom] = [(y - reach) * w, (y + reach + 1) * w];
        const [left, right] = [x - reach, x + reach + 1];
        return table[bottom + right] - table[top + right] - table[bottom + left] + table[top + left];
      };
      const count = over(counts);
      if (count >= WITHIN * full) means[y * width + x] = over(sums) / count;
    }
  return means;
}

/** Areas that hang together and are at least so light, each with its lightest value and its middle. */
function areasAbove(means: Float64Array, width: number, height: number, least: number): LightArea[] {
  const seen = new Uint8Array(means.length);
  const areas: LightArea[] = [];
  for (let start = 0; start < means.length; start++) {
    if (seen[start] || means[start] < Math.max(0, least)) continue;
    let [area, sx, sy, lightness] = [0, 0, 0, 0];
    const open = [start];
    seen[start] = 1;
    for (let at = open.pop(); at !== undefined; at = open.pop()) {
      const [x, y] = [at % width, Math.floor(at / width)];
      area++;
      sx += x;
      sy += y;
      lightness = Math.max(lightness, means[at]);
      for (let dy = -1; dy <= 1; dy++)
        for (let dx = -1; dx <= 1; dx++) {
          const [nx, ny] = [x + dx, y + dy];
          const next = ny * width + nx;
          if (nx < 0 || ny < 0 || nx >= width || ny >= height || seen[next] || means[next] < Math.max(0, least))
            continue;
          seen[next] = 1;
          open.push(next);
        }
    }
    areas.push({ x: sx / area + 0.5, y: sy / area + 0.5, lightness, area });
  }
  return areas;
}

/** What is said of the brightest light of the picture or the drawing. @param what As it begins a sentence: "The picture". */
export function lightSentence(what: string, { brightest, rivals }: Lights): string {
  if (!brightest) return `${what} has no single light: much of it is equally light.`;
  if (rivals.length === 0) return `${what} has one brightest light, alone.`;
  return `${what} has one brightest light and ${String(rivals.length)} ${rivals.length === 1 ? 'rival' : 'rivals'} within 5 %.`;
}

/** What is said of pure white and black; undefined below so much of the figure, a share. */
export function pureSentence(what: string, { pureWhite, pureBlack }: Lights, told = 0.01): string | undefined {
  const parts = [
    ...(pureWhite >= told ? [`${percent(pureWhite)} pure white`] : []),
    ...(pureBlack >= told ? [`${percent(pureBlack)} pure black`] : []),
  ];
  return parts.length > 0 ? `${what} is ${parts.join(' and ')}.` : undefined;
}
const percent = (share: number): string => `${String(Math.round(share * 100))} %`;
