import { SHEET_SIZES, type Sheet, USUAL_GAP_MM } from './sheet';

/** A figure to be placed: the box around it, in any unit. */
export interface FigureBox {
  width: number;
  height: number;
  /** Height of its head in the same unit, where that is known. */
  head?: number | undefined;
}
interface PlacedBox {
  xMm: number;
  yMm: number;
  widthMm: number;
  heightMm: number;
  headMm?: number | undefined;
}
export interface PageMap {
  turned: 'landscape' | 'portrait';
  widthMm: number;
  heightMm: number;
  boxes: PlacedBox[];
  /** Side of the square that has a figure's box's area. */
  sizeMm: number;
}

/** A figure drawn alone on a middling sheet is about this large; much smaller and a part is the better subject. */
const USUAL_SIZE_MM = 150;
const PART_BELOW = 0.6;

const aspectOf = ({ width, height }: FigureBox): number => width / height;

interface Row {
  from: number;
  to: number;
  heightMm: number;
}

/** Rows of boxes with equal areas (side `size` squared), broken like writing; undefined if they do not fit. */
function rowsAt(
  boxes: readonly FigureBox[],
  size: number,
  widthMm: number,
  heightMm: number,
  gap: number,
): Row[] | undefined {
  const rows: Row[] = [];
  let used = 0;
  let x = 0;
  for (const [i, box] of boxes.entries()) {
    const w = size * Math.sqrt(aspectOf(box));
    const h = size / Math.sqrt(aspectOf(box));
    if (w > widthMm + 1e-9) return undefined;
    let row = rows.at(-1);
    if (!row || x + gap + w > widthMm + 1e-9) {
      if (row) used += row.heightMm + gap;
      row = { from: i, to: i, heightMm: 0 };
      rows.push(row);
      x = -gap;
    }
    x += gap + w;
    row.to = i + 1;
    row.heightMm = Math.max(row.heightMm, h);
    if (used + row.heightMm > heightMm + 1e-9) return undefined;
  }
  return rows;
}

/** The largest size at which all boxes fit in the order given, by bisection. */
function largest(boxes: readonly FigureBox[], widthMm: number, heightMm: number, gap: number): number {
  let low = 0;
  let high = Math.max(widthMm, heightMm) * 4;
  for (let i = 0; i < 50; i++) {
    const middle = (low + high) / 2;
    if (rowsAt(boxes, middle, widthMm, heightMm, gap)) low = middle;
    else high = middle;
  }
  return low;
}

function mapTurned(boxes: readonly FigureBox[], sheet: Sheet, turned: PageMap['turned'], overlap: boolean): PageMap {
  const [long, short] = SHEET_SIZES[sheet.size];
  const [widthMm, heightMm] = turned === 'landscape' ? [long, short] : [short, long];
  const { gapMm = USUAL_GAP_MM } = sheet;
  const inner = { width: widthMm - 2 * sheet.marginMm, height: heightMm - 2 * sheet.marginMm };
  // Overlapping figures share the sheet: each gets nearly twice the area, and their middles are spread over it.
  const alone = largest(boxes, inner.width, inner.height, gapMm);
  const most = Math.min(...boxes.map((b) => largest([b], inner.width, inner.height, 0)));
  const sizeMm = overlap ? Math.min(most, alone * 1.4) : alone;
  const rows = rowsAt(boxes, alone, inner.width, inner.height, gapMm) ?? [];
  const total = rows.reduce((sum, r) => sum + r.heightMm, 0) + gapMm * Math.max(0, rows.length - 1);
  let y = sheet.marginMm + (inner.height - total) / 2;
  const placed: PlacedBox[] = [];
  for (const row of rows) {
    const some = boxes.slice(row.from, row.to);
    const widths = some.map((b) => alone * Math.sqrt(aspectOf(b)));
    const spare = inner.width - widths.reduce((a, b) => a + b, 0);
    // As much between them as at the edges, but never less than the gap.
    const between = Math.max(gapMm, spare / (some.length + 1));
    let x = sheet.marginMm + (spare - between * (some.length - 1)) / 2;
    some.forEach((box, i) => {
      const w = sizeMm * Math.sqrt(aspectOf(box));
      const h = sizeMm / Math.sqrt(aspectOf(box));
      const clamp = (at: number, size: number, room: number): number =>
        Math.min(Math.max(at, sheet.marginMm), sheet.marginMm + room - size);
      placed.push({
        xMm: clamp(x + (widths[i] - w) / 2, w, inner.width),
        // Standing on the row's floor, as on a shelf.
        yMm: clamp(y + row.heightMm - h, h, inner.height),
        widthMm: w,
        heightMm: h,
        headMm: box.head === undefined ? undefined : (box.head / box.height) * h,
      });
      x += widths[i] + between;
    });
    y += row.heightMm + gapMm;
  }
  return { turned, widthMm, heightMm, boxes: placed, sizeMm };
}

/**
 * Place figures on a sheet in order, all with the same area, as large as the margins allow, with the sheet turned the way that lets them
 * be larger. One figure: the long side of the sheet along the long side of the pose.
 */
export function mapPage(boxes: readonly FigureBox[], sheet: Sheet, overlap = false): PageMap {
  const landscape = mapTurned(boxes, sheet, 'landscape', overlap);
  const portrait = mapTurned(boxes, sheet, 'portrait', overlap);
  return landscape.sizeMm > portrait.sizeMm ? landscape : portrait;
}

/** Whether the figures come out so small that a part of each would be the better subject. */
export const offersPart = (map: PageMap): boolean => map.sizeMm < PART_BELOW * USUAL_SIZE_MM;

/** How far figures of a height stand out over the margins of a sheet that is turned the better way, millimeters; 0 where all fit. */
export function overshootMm(boxes: readonly FigureBox[], sheet: Sheet, heightMm: number): number {
  const [long, short] = SHEET_SIZES[sheet.size];
  const { gapMm = USUAL_GAP_MM } = sheet;
  const sized = boxes.map((box) => ({ width: (heightMm * box.width) / box.height, height: heightMm }));
  const over = [
    [long, short],
    [short, long],
  ].map(([widthMm, tallMm]) => {
    const inner = { width: widthMm - 2 * sheet.marginMm, height: tallMm - 2 * sheet.marginMm };
    const widest = Math.max(...sized.map(({ width }) => width)) - inner.width;
    // Rows as they are written: side by side while there is room.
    let x = 0;
    let rows = 1;
    for (const { width } of sized) {
      if (x > 0 && x + gapMm + width > inner.width + 1e-9) {
        rows++;
        x = width;
      } else x += (x > 0 ? gapMm : 0) + width;
    }
    return Math.max(widest, rows * heightMm + (rows - 1) * gapMm - inner.height, 0);
  });
  return Math.min(...over);
}
