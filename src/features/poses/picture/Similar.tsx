'use client';
import { Link } from '@/ui/Link';
import { useMemo } from 'react';
import { type Picture, pictureReferenceId } from '@/core/references/picture';
import { mostSimilar } from '@/core/references/similar';
import { useReferenceThumbnail } from '@/storage/hooks/useThumbnail';
import { pictureHref } from '../library/PictureCell';

const SHOWN = 8;

function One({ picture, placeId }: { picture: Picture; placeId: string }) {
  const url = useReferenceThumbnail(pictureReferenceId(picture.id));
  return (
    <li>
      <Link
        href={pictureHref(picture.id, placeId)}
        className="grid h-[92px] w-[84px] place-items-center bg-plate p-1 outline-1 outline-transparent hover:outline-ink"
        aria-label={picture.name}
      >
        {url && <img src={url} alt="" className="max-h-[84px] max-w-full" />}
      </Link>
    </li>
  );
}

/** Pictures whose pose lies most like this one's. */
export function Similar({ picture, all, placeId }: { picture: Picture; all: readonly Picture[]; placeId: string }) {
  const similar = useMemo(() => mostSimilar(picture, all, SHOWN), [picture, all]);
  if (similar.length === 0) return null;
  return (
    <section aria-label="Similar pictures">
      <h2 className="text-[20px]">Similar to this</h2>
      <ul className="mt-2 flex flex-wrap gap-2">
        {similar.map((p) => (
          <One key={p.id} picture={p} placeId={placeId} />
        ))}
      </ul>
    </section>
  );
}
