'use client';
import { useMemo, useState } from 'react';
import { CATALOGUE } from '@/core/figure/catalogue/catalogue';
import { isPartFamily } from '@/core/figure/catalogue/families';
import { pictureReferenceId } from '@/core/references/picture';
import type { MemberSource } from '@/core/group/group';
import type { Page } from '@/core/journal/session';
import { useReferenceThumbnail } from '@/storage/hooks/useThumbnail';
import { useCutDrawing } from '@/storage/hooks/useCutDrawing';
import type { SeenDrawing } from '@/core/journal/onPages';
import { useLibrary } from '@/storage/pictures/library';
import { CutDrawing } from '@/ui/CutDrawing';
import { Dialog } from '@/ui/Dialog';

const KINDS = ['figures', 'your pictures', 'your drawings'] as const;
type Kind = (typeof KINDS)[number];
/** So many are offered at a time. */
const SOME = 60;
/** A drawing is placed by its points: it has at least so many. */
const LEAST_POINTS = 5;

/** Choose one more for the group: a figure, a picture in which a body was found, a drawing that was measured. */
export function AddMember({
  pages,
  onAdd,
  onClose,
}: {
  pages: readonly Page[];
  onAdd: (source: MemberSource) => void;
  onClose: () => void;
}) {
  const [kind, setKind] = useState<Kind>('figures');
  const [words, setWords] = useState('');
  const { pictures } = useLibrary();
  const asked = words.trim().toLowerCase();
  const figures = useMemo(
    () =>
      CATALOGUE.filter(
        ({ family, name }) => !isPartFamily(family) && `${name} ${family}`.toLowerCase().includes(asked),
      ).slice(0, SOME),
    [asked],
  );
  const own = (pictures ?? [])
    .filter((p) => p.binnedAtMs === null && p.name.toLowerCase().includes(asked))
    .slice(0, SOME);
  const drawings = useMemo(
    () =>
      pages
        .flatMap((page) =>
          (page.sheet?.drawings ?? []).flatMap((box): SeenDrawing[] =>
            page.sheet && box.drawing !== null && (box.points?.length ?? 0) >= LEAST_POINTS
              ? [{ page, sheet: page.sheet, box }]
              : [],
          ),
        )
        .slice(0, SOME),
    [pages],
  );
  return (
    <Dialog title="One more for the group" onClose={onClose} wide>
      <div className="flex flex-wrap gap-2">
        {KINDS.map((one) => (
          <button
            key={one}
            type="button"
            aria-pressed={kind === one}
            className={`btn min-h-11 ${kind === one ? '' : 'btn-quiet'}`}
            onClick={() => setKind(one)}
          >
            {one}
          </button>
        ))}
        {kind !== 'your drawings' && (
          <label className="ml-auto flex items-center gap-2">
            <span className="text-quiet">Named</span>
            <input className="input w-48" value={words} onChange={(event) => setWords(event.target.value)} />
          </label>
        )}
      </div>
      <ul className="mt-3 grid max-h-[60dvh] grid-cols-[repeat(auto-fill,minmax(104px,1fr))] gap-2 overflow-y-auto">
        {kind === 'figures' &&
          figures.map(({ id, name }) => (
            <li key={id}>
              <OfReference id={id} name={name} onAdd={onAdd} />
            </li>
          ))}
        {kind === 'your pictures' &&
          own.map(({ id, name }) => (
            <li key={id}>
              <OfReference id={pictureReferenceId(id)} name={name} onAdd={onAdd} />
            </li>
          ))}
        {kind === 'your drawings' &&
          drawings.map((seen) => (
            <li key={`${seen.page.id} ${seen.box.drawing ?? ''}`}>
              <OfDrawing seen={seen} onAdd={onAdd} />
            </li>
          ))}
      </ul>
      {kind === 'your pictures' && own.length === 0 && <p>No picture of yours is called so.</p>}
      {kind === 'your drawings' && drawings.length === 0 && (
        <p>No drawing has its points yet: measure one on the Desk, and it can stand here.</p>
      )}
    </Dialog>
  );
}

const CARD = 'grid h-full w-full content-end justify-items-center gap-1 border border-hairline p-1 hover:bg-sheet';

function OfReference({ id, name, onAdd }: { id: string; name: string; onAdd: (source: MemberSource) => void }) {
  const url = useReferenceThumbnail(id);
  return (
    <button type="button" className={CARD} onClick={() => onAdd({ kind: 'reference', referenceId: id })}>
      {url ? (
        <img src={url} alt="" className="h-[110px] object-contain" loading="lazy" />
      ) : (
        <span className="h-[110px] w-full skeleton" />
      )}
      <span className="text-[13px] leading-tight">{name}</span>
    </button>
  );
}

function OfDrawing({ seen, onAdd }: { seen: SeenDrawing; onAdd: (source: MemberSource) => void }) {
  const { url, aspect, box } = useCutDrawing(seen);
  return (
    <button
      type="button"
      className={CARD}
      aria-label={`Drawing ${box.drawing ?? ''}`}
      onClick={() => onAdd({ kind: 'drawing', pageId: seen.page.id, drawing: box.drawing ?? '' })}
    >
      <CutDrawing url={url} aspect={aspect} box={box} tall={110} widest={96} />
    </button>
  );
}
