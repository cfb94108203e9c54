interface BoardTile {
  /** Position in the list. */
  index: number;
  left: number;
  width: number;
}
export interface BoardRow {
  top: number;
  tiles: BoardTile[];
}

/**
 * Pictures side by side at one height, packed in rows of a given width: nothing overlaps, nothing is cut.
 * @param aspects Width over height of each; those wider than the board are as wide as it allows.
 */
export function packBoard(aspects: readonly number[], boardWidth: number, tileHeight: number, gap: number): BoardRow[] {
  const rows: BoardRow[] = [];
  let tiles: BoardTile[] = [];
  let left = 0;
  const close = (): void => {
    if (tiles.length === 0) return;
    // What is over at the end of a row goes between its pictures evenly.
    const over = boardWidth - (left - gap);
    const extra = tiles.length > 1 ? Math.min(over / (tiles.length - 1), gap * 2) : 0;
    rows.push({
      top: rows.length * (tileHeight + gap),
      tiles: tiles.map((tile, i) => ({ ...tile, left: tile.left + i * extra })),
    });
    tiles = [];
    left = 0;
  };
  aspects.forEach((aspect, index) => {
    const width = Math.min(boardWidth, aspect * tileHeight);
    if (left + width > boardWidth + 1e-6) close();
    tiles.push({ index, left, width });
    left += width + gap;
  });
  const last = { tiles, top: rows.length * (tileHeight + gap) };
  if (tiles.length > 0) rows.push(last);
  return rows;
}
