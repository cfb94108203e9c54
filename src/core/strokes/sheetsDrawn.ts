import { MOST_DRAWINGS, type Sheet, type SheetDrawing } from '../desk/sheet';
import { SHEETS } from '../desk/quad';
import type { Page, Session } from '../journal/session';
import { clamp } from '../clamp';
import type { Plan } from '../practice/plan/schema';
import { type InkStroke, type Mark, markOf } from './inkStroke';
import { isLying, sheetSizeMm, strokesOnSheet } from './sheetOf';

/** A sheet of a session that was drawn on the screen, and what is seen of it. */
export interface DrawnSheet {
  sheet: number;
  strokes: InkStroke[];
}

/** The sheets of a session that hold a drawing of it, in order. @param drawings Keys of the session's drawings. */
export function sheetsDrawn(strokes: readonly InkStroke[], drawings: readonly string[]): DrawnSheet[] {
  const numbers = [...new Set(strokes.map(({ sheet }) => sheet))].sort((a, b) => a - b);
  return numbers
    .map((sheet) => ({ sheet, strokes: strokesOnSheet(strokes, sheet) }))
    .filter((one) => one.strokes.some((s) => s.tool !== 'eraser' && drawings.includes(s.drawing)));
}

/** Around a drawing so much of the sheet is its own, millimeters. */
const AROUND_MM = 4;
const LEAST_SHARE = 0.005;

/** Where each drawing of a sheet is. */
function boxesOf(strokes: readonly InkStroke[], widthMm: number, heightMm: number): SheetDrawing[] {
  const drawn = new Map<string, Mark[]>();
  for (const stroke of strokes) {
    if (stroke.tool === 'eraser') continue;
    const of = stroke.drawing;
    drawn.set(of, [...(drawn.get(of) ?? []), markOf(stroke)]);
  }
  return [...drawn].slice(0, MOST_DRAWINGS).flatMap(([drawing, marks]): SheetDrawing[] => {
    const places = marks.flatMap(({ points }) => points);
    const sides = (k: 0 | 1, size: number): [number, number] => {
      const all = places.map((p) => p[k]);
      return [clamp((extent(all)[0] - AROUND_MM) / size, 0, 1), clamp((extent(all)[1] + AROUND_MM) / size, 0, 1)];
    };
    const [[x0, x1], [y0, y1]] = [sides(0, widthMm), sides(1, heightMm)];
    if (x1 - x0 < LEAST_SHARE || y1 - y0 < LEAST_SHARE) return [];
    return [{ x: x0, y: y0, width: x1 - x0, height: y1 - y0, drawing }];
  });
}
/** Smallest and largest: a drawing has more places than a call may have arguments. */
const extent = (all: readonly number[]): [number, number] =>
  all.reduce<[number, number]>(([low, high], v) => [Math.min(low, v), Math.max(high, v)], [Infinity, -Infinity]);

/** The long side of a sheet's picture, pixels. */
const LONG_PX = 2000;

const PAGE_OF_SHEET = /-sheet-(\d+)$/;
/** The page a sheet of a session becomes; always the same one, so that it becomes one once. */
export const sheetPageId = (sessionId: string, sheet: number): string => `${sessionId}-sheet-${String(sheet)}`;
/** Which sheet on the screen a page was; undefined for a photograph. */
export function sheetOfPage(pageId: string): number | undefined {
  const found = PAGE_OF_SHEET.exec(pageId);
  return found ? Number(found[1]) : undefined;
}

/** A sheet as a page of the journal: all of its picture is the sheet, and where its drawings are is known. */
export function sheetAsPage(
  session: Pick<Session, 'id' | 'startedAtMs'>,
  plan: Pick<Plan, 'sheet'>,
  { sheet, strokes }: DrawnSheet,
): { page: Page; perMm: number } {
  const { widthMm, heightMm } = sheetSizeMm(plan, isLying(strokes));
  const perMm = LONG_PX / Math.max(widthMm, heightMm);
  const [widthPx, heightPx] = [Math.round(widthMm * perMm), Math.round(heightMm * perMm)];
  const paper = SHEETS.find((one) => one.name === plan.sheet?.size)?.name;
  const lying: Sheet = {
    corners: [
      [0, 0],
      [1, 0],
      [1, 1],
      [0, 1],
    ],
    quarters: 0,
    aspect: widthPx / heightPx,
    ...(paper && { paper }),
    drawings: boxesOf(strokes, widthMm, heightMm),
  };
  const page: Page = {
    id: sheetPageId(session.id, sheet),
    sessionId: session.id,
    widthPx,
    heightPx,
    // Sheets of one session stay in the order they were drawn.
    addedAtMs: session.startedAtMs + sheet,
    binnedAtMs: null,
    sheet: lying,
  };
  return { page, perMm };
}

/**
 * What is ink on a sheet, by its strokes: their middles, whatever they were drawn with, so that a figure is looked for where the tool
 * went and not in the breadth of charcoal. What was rubbed out since is none.
 * @param width Of the mask, pixels, as `height`; row by row, not 0 where there is ink.
 */
export function inkOfStrokes(
  strokes: readonly InkStroke[],
  { widthMm, heightMm }: { widthMm: number; heightMm: number },
  width: number,
  height: number,
): Uint8Array {
  const mask = new Uint8Array(width * height);
  const [kx, ky] = [width / widthMm, height / heightMm];
  for (const stroke of strokes) {
    const value = stroke.tool === 'eraser' ? 0 : 1;
    const reach = stroke.tool === 'eraser' ? Math.round(ERASED_MM * kx) : LINE_PX;
    const { points } = markOf(stroke);
    points.forEach((to, i) => {
      const from = points[Math.max(0, i - 1)];
      const steps = Math.max(1, Math.ceil(Math.hypot((to[0] - from[0]) * kx, (to[1] - from[1]) * ky)));
      for (let s = 0; s <= steps; s++) {
        const cx = Math.round((from[0] + ((to[0] - from[0]) * s) / steps) * kx);
        const cy = Math.round((from[1] + ((to[1] - from[1]) * s) / steps) * ky);
        for (let y = Math.max(0, cy - reach); y <= Math.min(height - 1, cy + reach); y++)
          for (let x = Math.max(0, cx - reach); x <= Math.min(width - 1, cx + reach); x++) mask[y * width + x] = value;
      }
    });
  }
  return mask;
}
/** Half of what an eraser takes away, and of a line as it is looked for, millimeters and pixels. */
const ERASED_MM = 4;
const LINE_PX = 1;
