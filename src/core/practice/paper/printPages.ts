import type { PrintRow } from './printSheet';

/** Boxes lower than this, in points, would have words beside them that nobody reads at arm's length (under 7.5 pt). */
const LEAST_BOX = 12;
/** Where there are several pages anyway, boxes wide and high enough to write a time into with a pencil. */
const ROOMY = { columns: 12, boxHeight: 17 };
/** What stands between two rows, as a share of a box's height. */
const BETWEEN = 0.28;

export interface PrintPages {
  /** Boxes beside each other. */
  columns: number;
  /** Height of a line of boxes, in points. */
  boxHeight: number;
  /** Rows of each page; a row with more boxes than the page has left goes on at the top of the next. */
  pages: PrintRow[][];
}

const linesOf = (row: PrintRow, columns: number): number => Math.max(1, Math.ceil(row.boxes.length / columns));

/** Height of a row and what stands below it, in points. */
export const rowHeight = (row: PrintRow, { columns, boxHeight }: Pick<PrintPages, 'columns' | 'boxHeight'>): number =>
  (linesOf(row, columns) + BETWEEN) * boxHeight;

/** Boxes as wide as can be that put all rows on one page, high ones before low ones; undefined where words would be too small. */
function onOnePage(rows: readonly PrintRow[], height: number): { columns: number; boxHeight: number } | undefined {
  for (const least of [ROOMY.boxHeight, LEAST_BOX])
    for (let columns = 6; columns <= 30; columns++) {
      const lines = rows.reduce((sum, r) => sum + linesOf(r, columns), 0);
      const boxHeight = Math.min(30, height / (lines + rows.length * BETWEEN));
      if (boxHeight >= least) return { columns, boxHeight };
    }
  return undefined;
}

/**
 * Rows of a session sheet on one page as long as their words can be read, on several after that.
 * @param height Room for rows on a page, in points.
 */
export function printPages(rows: readonly PrintRow[], height: number): PrintPages {
  const one = onOnePage(rows, height);
  if (one) return { ...one, pages: [[...rows]] };
  const pages: PrintRow[][] = [[]];
  let left = height;
  for (const row of rows) {
    let boxes = row.boxes;
    let name = row.name;
    do {
      if (left < (1 + BETWEEN) * ROOMY.boxHeight) {
        pages.push([]);
        left = height;
      }
      const fits = Math.floor(left / ROOMY.boxHeight - BETWEEN) * ROOMY.columns;
      const piece = { ...row, name, boxes: boxes.slice(0, fits) };
      pages.at(-1)?.push(piece);
      left -= rowHeight(piece, ROOMY);
      boxes = boxes.slice(fits);
      name = `${row.name}, on`;
    } while (boxes.length > 0);
  }
  return { ...ROOMY, pages };
}
