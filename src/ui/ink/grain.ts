import { type Material, NATURES } from '@/core/hand/ink';
import { seededRandom } from '@/core/random';
import type { Plan } from '@/core/practice/plan/schema';

type Paper = NonNullable<Plan['sheet']>['paper'];

/** How coarse a paper's tooth is, pixels of the tile, and how much of it stays bare, 0 to 1. */
const TEETH: Record<Paper, { coarse: number; bare: number }> = {
  newsprint: { coarse: 2, bare: 0.5 },
  'sketch paper': { coarse: 2, bare: 0.6 },
  'toned paper': { coarse: 3, bare: 0.7 },
  'layout paper': { coarse: 1, bare: 0.25 },
  sketchbook: { coarse: 2, bare: 0.55 },
};
/** What sheets of each paper look like. */
export const PAPER_COLORS: Record<Paper, string> = {
  newsprint: '#efe9dc',
  'sketch paper': '#fbf8f1',
  'toned paper': '#cfc4b0',
  'layout paper': '#fdfdfb',
  sketchbook: '#f8f3e6',
};

const TILE_PX = 256;
const tiles = new Map<string, ImageData>();

/** Heights of a paper's tooth, 0 to 1: bumps of some pixels with finer ones on them, the same all around the tile. */
function toothOf(coarse: number): Float32Array {
  const random = seededRandom(7);
  const noise = Float32Array.from({ length: TILE_PX * TILE_PX }, random);
  const at = (x: number, y: number): number => noise[((y + TILE_PX) % TILE_PX) * TILE_PX + ((x + TILE_PX) % TILE_PX)];
  const near = Array.from({ length: 2 * coarse * coarse + 1 }, (_, apart) => Math.exp(-apart / coarse));
  const out = new Float32Array(noise.length);
  for (let y = 0; y < TILE_PX; y++)
    for (let x = 0; x < TILE_PX; x++) {
      let [sum, weights] = [0, 0];
      for (let dy = -coarse; dy <= coarse; dy++)
        for (let dx = -coarse; dx <= coarse; dx++) {
          const weight = near[dx * dx + dy * dy];
          sum += weight * at(x + dx, y + dy);
          weights += weight;
        }
      // Stretched back over its range: a mean of many lies near the middle.
      out[y * TILE_PX + x] = Math.max(
        0,
        Math.min(1, 0.5 + (sum / weights - 0.5) * 1.6 * coarse + (at(x, y) - 0.5) * 0.25),
      );
    }
  return out;
}

/** A tile of a material as it lies on a paper: all of it where the tooth stands up, less in its hollows. */
function tileOf(material: Material, paper: Paper): ImageData {
  const key = `${material} ${paper}`;
  const known = tiles.get(key);
  if (known) return known;
  const { coarse, bare } = TEETH[paper];
  const { grain, color } = NATURES[material];
  const tooth = toothOf(coarse);
  const tile = new ImageData(TILE_PX, TILE_PX);
  for (let i = 0; i < tooth.length; i++) {
    // Steep: a place takes the material or does not, so that going over it once more changes little.
    const takes = Math.max(0, Math.min(1, 0.5 + (tooth[i] - bare * grain * 0.8) * 4));
    [tile.data[4 * i], tile.data[4 * i + 1], tile.data[4 * i + 2]] = color;
    tile.data[4 * i + 3] = 255 * (1 - grain + grain * takes);
  }
  tiles.set(key, tile);
  return tile;
}

type Context = CanvasRenderingContext2D | OffscreenCanvasRenderingContext2D;

/** What a material is filled with on a paper. */
export function grainOf(context: Context, material: Material, paper: Paper): CanvasPattern | string {
  const tile = new OffscreenCanvas(TILE_PX, TILE_PX);
  tile.getContext('2d')?.putImageData(tileOf(material, paper), 0, 0);
  return context.createPattern(tile, 'repeat') ?? `rgb(${NATURES[material].color.join(' ')})`;
}
