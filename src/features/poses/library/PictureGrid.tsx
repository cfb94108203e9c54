'use client';
import { useWindowVirtualizer } from '@tanstack/react-virtual';
import { type KeyboardEvent, memo, useLayoutEffect, useMemo, useState } from 'react';
import { packBoard } from '@/core/references/board';
import type { Picture } from '@/core/references/picture';
import { useWidth } from '@/ui/useWidth';
import { type CellActions, PictureCell } from './PictureCell';

const CELL_PX = 166;
const ROW_PX = 214;
const GAP_PX = 8;

interface Row {
  heightPx: number;
  /** Positions in the list; with their place across where the row is packed by hand. */
  cells: { index: number; leftPx?: number; widthPx?: number }[];
}

function gridRows(count: number, width: number): Row[] {
  const columns = Math.max(2, Math.floor(width / CELL_PX));
  return Array.from({ length: Math.ceil(count / columns) }, (_, r) => ({
    heightPx: ROW_PX,
    cells: Array.from({ length: Math.min(columns, count - r * columns) }, (__, c) => ({ index: r * columns + c })),
  }));
}

function boardRows(pictures: readonly Picture[], width: number, tilePx: number): Row[] {
  return packBoard(
    pictures.map((p) => p.widthPx / p.heightPx),
    width,
    tilePx,
    GAP_PX,
  ).map(({ tiles }) => ({
    heightPx: tilePx + GAP_PX,
    cells: tiles.map(({ index, left, width: widthPx }) => ({ index, leftPx: left, widthPx })),
  }));
}

/** Pictures in rows of equal cells, or packed at one height as on a board. Only the rows in sight exist. */
export const PictureGrid = memo(function PictureGrid({
  pictures,
  chosen,
  pins,
  placeId,
  board,
  tilePx,
  actions,
  onMove,
}: {
  pictures: readonly Picture[];
  chosen: ReadonlySet<string>;
  pins: ReadonlySet<string>;
  placeId: string;
  board: boolean;
  tilePx: number;
  actions: CellActions;
  /** Move a picture by one place in the learner's own order; missing where there is none. */
  onMove: ((index: number, by: -1 | 1) => void) | undefined;
}) {
  const [ref, width] = useWidth<HTMLDivElement>();
  const [offset, setOffset] = useState(0);
  const [current, setCurrent] = useState(0);
  const reachable = Math.min(current, Math.max(0, pictures.length - 1));
  useLayoutEffect(() => {
    setOffset((ref.current?.getBoundingClientRect().top ?? 0) + window.scrollY);
  }, [ref, width, pictures.length]);
  const rows = useMemo(
    () => (width === 0 ? [] : board ? boardRows(pictures, width, tilePx) : gridRows(pictures.length, width)),
    [pictures, width, board, tilePx],
  );
  const virtual = useWindowVirtualizer({
    count: rows.length,
    estimateSize: (i) => rows[i].heightPx,
    overscan: 3,
    scrollMargin: offset,
    getItemKey: (i) => `${board ? `b${String(tilePx)}` : 'g'}${String(i)}`,
  });
  const goTo = (index: number): void => {
    const to = Math.max(0, Math.min(pictures.length - 1, index));
    setCurrent(to);
    virtual.scrollToIndex(
      rows.findIndex((row) => row.cells.some((cell) => cell.index === to)),
      { align: 'auto' },
    );
    requestAnimationFrame(() =>
      requestAnimationFrame(() => ref.current?.querySelector<HTMLElement>(`[data-cell="${String(to)}"]`)?.focus()),
    );
  };
  const onKeyDown = (event: KeyboardEvent): void => {
    const cell = (event.target as HTMLElement).closest<HTMLElement>('[data-cell]');
    if (!cell || event.ctrlKey || event.metaKey) return;
    const at = Number(cell.dataset.cell);
    const row = rows.findIndex((r) => r.cells.some((c) => c.index === at));
    const column = rows[row].cells.findIndex((c) => c.index === at);
    const vertical = (by: number): number | undefined => {
      const { cells } = rows[row + by] ?? { cells: [] };
      return cells.length === 0 ? undefined : cells[Math.min(column, cells.length - 1)].index;
    };
    const steps: Record<string, () => void> = {
      ArrowLeft: () => goTo(at - 1),
      ArrowRight: () => goTo(at + 1),
      ArrowUp: () => goTo(vertical(-1) ?? at),
      ArrowDown: () => goTo(vertical(1) ?? at),
      Home: () => goTo(0),
      End: () => goTo(pictures.length - 1),
      ' ': () => actions.toggle(at, event.shiftKey),
      x: () => actions.toggle(at, event.shiftKey),
    };
    const step = event.altKey ? undefined : steps[event.key];
    const by = event.key === ',' ? -1 : 1;
    if (onMove && (event.key === ',' || event.key === '.')) {
      onMove(at, by);
      goTo(at + by);
    } else if (step) step();
    else return;
    event.preventDefault();
  };
  return (
    // eslint-disable-next-line jsx-a11y/no-noninteractive-element-interactions -- a composite: one cell is in the tab order, arrows move between them
    <div
      ref={ref}
      role="list"
      aria-label="Pictures"
      className="relative w-full"
      style={{ height: virtual.getTotalSize() }}
      onKeyDown={onKeyDown}
      onFocus={(event) => {
        const cell = (event.target as HTMLElement).closest<HTMLElement>('[data-cell]');
        if (cell) setCurrent(Number(cell.dataset.cell));
      }}
    >
      {virtual.getVirtualItems().map((item) => {
        const row = rows[item.index];
        return (
          <div
            key={item.key}
            role="presentation"
            className={board ? 'absolute inset-x-0' : 'absolute inset-x-0 grid gap-4'}
            style={{
              height: row.heightPx - GAP_PX,
              transform: `translateY(${item.start - virtual.options.scrollMargin}px)`,
              ...(!board && {
                gridTemplateColumns: `repeat(${Math.max(2, Math.floor(width / CELL_PX))}, minmax(0, 1fr))`,
              }),
            }}
          >
            {row.cells.map(({ index, leftPx, widthPx }) => {
              const picture = pictures[index];
              const cell = (
                <PictureCell
                  picture={picture}
                  index={index}
                  total={pictures.length}
                  chosen={chosen.has(picture.id)}
                  pinned={pins.has(picture.id)}
                  placeId={placeId}
                  reachable={index === reachable}
                  actions={actions}
                  bare={board}
                />
              );
              return board ? (
                <div
                  key={picture.id}
                  role="presentation"
                  className="absolute top-0 h-full"
                  style={{ left: leftPx, width: widthPx }}
                >
                  {cell}
                </div>
              ) : (
                <div key={picture.id} role="presentation" className="min-w-0">
                  {cell}
                </div>
              );
            })}
          </div>
        );
      })}
    </div>
  );
});
