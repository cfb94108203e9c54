'use client';
import { Download, ImagePlus, Trash2 } from 'lucide-react';
import { useCallback, useEffect, useRef, useState } from 'react';
import { toast } from 'sonner';
import type { PictureSet } from '@/core/references/picture';
import { binPictures, listPictures, saveSet } from '@/storage/pictures';
import { storageProblem } from '@/storage/problems';
import { useStored } from '@/storage/useStored';
import { Notice } from '@/ui/Notice';
import { FigureGrid } from './FigureCell';
import { takeOutPoses } from './takeOutPoses';
import { PictureGrid } from './PictureGrid';
import { useAddPictures } from './useAddPictures';

/** A set of the learner's own pictures. Pictures are chosen, dropped anywhere on the page, or pasted. */
export function OwnSet({
  set,
  onPractice,
  onPutAway,
}: {
  set: PictureSet;
  onPractice: () => void;
  onPutAway: () => void;
}) {
  const pictures = useStored(() => listPictures(set.id), ['pictures'], [set.id]);
  const { add, progress, report, cancel, dismiss } = useAddPictures(set.id);
  const [selected, setSelected] = useState<ReadonlySet<string>>(new Set());
  const [dropping, setDropping] = useState(false);
  const chooser = useRef<HTMLInputElement>(null);

  useEffect(() => {
    const onPaste = (event: ClipboardEvent): void => {
      const files = [...(event.clipboardData?.files ?? [])];
      if (files.length > 0) void add(files);
    };
    const onOver = (event: DragEvent): void => {
      if (!event.dataTransfer?.types.includes('Files')) return;
      event.preventDefault();
      setDropping(true);
    };
    const onLeave = (event: DragEvent): void => {
      if (event.relatedTarget === null) setDropping(false);
    };
    const onDrop = (event: DragEvent): void => {
      event.preventDefault();
      setDropping(false);
      const files = [...(event.dataTransfer?.files ?? [])];
      if (files.length > 0) void add(files);
    };
    document.addEventListener('paste', onPaste);
    document.addEventListener('dragover', onOver);
    document.addEventListener('dragleave', onLeave);
    document.addEventListener('drop', onDrop);
    return () => {
      document.removeEventListener('paste', onPaste);
      document.removeEventListener('dragover', onOver);
      document.removeEventListener('dragleave', onLeave);
      document.removeEventListener('drop', onDrop);
    };
  }, [add]);

  const toggle = useCallback((id: string) => {
    setSelected((before) => {
      const next = new Set(before);
      if (!next.delete(id)) next.add(id);
      return next;
    });
  }, []);
  const bin = (): void => {
    const ids = [...selected];
    binPictures(ids, Date.now()).then(
      () => {
        setSelected(new Set());
        toast(`${ids.length === 1 ? 'One picture is' : `${ids.length} pictures are`} in the bin for 30 days.`, {
          action: {
            label: 'Put back',
            onClick: () => {
              binPictures(ids, null).catch((error: unknown) => toast.error(storageProblem(error)));
            },
          },
        });
      },
      (error: unknown) => toast.error(storageProblem(error)),
    );
  };
  const rename = (name: string): void => {
    if (!name.trim() || name.trim() === set.name) return;
    saveSet({ ...set, name: name.trim() }).catch((error: unknown) => toast.error(storageProblem(error)));
  };
  const figures = set.figures ?? [];
  const takeOut = (): void =>
    takeOutPoses(
      set.name,
      figures.map(({ id }) => id),
    );
  const count = (pictures.value?.length ?? 0) + figures.length;

  return (
    <section aria-label={set.name} className="relative">
      <div className="flex flex-wrap items-center gap-3 py-4">
        <input
          aria-label="Name of the set"
          className="min-w-0 flex-1 border-b border-transparent bg-transparent font-serif text-[24px] hover:border-rule focus:border-rule"
          defaultValue={set.name}
          maxLength={80}
          onBlur={(event) => rename(event.currentTarget.value)}
          onKeyDown={(event) => {
            if (event.key === 'Enter') event.currentTarget.blur();
          }}
        />
        {selected.size > 0 && (
          <button type="button" className="btn-quiet btn max-sm:h-14" onClick={bin}>
            <Trash2 size={16} aria-hidden /> Put {selected.size} in the bin
          </button>
        )}
        <button type="button" className="btn-quiet btn max-sm:h-14" onClick={() => chooser.current?.click()}>
          <ImagePlus size={17} aria-hidden /> Add pictures
        </button>
        {figures.length > 0 && (
          <button type="button" className="btn-quiet btn max-sm:h-14" onClick={takeOut}>
            <Download size={16} aria-hidden /> Poses as JSON
          </button>
        )}
        <button type="button" className="btn max-sm:h-14" disabled={count === 0} onClick={onPractice}>
          Practice from this set
        </button>
        <button type="button" className="btn border-0 btn-ghost max-sm:h-14" onClick={onPutAway}>
          Put the set away
        </button>
        <input
          ref={chooser}
          type="file"
          accept="image/*,.heic,.heif,.avif"
          multiple
          hidden
          aria-label="Choose pictures"
          onChange={(event) => {
            void add([...(event.currentTarget.files ?? [])]);
            event.currentTarget.value = '';
          }}
        />
      </div>
      {progress && (
        <div className="mb-4 flex flex-wrap items-center gap-4 border border-rule bg-sheet px-4 py-3">
          <p role="status" className="min-w-[220px]">
            {progress.done} of {progress.total} looked at, {progress.added} added
          </p>
          <progress
            className="progress flex-1"
            max={progress.total}
            value={progress.done}
            aria-label="Adding pictures"
          />
          <button type="button" className="btn-quiet btn btn-sm" onClick={cancel}>
            Cancel
          </button>
        </div>
      )}
      {report && !progress && (
        <div className="mb-4">
          <Notice tone={report.problems.length > 0 ? 'problem' : 'plain'}>
            <div className="flex items-start justify-between gap-4">
              <div>
                <p className="font-semibold">
                  {report.added === 0
                    ? 'No picture was added.'
                    : `${report.added} ${report.added === 1 ? 'picture' : 'pictures'} added.`}
                  {report.canceled && ' You canceled the rest; what was added stays.'}
                </p>
                {report.problems.length > 0 && (
                  <ul className="mt-1 max-h-[180px] list-disc overflow-auto pl-5">
                    {report.problems.map((sentence, i) => (
                      <li key={i}>{sentence}</li>
                    ))}
                  </ul>
                )}
              </div>
              <button type="button" className="btn-quiet btn btn-sm" onClick={dismiss}>
                Good
              </button>
            </div>
          </Notice>
        </div>
      )}
      {pictures.problem && <Notice>{pictures.problem}</Notice>}
      {pictures.value && count === 0 && !progress && (
        <div className="grid min-h-[260px] place-content-center gap-2 border border-dashed border-rule p-8 text-center">
          <p className="font-serif text-[22px]">An empty set</p>
          <p className="max-w-[52ch]">
            Choose pictures, drop them anywhere on this page, or paste one. JPEG, PNG, WebP, AVIF, GIF and HEIC. They
            stay in this browser.
          </p>
          <p className="max-w-[52ch] text-[14px] text-quiet">
            Pictures of people only with their permission or a license that allows it.
          </p>
        </div>
      )}
      {figures.length > 0 && (
        <div className="mb-5">
          <FigureGrid label="Figures" figures={figures} />
        </div>
      )}
      {pictures.value && pictures.value.length > 0 && (
        <PictureGrid pictures={pictures.value} selected={selected} onToggle={toggle} />
      )}
      {dropping && (
        <div className="pointer-events-none fixed inset-4 z-10 grid place-items-center border-2 border-dashed border-ink bg-ground/90 font-serif text-[30px]">
          Let go to add to “{set.name}”
        </div>
      )}
    </section>
  );
}
