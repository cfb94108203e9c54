import type { RibbonBlock, RibbonCell } from '@/core/practice/time/ribbon';

export interface PlacedCell {
  cell: RibbonCell;
  x: number;
  width: number;
  /** What its time alone would be wide; less than width where the floor made it grabbable. */
  trueWidth: number;
}
export interface PlacedBlock {
  block: RibbonBlock;
  /** Index among the blocks given. */
  index: number;
  x: number;
  width: number;
  cells: PlacedCell[];
}
interface RibbonLine {
  blocks: PlacedBlock[];
}
export interface RibbonLayout {
  lines: RibbonLine[];
  pxPerMs: number;
}

export interface RibbonMeasure {
  widthPx: number;
  /** The narrowest a cell gets. */
  floorPx: number;
  /** Between blocks. */
  gapPx: number;
}

const cellCount = (blocks: readonly RibbonBlock[]): number => blocks.reduce((n, b) => n + b.cells.length, 0);

function widthAt(blocks: readonly RibbonBlock[], pxPerMs: number, { floorPx, gapPx }: RibbonMeasure): number {
  const cells = blocks.reduce(
    (sum, b) => sum + b.cells.reduce((w, c) => w + Math.max(floorPx, c.lengthMs * pxPerMs), 0),
    0,
  );
  return cells + gapPx * Math.max(0, blocks.length - 1);
}

/** The scale at which cells, none narrower than the floor, and gaps fill the width exactly; floors shrink where even they do not fit. */
function findScale(blocks: readonly RibbonBlock[], measure: RibbonMeasure): { pxPerMs: number; floorPx: number } {
  const gaps = measure.gapPx * Math.max(0, blocks.length - 1);
  const floorPx = Math.min(measure.floorPx, ((measure.widthPx - gaps) / Math.max(1, cellCount(blocks))) * 0.9);
  let low = 0;
  let high = 1;
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2;
    if (widthAt(blocks, middle, { ...measure, floorPx }) > measure.widthPx) high = middle;
    else low = middle;
  }
  return { pxPerMs: low, floorPx };
}

/** Lay blocks out on one line that fills the width. */
export function layOutLine(blocks: readonly RibbonBlock[], measure: RibbonMeasure, scale?: number): RibbonLayout {
  const found = scale === undefined ? findScale(blocks, measure) : { pxPerMs: scale, floorPx: measure.floorPx };
  const { pxPerMs, floorPx } = found;
  let x = 0;
  const placed = blocks.map((block, index): PlacedBlock => {
    const start = x;
    const cells = block.cells.map((cell): PlacedCell => {
      const trueWidth = cell.lengthMs * pxPerMs;
      const width = Math.max(floorPx, trueWidth);
      x += width;
      return { cell, x: x - width, width, trueWidth };
    });
    const width = x - start;
    x += measure.gapPx;
    return { block, index, x: start, width, cells };
  });
  return { lines: [{ blocks: placed }], pxPerMs };
}

const LINE_MINUTES = [1, 2, 3, 5, 7.5, 10, 15, 20, 30, 45, 60];
const MAX_LINES = 5;

/** Lay blocks out like writing: each line holds the same number of minutes, and breaks between cells. */
export function layOutWrapped(blocks: readonly RibbonBlock[], measure: RibbonMeasure): RibbonLayout {
  for (const minutes of LINE_MINUTES) {
    const layout = wrapAt(blocks, measure, measure.widthPx / (minutes * 60_000));
    if (layout.lines.length <= MAX_LINES || minutes === LINE_MINUTES[LINE_MINUTES.length - 1]) return layout;
  }
  return wrapAt(blocks, measure, measure.widthPx / 3_600_000);
}

function wrapAt(
  blocks: readonly RibbonBlock[],
  { widthPx, floorPx, gapPx }: RibbonMeasure,
  pxPerMs: number,
): RibbonLayout {
  const lines: RibbonLine[] = [{ blocks: [] }];
  let x = 0;
  blocks.forEach((block, index) => {
    let placed: PlacedBlock | undefined;
    for (const cell of block.cells) {
      const trueWidth = Math.min(widthPx, cell.lengthMs * pxPerMs);
      const width = Math.max(floorPx, trueWidth);
      if (x > 0 && x + width > widthPx + 0.5) {
        lines.push({ blocks: [] });
        x = 0;
        placed = undefined;
      }
      if (!placed) {
        placed = { block, index, x, width: 0, cells: [] };
        lines[lines.length - 1].blocks.push(placed);
      }
      placed.cells.push({ cell, x, width, trueWidth });
      placed.width += width;
      x += width;
    }
    x += gapPx;
  });
  return { lines, pxPerMs };
}

/** Where a moment stands on the ribbon: line and x, pixels. */
export function positionAt(layout: RibbonLayout, atMs: number): { line: number; x: number } {
  let last = { line: 0, x: 0 };
  for (const [line, { blocks }] of layout.lines.entries())
    for (const { cells } of blocks)
      for (const { cell, x, width } of cells) {
        if (atMs < cell.startMs) return last;
        const share = cell.lengthMs === 0 ? 1 : (atMs - cell.startMs) / cell.lengthMs;
        last = { line, x: x + width * Math.min(1, share) };
        if (share < 1) return last;
      }
  return last;
}
