import * as z from 'zod/mini';

/** Sheets as they are sold, long side first, millimeters. */
export const SHEET_SIZES = {
  A5: [210, 148],
  A4: [297, 210],
  A3: [420, 297],
  A2: [594, 420],
  A1: [841, 594],
  Letter: [279.4, 215.9],
  '9 × 12 in': [304.8, 228.6],
  '11 × 14 in': [355.6, 279.4],
  '14 × 17 in': [431.8, 355.6],
  '18 × 24 in': [609.6, 457.2],
} as const satisfies Record<string, readonly [longMm: number, shortMm: number]>;
export type SheetSize = keyof typeof SHEET_SIZES;
const sizes = Object.keys(SHEET_SIZES) as [SheetSize, ...SheetSize[]];

export const sheetSizeSchema = z.enum(sizes);

export const MOST_ON_A_SHEET = 40;

export const PAPERS = ['newsprint', 'sketch paper', 'toned paper', 'layout paper', 'sketchbook'] as const;

export const sheetSchema = z.object({
  size: sheetSizeSchema,
  paper: z.enum(PAPERS),
  /** Drawings on one sheet, where a block does not say otherwise. */
  perSheet: z.int().check(z.minimum(1), z.maximum(MOST_ON_A_SHEET)),
  marginMm: z.number().check(z.minimum(0), z.maximum(100)),
  /** Between two figures on one sheet; missing is as usual. */
  gapMm: z.optional(z.number().check(z.minimum(0), z.maximum(200))),
  unit: z.enum(['mm', 'in']),
});
export type Sheet = z.infer<typeof sheetSchema>;

export const USUAL_SHEET: Sheet = { size: 'A3', paper: 'newsprint', perSheet: 1, marginMm: 15, unit: 'mm' };

/** Between two figures where nothing else is said, millimeters. */
export const USUAL_GAP_MM = 8;

/** A length on paper in the unit chosen: "390 mm", "15.4 in". */
export const lengthOnPaper = (mm: number, unit: Sheet['unit']): string =>
  unit === 'mm' ? `${String(Math.round(mm))} mm` : `${(mm / 25.4).toFixed(1)} in`;

/** Area of the sheet for each of its figures. */
export const areaPerFigure = ({ size }: Pick<Sheet, 'size'>, figures: number): number =>
  (SHEET_SIZES[size][0] * SHEET_SIZES[size][1]) / figures;
