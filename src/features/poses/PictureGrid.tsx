'use client';
import { useWindowVirtualizer } from '@tanstack/react-virtual';
import { useLayoutEffect, useRef, useState } from 'react';
import { type Picture, pictureReferenceId } from '@/core/references/picture';
import { useReferenceThumbnail } from '@/storage/useThumbnail';
import { useWidth } from '@/ui/useWidth';

const CELL_PX = 166;
const ROW_PX = 214;

/** Only the rows in sight exist, so that ten thousand pictures scroll like ten. */
export function PictureGrid({
  pictures,
  selected,
  onToggle,
}: {
  pictures: readonly Picture[];
  selected: ReadonlySet<string>;
  onToggle: (id: string) => void;
}) {
  const [ref, width] = useWidth<HTMLDivElement>();
  const columns = Math.max(2, Math.floor(width / CELL_PX));
  const rows = Math.ceil(pictures.length / columns);
  const top = useRef(0);
  const [offset, setOffset] = useState(0);
  useLayoutEffect(() => {
    top.current = (ref.current?.getBoundingClientRect().top ?? 0) + window.scrollY;
    setOffset(top.current);
  }, [ref, width]);
  const virtual = useWindowVirtualizer({ count: rows, estimateSize: () => ROW_PX, overscan: 3, scrollMargin: offset });
  return (
    <div
      ref={ref}
      role="list"
      aria-label="Pictures"
      className="relative w-full"
      style={{ height: virtual.getTotalSize() }}
    >
      {width > 0 &&
        virtual.getVirtualItems().map((row) => (
          <div
            key={row.key}
            className="absolute inset-x-0 grid gap-4"
            style={{
              transform: `translateY(${row.start - virtual.options.scrollMargin}px)`,
              gridTemplateColumns: `repeat(${columns}, minmax(0, 1fr))`,
            }}
          >
            {pictures.slice(row.index * columns, (row.index + 1) * columns).map((picture, i) => (
              <PictureCell
                key={picture.id}
                picture={picture}
                position={row.index * columns + i + 1}
                total={pictures.length}
                chosen={selected.has(picture.id)}
                onToggle={() => onToggle(picture.id)}
              />
            ))}
          </div>
        ))}
    </div>
  );
}

interface CellProps {
  picture: Picture;
  position: number;
  total: number;
  chosen: boolean;
  onToggle: () => void;
}
function PictureCell({ picture, position, total, chosen, onToggle }: CellProps) {
  const url = useReferenceThumbnail(pictureReferenceId(picture.id));
  return (
    <div role="listitem" aria-posinset={position} aria-setsize={total}>
      <button
        type="button"
        aria-pressed={chosen}
        aria-label={picture.name}
        onClick={onToggle}
        className={`grid h-[172px] w-full place-items-center bg-plate p-2 outline-2 ${chosen ? 'outline-ink' : 'outline-transparent hover:outline-rule'}`}
      >
        {url && <img src={url} alt="" className="max-h-[156px] max-w-full" />}
      </button>
      <p className="truncate text-[13px] text-quiet" title={picture.name}>
        {picture.name}
      </p>
    </div>
  );
}
