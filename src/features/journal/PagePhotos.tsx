'use client';
import { Camera, ImagePlus, Trash2 } from 'lucide-react';
import type { Route } from 'next';
import dynamic from 'next/dynamic';
import Link from 'next/link';
import { useRef, useState } from 'react';
import { toast, toastProblem } from '@/ui/toast/toast';
import type { Page } from '@/core/journal/session';
import { problemSentence } from '@/core/references/imageFile';
import { imageKey } from '@/storage/images';
import { addPage, binPage, listPages } from '@/storage/sessions/pages';
import { isQuotaError, storageProblem } from '@/storage/problems';
import { useImageUrl } from '@/storage/hooks/useThumbnail';
import { useStored } from '@/storage/hooks/useStored';
import { Notice } from '@/ui/Notice';
import { startPreparer } from '@/workers/prepareFile';

const PageClose = dynamic(() => import('./PageClose').then((m) => m.PageClose));

function putInBin(page: Page): void {
  binPage(page.id, Date.now()).then(
    () =>
      toast('The page is in the bin for 30 days.', {
        action: {
          label: 'Put back',
          onClick: () => {
            binPage(page.id, null).catch((error: unknown) => toastProblem(storageProblem(error)));
          },
        },
      }),
    (error: unknown) => toastProblem(storageProblem(error)),
  );
}

/** Photographs of the sheets of a session: add, see, put away. */
export function PagePhotos({ sessionId }: { sessionId: string }) {
  const pages = useStored(() => listPages(sessionId), ['pages'], [sessionId]);
  const [problems, setProblems] = useState<string[]>([]);
  const [busy, setBusy] = useState(false);
  const [dropping, setDropping] = useState(false);
  const camera = useRef<HTMLInputElement>(null);
  const chooser = useRef<HTMLInputElement>(null);

  const add = async (files: readonly File[]): Promise<void> => {
    const found: string[] = [];
    setBusy(true);
    const preparer = startPreparer();
    const named = files.map((file) => ({ file, name: file.name }));
    try {
      await preparer.all(named, new AbortController().signal, async ({ file }, preparation) => {
        if (!preparation.ok) {
          found.push(problemSentence(file.name, preparation.problem));
          return;
        }
        const { widthPx, heightPx, image, thumbnail } = preparation.picture;
        const page: Page = {
          id: crypto.randomUUID(),
          sessionId,
          widthPx,
          heightPx,
          addedAtMs: Date.now(),
          binnedAtMs: null,
        };
        await addPage(page, image ?? file, thumbnail);
      });
    } catch (error) {
      found.push(isQuotaError(error) ? problemSentence('this page', { kind: 'no room' }) : storageProblem(error));
    }
    preparer.stop();
    setProblems(found);
    setBusy(false);
  };
  const take = (input: HTMLInputElement): void => {
    void add([...(input.files ?? [])]);
    input.value = '';
  };
  return (
    <section aria-label="Pages">
      <div className="flex flex-wrap items-start gap-5">
        {pages.value?.map((page, i) => (
          <PageCard key={page.id} page={page} number={i + 1} onBin={() => putInBin(page)} />
        ))}
        <div
          className={`grid min-h-[150px] min-w-[260px] place-content-center gap-3 border border-dashed p-5 text-center ${dropping ? 'border-ink bg-sheet' : 'border-rule'}`}
          onDragOver={(event) => {
            event.preventDefault();
            setDropping(true);
          }}
          onDragLeave={() => setDropping(false)}
          onDrop={(event) => {
            event.preventDefault();
            setDropping(false);
            void add([...event.dataTransfer.files]);
          }}
        >
          <p>{busy ? 'Putting the page away.' : 'A photograph of the page'}</p>
          <div className="flex flex-wrap justify-center gap-3">
            <button
              type="button"
              className="btn-quiet btn max-sm:h-14"
              disabled={busy}
              onClick={() => chooser.current?.click()}
            >
              <ImagePlus size={17} aria-hidden /> Choose
            </button>
            <button
              type="button"
              className="btn-quiet btn max-sm:h-14"
              disabled={busy}
              onClick={() => camera.current?.click()}
            >
              <Camera size={17} aria-hidden /> Camera
            </button>
          </div>
          <input
            ref={chooser}
            type="file"
            accept="image/*,.heic,.heif"
            multiple
            hidden
            aria-label="Choose photographs of pages"
            onChange={(event) => take(event.currentTarget)}
          />
          <input
            ref={camera}
            type="file"
            accept="image/*"
            capture="environment"
            hidden
            aria-label="Photograph a page"
            onChange={(event) => take(event.currentTarget)}
          />
        </div>
      </div>
      {[...problems, ...(pages.problem ? [pages.problem] : [])].map((sentence) => (
        <div key={sentence} className="mt-3">
          <Notice>{sentence} Your session is kept.</Notice>
        </div>
      ))}
    </section>
  );
}

function PageCard({ page, number, onBin }: { page: Page; number: number; onBin: () => void }) {
  const thumbnail = useImageUrl(imageKey('thumbnail', page.id));
  const [large, setLarge] = useState(false);
  return (
    <figure className="w-fit">
      <button
        type="button"
        className="grid h-[150px] min-w-[110px] cursor-zoom-in place-items-center border border-rule bg-sheet p-1"
        onClick={() => setLarge(true)}
        aria-label={`Page ${number}, larger`}
      >
        {thumbnail && <img src={thumbnail} alt="" className="max-h-[140px] max-w-[240px]" />}
      </button>
      <figcaption className="flex items-center justify-between text-[14px] text-quiet">
        Page {number}
        {page.horizon !== undefined && ', in a setting'}
        {page.thrownAway && ', sheet thrown away'}
        <button
          type="button"
          className="btn btn-square border-0 btn-ghost btn-sm"
          aria-label={`Put page ${number} in the bin`}
          onClick={onBin}
        >
          <Trash2 size={15} aria-hidden />
        </button>
      </figcaption>
      <Link
        href={`/desk?session=${encodeURIComponent(page.sessionId)}&page=${encodeURIComponent(page.id)}` as Route}
        className="inline-block link py-1 text-[14px]"
        aria-label={`Page ${String(number)} on the desk`}
      >
        {page.sheet
          ? `${String(page.sheet.drawings.length)} ${page.sheet.drawings.length === 1 ? 'drawing' : 'drawings'}`
          : 'Cut out its drawings'}
      </Link>
      {large && <PageClose page={page} number={number} onClose={() => setLarge(false)} />}
    </figure>
  );
}
