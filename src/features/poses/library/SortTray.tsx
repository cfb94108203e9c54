'use client';
import { useEffect, useRef, useState } from 'react';
import { type Picture, pictureReferenceId } from '@/core/references/picture';
import { SUBJECT_GROUPS, type SubjectGroup, SUBJECTS, subjectId } from '@/core/references/facts';
import { counted } from '@/core/words';
import { useReferenceThumbnail } from '@/storage/hooks/useThumbnail';
import type { LibraryActions } from './useLibraryActions';

/** Pictures in which no person was found, one by one: two taps at most say what each shows. */
export function SortTray({
  pictures,
  actions,
  onClose,
}: {
  pictures: readonly Picture[];
  actions: LibraryActions;
  onClose: () => void;
}) {
  const [skipped, setSkipped] = useState<ReadonlySet<string>>(new Set());
  const [group, setGroup] = useState<SubjectGroup>();
  const current = pictures.find((p) => !skipped.has(p.id));
  const url = useReferenceThumbnail(current ? pictureReferenceId(current.id) : null);
  const row = useRef<HTMLDivElement>(null);
  useEffect(() => row.current?.querySelector('button')?.focus(), [current?.id, group]);
  const next = (): void => {
    setGroup(undefined);
    if (current) setSkipped(new Set([...skipped, current.id]));
  };
  const say = (kind: string): void => {
    if (!current || !group) return;
    actions.correct([current.id], 'subject', subjectId(group, kind));
    next();
  };
  return (
    <section aria-label="Say what they show" className="mb-6 border border-rule bg-sheet p-4">
      <div className="flex items-baseline justify-between gap-4">
        <h2 className="text-[20px]">
          {current ? `What does this show? ${counted(pictures.length, 'picture')} to sort.` : 'All sorted'}
        </h2>
        <button type="button" className="btn border-0 btn-ghost btn-sm" onClick={onClose}>
          Close
        </button>
      </div>
      {current && (
        <div className="mt-3 flex flex-wrap gap-6">
          <span className="grid h-[240px] w-[300px] max-w-full place-items-center bg-plate p-2">
            {url && <img src={url} alt={current.name} className="max-h-[224px] max-w-full" />}
          </span>
          <div className="min-w-[240px] flex-1">
            <div ref={row} className="flex flex-wrap gap-2" role="group" aria-label={group ?? 'What does it show?'}>
              {group === undefined
                ? SUBJECT_GROUPS.map((g) => (
                    <button key={g} type="button" className="btn h-14 min-w-[110px]" onClick={() => setGroup(g)}>
                      {g}
                    </button>
                  ))
                : SUBJECTS[group].map((kind) => (
                    <button key={kind} type="button" className="btn h-14 min-w-[110px]" onClick={() => say(kind)}>
                      {kind}
                    </button>
                  ))}
            </div>
            <div className="mt-3 flex gap-2">
              {group !== undefined && (
                <button type="button" className="btn-quiet btn btn-sm" onClick={() => setGroup(undefined)}>
                  Something else
                </button>
              )}
              <button type="button" className="btn-quiet btn btn-sm" onClick={next}>
                Not now
              </button>
            </div>
          </div>
        </div>
      )}
    </section>
  );
}
