import { SHEET_SIZES, type Sheet, type SheetSize } from './sheet';

interface Frame {
  xMm: number;
  yMm: number;
  widthMm: number;
  heightMm: number;
}
export interface FrameSheet {
  turned: 'landscape' | 'portrait';
  widthMm: number;
  heightMm: number;
  /** In reading order, all alike. */
  frames: Frame[];
}

/** A plan stands upright where its figure does; one that is not known stands. */
export const standsUpright = (figure: { width: number; height: number } | undefined): boolean =>
  figure === undefined || figure.height >= figure.width;

const GAP_MM = 8;

function framesTurned(
  count: number,
  sheet: Sheet,
  ratio: number,
  turned: FrameSheet['turned'],
  columns: number,
): FrameSheet {
  const [long, short] = SHEET_SIZES[sheet.size];
  const [widthMm, heightMm] = turned === 'landscape' ? [long, short] : [short, long];
  const rows = Math.ceil(count / columns);
  const room = {
    width: widthMm - 2 * sheet.marginMm - GAP_MM * (columns - 1),
    height: heightMm - 2 * sheet.marginMm - GAP_MM * (rows - 1),
  };
  const width = Math.max(0, Math.min(room.width / columns, (room.height / rows) * ratio));
  const height = width / ratio;
  const left = (widthMm - columns * width - GAP_MM * (columns - 1)) / 2;
  const top = (heightMm - rows * height - GAP_MM * (rows - 1)) / 2;
  return {
    turned,
    widthMm,
    heightMm,
    frames: Array.from({ length: count }, (_, i) => ({
      xMm: left + (i % columns) * (width + GAP_MM),
      yMm: top + Math.floor(i / columns) * (height + GAP_MM),
      widthMm: width,
      heightMm: height,
    })),
  };
}

/**
 * Equal frames on a sheet, each with the proportions of the sheet it is a plan for, as large as the margins allow.
 * @param count Frames, 1 or more.
 * @param upright The large sheet stands upright.
 * @returns The largest of every number of columns, the sheet lying or upright.
 */
export function frameSheet(count: number, sheet: Sheet, planFor: SheetSize, upright: boolean): FrameSheet {
  const [long, short] = SHEET_SIZES[planFor];
  const ratio = upright ? short / long : long / short;
  const all = (['landscape', 'portrait'] as const).flatMap((turned) =>
    Array.from({ length: count }, (_, i) => framesTurned(count, sheet, ratio, turned, i + 1)),
  );
  return all.reduce((best, one) => (one.frames[0].widthMm > best.frames[0].widthMm + 1e-9 ? one : best));
}
