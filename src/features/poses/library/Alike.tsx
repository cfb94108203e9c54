import { fullDate } from '@/core/dateWords';
import { bytesWords } from '@/core/words';
import { type Picture, pictureReferenceId } from '@/core/references/picture';
import { useReferenceThumbnail } from '@/storage/hooks/useThumbnail';
import type { LibraryActions } from './useLibraryActions';

function Twin({ picture, onBin }: { picture: Picture; onBin: () => void }) {
  const url = useReferenceThumbnail(pictureReferenceId(picture.id));
  const { name, widthPx, heightPx, bytes, takenAtMs } = picture;
  return (
    <li className="w-[200px]">
      <span className="grid h-[190px] place-items-center bg-plate p-2">
        {url && <img src={url} alt="" className="max-h-[174px] max-w-full" />}
      </span>
      <p className="truncate font-semibold" title={name}>
        {name}
      </p>
      <p className="text-[13px] text-quiet">
        {widthPx} by {heightPx} pixels, {bytesWords(bytes)}
        {takenAtMs !== null && <>, taken {fullDate(takenAtMs)}</>}
      </p>
      <button type="button" className="btn-quiet btn mt-1 btn-sm" aria-label={`Put ${name} in the bin`} onClick={onBin}>
        Put in the bin
      </button>
    </li>
  );
}

/** Pictures that look alike, side by side: keep them all, or put some in the bin. Nothing is thrown away unasked. */
export function Alike({
  groups,
  actions,
  onClose,
}: {
  groups: readonly Picture[][];
  actions: LibraryActions;
  onClose: () => void;
}) {
  return (
    <section aria-label="Alike pictures" className="mb-6 border border-rule bg-sheet p-4">
      <div className="flex items-baseline justify-between gap-4">
        <h2 className="text-[20px]">Pictures that look alike</h2>
        <button type="button" className="btn border-0 btn-ghost btn-sm" onClick={onClose}>
          Close
        </button>
      </div>
      {groups.length === 0 && <p className="mt-2">None are left.</p>}
      {groups.map((group) => (
        <div key={group[0].id} className="mt-4 border-t border-hairline pt-4">
          <ul className="flex flex-wrap gap-4">
            {group.map((picture) => (
              <Twin key={picture.id} picture={picture} onBin={() => actions.bin([picture.id])} />
            ))}
          </ul>
          <button type="button" className="btn mt-3 btn-sm" onClick={() => actions.keepBeside(group)}>
            Keep {group.length === 2 ? 'both' : `all ${String(group.length)}`}
          </button>
        </div>
      ))}
    </section>
  );
}
