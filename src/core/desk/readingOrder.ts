/** A place on a sheet: shares of its width and height from its top left. */
export interface SheetBox {
  x: number;
  y: number;
  width: number;
  height: number;
}

const across = (b: SheetBox): number => b.x + b.width / 2;
const down = (b: SheetBox): number => b.y + b.height / 2;

/** Boxes shrunk toward their middles, gathered where they overlap along an axis. */
function bands(boxes: readonly SheetBox[], axis: 'x' | 'y', shrink: number): SheetBox[][] {
  const size = axis === 'x' ? 'width' : 'height';
  const middle = axis === 'x' ? across : down;
  const out: SheetBox[][] = [];
  let end = -Infinity;
  for (const box of [...boxes].sort((a, b) => middle(a) - middle(b))) {
    const last = out.at(-1);
    if (!last || box[axis] + box[size] * shrink > end) out.push([box]);
    else last.push(box);
    end = Math.max(end, box[axis] + box[size] * (1 - shrink));
  }
  return out;
}

/** Whether one box lies above another, rather than beside it. */
const stacked = (boxes: readonly SheetBox[]): boolean =>
  boxes.some((a, i) =>
    boxes.slice(i + 1).some((b) => {
      const shared = Math.min(a.x + a.width, b.x + b.width) - Math.max(a.x, b.x);
      const over = Math.min(a.y + a.height, b.y + b.height) - Math.max(a.y, b.y);
      return shared > 0.35 * Math.min(a.width, b.width) && over < 0.4 * Math.min(a.height, b.height);
    }),
  );

/** How much boxes are shrunk, from hardly to much, until rows come apart. */
const SHRINKS = [0.05, 0.15, 0.25, 0.33];

/** Boxes as a sheet is read: rows from the top, each from the left; where there are no rows, columns. */
export function readingOrder(boxes: readonly SheetBox[]): SheetBox[] {
  const fromLeft = (): SheetBox[] => [...boxes].sort((a, b) => across(a) - across(b));
  if (boxes.length < 2 || !stacked(boxes)) return fromLeft();
  for (const shrink of SHRINKS) {
    const rows = bands(boxes, 'y', shrink);
    if (rows.length > 1) return rows.flatMap(readingOrder);
  }
  const columns = bands(boxes, 'x', 0.3);
  return columns.length > 1 ? columns.flatMap(readingOrder) : fromLeft();
}
