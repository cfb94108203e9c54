'use client';
import { useState } from 'react';
import { moreOf } from '@/core/words';
import { useReferenceThumbnail } from '@/storage/hooks/useThumbnail';
import { Dialog } from '@/ui/Dialog';
import { useReferenceName } from '@/storage/hooks/useReferenceName';

const SHOWN_AT_ONCE = 60;

/** Which picture of what there is goes into one slot of a plan. */
export function ChooseForSlot({
  name,
  pool,
  onChoose,
  onClose,
}: {
  name: string;
  pool: readonly string[];
  onChoose: (referenceId: string) => void;
  onClose: () => void;
}) {
  const [shown, setShown] = useState(SHOWN_AT_ONCE);
  return (
    <Dialog title={`A picture for ${name}`} onClose={onClose} wide>
      <ul className="grid grid-cols-[repeat(auto-fill,minmax(84px,1fr))] gap-2">
        {pool.slice(0, shown).map((id) => (
          <Choice key={id} id={id} onChoose={() => onChoose(id)} />
        ))}
      </ul>
      {pool.length > shown && (
        <button type="button" className="btn-quiet btn mt-3" onClick={() => setShown(shown + SHOWN_AT_ONCE)}>
          {moreOf(Math.min(SHOWN_AT_ONCE, pool.length - shown), 'picture')}
        </button>
      )}
    </Dialog>
  );
}

function Choice({ id, onChoose }: { id: string; onChoose: () => void }) {
  const url = useReferenceThumbnail(id);
  const name = useReferenceName(id);
  return (
    <li>
      <button
        type="button"
        aria-label={name || 'A picture'}
        title={name}
        className="grid h-[104px] w-full place-items-center bg-plate p-1 hover:bg-hairline"
        onClick={onChoose}
      >
        {url && <img src={url} alt="" loading="lazy" className="max-h-[96px] max-w-full object-contain" />}
      </button>
    </li>
  );
}
