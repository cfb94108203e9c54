import type { SheetBox } from '../desk/readingOrder';
import type { Point } from '../figure/facts/actionLine';
import { seededRandom } from '../random';
import { drawByHand, type HandTask } from './draw';
import { emptySheet, type InkSheet, layInk, type Material } from './ink';
import type { Stroke } from './stroke';

export interface PageTask {
  /** The sheet as it is drawn on. */
  widthMm: number;
  heightMm: number;
  /** Pixels of the made sheet for each millimeter. */
  perMm: number;
  material: Material;
  drawings: readonly HandTask[];
  seed: number;
  /** How much of its cell a drawing takes, smallest and largest share: beyond 1 they grow into each other. */
  fills?: readonly [number, number];
  /** Drawings at most so tall. */
  tallestMm?: number;
}

export interface HandPage {
  sheet: InkSheet;
  material: Material;
  widthMm: number;
  heightMm: number;
  drawings: {
    /** Around its ink, shares of the sheet. */
    box: SheetBox;
    /** Where it puts the landmarks, pixels of the sheet. */
    places: ReadonlyMap<string, Point>;
  }[];
}

/** Room around each drawing, share of the sheet's longer side. */
const GAP = 0.022;
/** A cell of this proportion suits a standing figure. */
const CELL = 1.7;
const FILLS = [0.8, 0.95] as const;

/** Rows and columns whose cells suit standing figures best. */
function gridFor(count: number, width: number, height: number): { rows: number; columns: number } {
  let best = { rows: 1, columns: count };
  let least = Infinity;
  for (let rows = 1; rows <= count; rows++) {
    const columns = Math.ceil(count / rows);
    const unlike = Math.abs(Math.log(height / rows / (width / columns) / CELL)) + (rows * columns - count) * 0.12;
    if (unlike < least) [least, best] = [unlike, { rows, columns }];
  }
  return best;
}

function boundsOf(strokes: readonly Stroke[]): { x0: number; y0: number; x1: number; y1: number } {
  let [x0, y0, x1, y1] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const { points } of strokes)
    for (const [x, y] of points)
      [x0, y0, x1, y1] = [Math.min(x0, x), Math.min(y0, y), Math.max(x1, x), Math.max(y1, y)];
  return { x0, y0, x1, y1 };
}

/** A page of drawings by hand, laid out in the order they are read, each as large as its cell allows. */
export function pageByHand({
  widthMm,
  heightMm,
  perMm,
  material,
  drawings,
  seed,
  fills = FILLS,
  tallestMm = Infinity,
}: PageTask): HandPage {
  const random = seededRandom(seed);
  const sheet = emptySheet(widthMm, heightMm, perMm, random);
  const { rows, columns } = gridFor(drawings.length, widthMm, heightMm);
  const gap = GAP * Math.max(sheet.width, sheet.height);
  const placed = drawings.map((task, i) => {
    const drawn = drawByHand(task);
    const row = Math.floor(i / columns);
    const inRow = row === rows - 1 ? drawings.length - row * columns : columns;
    const [cellWidth, cellHeight] = [sheet.width / inRow, sheet.height / rows];
    const { x0, y0, x1, y1 } = boundsOf(drawn.strokes);
    const fill = fills[0] + (fills[1] - fills[0]) * random();
    const k = Math.min(
      (fill * (cellWidth - 2 * gap)) / Math.max(1, x1 - x0),
      (fill * (cellHeight - 2 * gap)) / Math.max(1, y1 - y0),
      (tallestMm * perMm) / Math.max(1, y1 - y0),
    );
    const free = (cell: number, size: number): number => Math.max(0, cell - 2 * gap - size) * (random() - 0.5) * 0.7;
    const within = (at: number, size: number, of: number): number =>
      Math.max(gap / 2 + size / 2, Math.min(of - gap / 2 - size / 2, at));
    const [w, h] = [(x1 - x0) * k, (y1 - y0) * k];
    const cx = within((i - row * columns + 0.5) * cellWidth + free(cellWidth, w), w, sheet.width);
    const cy = within((row + 0.5) * cellHeight + free(cellHeight, h), h, sheet.height);
    const to = (x: number, y: number): Point => [cx + (x - (x0 + x1) / 2) * k, cy + (y - (y0 + y1) / 2) * k];
    const strokes = drawn.strokes.map((stroke) => ({
      ...stroke,
      points: stroke.points.map(([x, y, at, press]) => [...to(x, y), at, press] as const),
    }));
    layInk(sheet, strokes, material);
    return {
      box: {
        x: (cx - w / 2) / sheet.width,
        y: (cy - h / 2) / sheet.height,
        width: w / sheet.width,
        height: h / sheet.height,
      },
      places: new Map([...drawn.places].map(([name, [x, y]]) => [name, to(x, y)])),
    };
  });
  return { sheet, material, widthMm, heightMm, drawings: placed };
}
