'use client';
import { useWindowVirtualizer } from '@tanstack/react-virtual';
import { type KeyboardEvent, memo, useLayoutEffect, useState } from 'react';
import { monthAndYear, shortDay } from '@/core/dateWords';
import { monthOf } from '@/core/growing/pieces';
import type { WallItem } from '@/core/growing/wall';
import type { SeenDrawing } from '@/core/journal/onPages';
import { durationWords } from '@/core/practice/time/duration';
import { useCutDrawing } from '@/storage/hooks/useCutDrawing';
import { useSmallPictureUrl } from '@/storage/hooks/useSmallPictureUrl';
import { useReferenceThumbnail } from '@/storage/hooks/useThumbnail';
import { CutDrawing } from '@/ui/CutDrawing';
import { useLingered } from '@/ui/useLingered';
import { useWidth } from '@/ui/useWidth';

const CELL_PX = 164;
const PICTURE_PX = 150;
const ROW_PX = 226;
const LINGER_MS = 200;

/** Drawings in rows; only the rows in sight exist. By keys: arrows go from one to the next, Enter opens it. */
export const WallGrid = memo(function WallGrid({
  items,
  onOpen,
}: {
  items: readonly WallItem[];
  onOpen: (item: WallItem) => void;
}) {
  const urlOf = useSmallPictureUrl();
  const [ref, width] = useWidth<HTMLDivElement>();
  const [offset, setOffset] = useState(0);
  const [current, setCurrent] = useState(0);
  useLayoutEffect(() => {
    setOffset((ref.current?.getBoundingClientRect().top ?? 0) + window.scrollY);
  }, [ref, width, items.length]);
  const columns = Math.max(2, Math.floor(width / CELL_PX));
  const rows = width === 0 ? 0 : Math.ceil(items.length / columns);
  const virtual = useWindowVirtualizer({ count: rows, estimateSize: () => ROW_PX, overscan: 1, scrollMargin: offset });
  const reachable = Math.min(current, items.length - 1);
  const goTo = (index: number): void => {
    const to = Math.max(0, Math.min(items.length - 1, index));
    setCurrent(to);
    virtual.scrollToIndex(Math.floor(to / columns));
    requestAnimationFrame(() => ref.current?.querySelector<HTMLElement>(`[data-at="${String(to)}"]`)?.focus());
  };
  const onKeyDown = (event: KeyboardEvent): void => {
    const by: Record<string, number> = { ArrowRight: 1, ArrowLeft: -1, ArrowDown: columns, ArrowUp: -columns };
    const step = by[event.key];
    if (step === undefined) return;
    event.preventDefault();
    goTo(reachable + step);
  };
  return (
    // eslint-disable-next-line jsx-a11y/no-static-element-interactions -- arrows go between the buttons in it
    <div ref={ref} className="mt-4" onKeyDown={onKeyDown}>
      <div className="relative" style={{ height: virtual.getTotalSize() }}>
        {virtual.getVirtualItems().map((row) => (
          <div
            key={row.key}
            className="absolute inset-x-0 flex"
            style={{ height: ROW_PX, transform: `translateY(${String(row.start - offset)}px)` }}
          >
            {items.slice(row.index * columns, (row.index + 1) * columns).map((item, c) => {
              const at = row.index * columns + c;
              const before = items.at(at - 1);
              return (
                // By its place: another filter changes what hangs there, and makes nothing anew.
                <Cell
                  key={c}
                  item={item}
                  url={item.referenceId === null ? undefined : urlOf(item.referenceId)}
                  at={at}
                  opens={at === 0 || !before || monthOf(before.atMs) !== monthOf(item.atMs)}
                  reachable={at === reachable}
                  width={`${String(100 / columns)}%`}
                  onFocus={setCurrent}
                  onOpen={onOpen}
                />
              );
            })}
          </div>
        ))}
      </div>
    </div>
  );
});

/** One drawing on the wall. */
const Cell = memo(function Cell({
  item,
  url,
  at,
  opens,
  reachable,
  width,
  onFocus,
  onOpen,
}: {
  item: WallItem;
  /** Of a figure that ships: known without asking. */
  url: string | undefined;
  at: number;
  /** The first of its month. */
  opens: boolean;
  reachable: boolean;
  width: string;
  onFocus: (at: number) => void;
  onOpen: (item: WallItem) => void;
}) {
  return (
    <button
      type="button"
      data-at={at}
      tabIndex={reachable ? 0 : -1}
      className="flex shrink-0 cursor-pointer flex-col items-start text-left text-[13px] [contain:layout_paint]"
      style={{ width }}
      title={`${item.exercise}, ${shortDay(item.atMs)}, ${durationWords(item.spentMs)}`}
      onFocus={() => onFocus(at)}
      onClick={() => onOpen(item)}
    >
      <span className="h-[18px] font-semibold">{opens ? monthAndYear(item.atMs) : ''}</span>
      <span className="grid h-[156px] place-items-center" style={{ width: PICTURE_PX }}>
        {item.seen ? (
          <OnSheet seen={item.seen} />
        ) : url !== undefined || item.referenceId === null ? (
          <Place url={url} />
        ) : (
          <NotSeen referenceId={item.referenceId} />
        )}
      </span>
      <span className="w-full truncate pr-3">{item.exercise}</span>
      <span className="w-full truncate pr-3 text-quiet">
        {shortDay(item.atMs)}, {durationWords(item.spentMs)}
      </span>
    </button>
  );
});

function OnSheet({ seen }: { seen: SeenDrawing }) {
  return <CutDrawing {...useCutDrawing(seen)} tall={PICTURE_PX} widest={PICTURE_PX} />;
}

/** A drawing that is on no photograph: its place on the wall, with what it was drawn from faintly in it. */
function Place({ url }: { url: string | undefined }) {
  return (
    <span className="grid h-[150px] w-[112px] place-items-center border border-hairline">
      {url && (
        <img src={url} alt="" decoding="async" className="max-h-[120px] max-w-[96px] object-contain opacity-40" />
      )}
    </span>
  );
}

/** The same of a picture whose small one has to be read or drawn first: not while the wall rushes past. */
function NotSeen({ referenceId }: { referenceId: string }) {
  const lingered = useLingered(LINGER_MS);
  return <Place url={useReferenceThumbnail(lingered ? referenceId : null)} />;
}
