/**
 * Reading the two networks' numbers. They are the ones described by V. Bazarevsky et al., "BlazePose: On-device real-time body pose
 * tracking" (2020): a detector on 224 x 224 that finds where a body is, and a landmark network on a turned square of 256 x 256.
 */
export const DETECTOR_PX = 224;
export const LANDMARK_PX = 256;

/** A turned square of a picture, pixels; `turn` in radians, clockwise. */
export interface Region {
  x: number;
  y: number;
  size: number;
  turn: number;
}

/** Strides of the detector's feature maps, with the anchors at each cell. */
const LAYERS: readonly (readonly [stride: number, perCell: number])[] = [
  [8, 2],
  [16, 2],
  [32, 6],
];
const VALUES = 12;
const anchors: readonly (readonly [number, number])[] = LAYERS.flatMap(([stride, perCell]) => {
  const cells = DETECTOR_PX / stride;
  return Array.from({ length: cells * cells * perCell }, (_, i): readonly [number, number] => {
    const cell = Math.floor(i / perCell);
    return [((cell % cells) + 0.5) / cells, (Math.floor(cell / cells) + 0.5) / cells];
  });
});
export const ANCHORS = anchors.length;

/** The logistic function, with its argument held within ±100 against overflow. */
export const sigmoid = (v: number): number => 1 / (1 + Math.exp(-Math.max(-100, Math.min(100, v))));

/** The square around a body: through its middle, out to a point on the circle around it. */
export function regionAround(x: number, y: number, rimX: number, rimY: number): Region {
  return {
    x,
    y,
    size: 2.5 * Math.hypot(rimX - x, rimY - y),
    turn: Math.PI / 2 - Math.atan2(y - rimY, rimX - x),
  };
}

/** The whole of a picture as a region. */
export const wholeRegion = (width: number, height: number): Region => ({
  x: width / 2,
  y: height / 2,
  size: Math.max(width, height),
  turn: 0,
});

/** Pictures with a longer side than this are looked at in parts too: smaller ones hold no more than the detector saw of the whole. */
const LARGE_PX = 800;
/** Overlapping by half, so that who stands on the edge of one part is whole in the next. */
const TILE_STEP = 0.5;

/** Squares of a large picture, half as large as the whole, so that people who are small in it are seen; none for a small picture. */
export function tilesOf(width: number, height: number): Region[] {
  const size = Math.max(width, height) / 2;
  if (2 * size < LARGE_PX) return [];
  const middles = (length: number): number[] => {
    const steps = Math.max(0, Math.ceil((length - size) / (size * TILE_STEP)));
    return Array.from({ length: steps + 1 }, (_, i) =>
      steps === 0 ? length / 2 : size / 2 + (i * (length - size)) / steps,
    );
  };
  return middles(height).flatMap((y) => middles(width).map((x): Region => ({ x, y, size, turn: 0 })));
}

/** Whether a body found in a part of a picture fits into it; one that doesn't was cut off by its edge. */
export const fitsTile = (found: Region, tile: Region): boolean => found.size <= 1.3 * tile.size;

/** Where a region found in the mirror image of a part lies in the part itself. */
export const unmirrored = (found: Region, part: Region): Region => ({
  ...found,
  x: 2 * part.x - found.x,
  turn: -found.turn,
});

/** Closer together than this the landmark network sees the same in both: share of their size, of one size in the other, radians. */
const SAME_PLACE = 0.08;
const SAME_SIZE = 0.12;
const SAME_TURN = 0.25;

/** Whether two regions show so nearly the same that one look at them is enough. */
export function isSameLook(a: Region, b: Region): boolean {
  const turned = a.turn - b.turn;
  return (
    Math.hypot(a.x - b.x, a.y - b.y) < SAME_PLACE * a.size &&
    Math.abs(Math.log(a.size / b.size)) < SAME_SIZE &&
    Math.abs(Math.atan2(Math.sin(turned), Math.cos(turned))) < SAME_TURN
  );
}

/** Center x, y, width, height, as shares of the detector's square. */
type Box = readonly number[];

function overlap(a: Box, b: Box): number {
  const w = Math.min(a[0] + a[2] / 2, b[0] + b[2] / 2) - Math.max(a[0] - a[2] / 2, b[0] - b[2] / 2);
  const h = Math.min(a[1] + a[3] / 2, b[1] + b[3] / 2) - Math.max(a[1] - a[3] / 2, b[1] - b[3] / 2);
  if (w <= 0 || h <= 0) return 0;
  return (w * h) / (a[2] * a[3] + b[2] * b[3] - w * h);
}

export interface Detection {
  score: number;
  region: Region;
}

/**
 * Bodies in the detector's numbers, the surest first; overlapping boxes are averaged by their scores.
 * @param boxes ANCHORS times 12 numbers.
 * @param scores ANCHORS logits.
 * @param whole The region of the picture that the detector saw.
 */
export function detections(boxes: Float32Array, scores: Float32Array, whole: Region, least = 0.5): Detection[] {
  let left = Array.from(scores, (logit, i) => ({ score: sigmoid(logit), i }))
    .filter(({ score }) => score >= least)
    .map(({ score, i }) => ({
      score,
      box: Array.from({ length: VALUES }, (_, k) => {
        const offset = k === 2 || k === 3 ? 0 : anchors[i][k & 1];
        return boxes[i * VALUES + k] / DETECTOR_PX + offset;
      }),
    }))
    .sort((a, b) => b.score - a.score);
  const out: Detection[] = [];
  while (left.length > 0) {
    const [first] = left;
    const near = left.filter(({ box }) => overlap(box, first.box) > 0.3);
    left = left.filter((candidate) => !near.includes(candidate));
    const weight = near.reduce((sum, { score }) => sum + score, 0);
    const mean = (k: number): number => near.reduce((sum, { score, box }) => sum + score * box[k], 0) / weight;
    const x = (v: number): number => whole.x + (v - 0.5) * whole.size;
    const y = (v: number): number => whole.y + (v - 0.5) * whole.size;
    out.push({ score: first.score, region: regionAround(x(mean(4)), y(mean(5)), x(mean(6)), y(mean(7))) });
  }
  return out;
}
