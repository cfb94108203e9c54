import { FileInput, Plus, Users } from 'lucide-react';
import { Link } from '@/ui/Link';
import { intoView } from '@/ui/intoView';

export interface ShelfEntry {
  id: string;
  name: string;
  /** What is in it, in words. */
  told: string;
}

/** Sets stand on a shelf: spines side by side, the open one pulled out. */
export function Shelf({
  entries,
  current,
  onShow,
  onNew,
  onFile,
}: {
  entries: readonly ShelfEntry[];
  current: string;
  onShow: (id: string) => void;
  onNew: () => void;
  onFile: () => void;
}) {
  return (
    <nav aria-label="Sets" className="border-b-2 border-ink">
      <ul className="row-sideways flex flex-wrap items-end gap-x-2 gap-y-3 pt-1">
        {entries.map(({ id, name, told }) => {
          const open = id === current;
          return (
            <li key={id}>
              <button
                type="button"
                ref={open ? intoView : undefined}
                aria-current={open ? 'true' : undefined}
                onClick={() => onShow(id)}
                className={`max-w-[240px] rounded-t-[4px] border border-b-0 border-rule px-4 text-left ${
                  open ? 'border-ink bg-sheet pt-3 pb-4' : 'pt-2 pb-2 hover:bg-sheet'
                }`}
              >
                <span className="block font-serif text-[17px] wrap-anywhere">{name}</span>
                <span className="text-[13px] text-quiet">{told}</span>
              </button>
            </li>
          );
        })}
        <li>
          <button type="button" className="btn-quiet btn mb-1" onClick={onNew}>
            <Plus size={16} aria-hidden /> New set
          </button>
          <button type="button" className="btn-quiet btn mb-1 ml-1" onClick={onFile}>
            <FileInput size={16} aria-hidden /> Poses from a file
          </button>
          <Link href="/poses/group" className="btn-quiet btn mb-1 ml-1">
            <Users size={16} aria-hidden /> Several figures
          </Link>
        </li>
      </ul>
    </nav>
  );
}
