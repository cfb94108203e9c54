'use client';
import { Check, Clock, FolderX, Pin } from 'lucide-react';
import { Link } from '@/ui/Link';
import type { Route } from 'next';
import { memo, type MouseEvent } from 'react';
import { type Picture, pictureReferenceId } from '@/core/references/picture';
import { useReferenceThumbnail } from '@/storage/hooks/useThumbnail';

export interface CellActions {
  toggle: (index: number, range: boolean) => void;
}

export const pictureHref = (id: string, placeId: string): Route =>
  `/poses/picture?id=${id}&set=${encodeURIComponent(placeId)}` as Route;

interface CellProps {
  picture: Picture;
  index: number;
  total: number;
  chosen: boolean;
  pinned: boolean;
  placeId: string;
  /** Exactly one cell of a grid is reached by Tab; arrows lead to the others. */
  reachable: boolean;
  actions: CellActions;
  /** On the board, pictures stand without their names at one height. */
  bare?: boolean;
}

/** A picture in a grid: opens its page; the corner chooses it. */
export const PictureCell = memo(function PictureCell({
  picture,
  index,
  total,
  chosen,
  pinned,
  placeId,
  reachable,
  actions,
  bare = false,
}: CellProps) {
  const url = useReferenceThumbnail(pictureReferenceId(picture.id));
  const choose = (event: MouseEvent): void => actions.toggle(index, event.shiftKey);
  const gone = picture.inFolder?.gone === true;
  return (
    <div role="listitem" aria-posinset={index + 1} aria-setsize={total} className="group relative h-full">
      <Link
        href={pictureHref(picture.id, placeId)}
        data-cell={index}
        tabIndex={reachable ? 0 : -1}
        aria-label={picture.name}
        onClick={(event) => {
          if (!event.shiftKey && !event.ctrlKey && !event.metaKey) return;
          event.preventDefault();
          choose(event);
        }}
        className={`grid w-full place-items-center overflow-hidden bg-plate outline-2 -outline-offset-2 ${bare ? 'h-full' : 'h-[172px] p-2'} ${
          chosen ? 'outline-ink' : 'outline-transparent hover:outline-rule focus-visible:outline-ink'
        }`}
      >
        {url && (
          <img
            src={url}
            alt=""
            className={`${bare ? 'h-full w-full object-contain' : 'max-h-[156px] max-w-full'} ${gone ? 'opacity-45' : ''}`}
          />
        )}
      </Link>
      <button
        type="button"
        aria-pressed={chosen}
        aria-label={`Choose ${picture.name}`}
        tabIndex={-1}
        onClick={choose}
        className={`absolute top-1 left-1 grid size-7 place-items-center border bg-ground/90 max-sm:size-11 ${
          chosen
            ? 'border-ink text-ink'
            : 'border-rule text-transparent opacity-70 group-focus-within:opacity-100 group-hover:opacity-100'
        }`}
      >
        <Check size={17} aria-hidden />
      </button>
      <span className="absolute top-1 right-1 flex gap-1">
        {pinned && <Mark icon={<Pin size={14} aria-hidden />} words="Pinned" />}
        {picture.laterAtMs !== null && <Mark icon={<Clock size={14} aria-hidden />} words="On the later shelf" />}
        {gone && <Mark icon={<FolderX size={14} aria-hidden />} words="Its file is not there now" />}
      </span>
      {!bare && (
        <p className="truncate text-[13px] text-quiet" title={picture.name}>
          {picture.name}
        </p>
      )}
    </div>
  );
});

function Mark({ icon, words }: { icon: React.ReactNode; words: string }) {
  return (
    <span className="grid size-6 place-items-center bg-ground/90 text-quiet" title={words}>
      {icon}
      <span className="sr-only">{words}</span>
    </span>
  );
}
