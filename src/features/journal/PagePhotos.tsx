'use client';
import { Camera, FolderOpen, ImagePlus, Trash2 } from 'lucide-react';
import dynamic from 'next/dynamic';
import { Link } from '@/ui/Link';
import { useEffect, useRef, useState } from 'react';
import { toast, toastProblem } from '@/ui/toast/toast';
import { isPhotograph } from '@/core/desk/arrivals';
import type { Page } from '@/core/journal/session';
import { problemSentence } from '@/core/references/imageFile';
import { imageKey } from '@/storage/images';
import { throwAway } from '@/storage/sessions/keptDrawings';
import { addPage, binPage, listPages } from '@/storage/sessions/pages';
import { isQuotaError, storageProblem } from '@/storage/problems';
import { fromInput, fromTransfer } from '@/storage/pictures/intake/givenFiles';
import type { Given } from '@/storage/pictures/intake/stage';
import { canLinkFolders } from '@/storage/pictures/folders';
import { useImageUrl } from '@/storage/hooks/useThumbnail';
import { useStored } from '@/storage/hooks/useStored';
import { Notice } from '@/ui/Notice';
import { deskPage } from '@/ui/referencePage';
import { startPreparer } from '@/workers/prepareFile';

const SheetCamera = dynamic(() => import('./SheetCamera').then((m) => m.SheetCamera), { ssr: false });
const ScannerFolder = dynamic(() => import('./ScannerFolder').then((m) => m.ScannerFolder), { ssr: false });
const PageClose = dynamic(() => import('./PageClose').then((m) => m.PageClose));

/** Of files given one by one all, of folders the photographs. */
const meant = (given: readonly Given[]): File[] =>
  given.filter(({ name }) => !name.includes('/') || isPhotograph(name)).map(({ file }) => file);

/** Put a page in the bin, to be taken back. @param thrown Drawings on it of which it was said now that they were thrown away. */
function putInBin(page: Page, thrown: readonly string[]): void {
  const fail = (error: unknown): void => {
    toastProblem(storageProblem(error));
  };
  const back = (): void => {
    Promise.all([binPage(page.id, null), throwAway(page.sessionId, thrown, false)]).catch(fail);
  };
  binPage(page.id, Date.now()).then(
    () => toast('The page is in the bin for 30 days.', { action: { label: 'Put back', onClick: back } }),
    fail,
  );
}

/** Photographs of the sheets of a session: add, see, put away. */
export function PagePhotos({
  sessionId,
  codeOf,
  pastes = true,
}: {
  sessionId: string;
  /** What is to stand on the corner of a sheet; nothing where that is not known. */
  codeOf?: (sheet: number) => string | undefined;
  /** Whatever is pasted on the page is meant for here. */
  pastes?: boolean;
}) {
  const pages = useStored(() => listPages(sessionId), ['pages'], [sessionId]);
  const [problems, setProblems] = useState<string[]>([]);
  const [busy, setBusy] = useState(false);
  const [dropping, setDropping] = useState(false);
  /** The live camera is open. */
  const [watching, setWatching] = useState(false);
  const chooser = useRef<HTMLInputElement>(null);
  const folder = useRef<HTMLInputElement>(null);

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
  // A photograph that was copied elsewhere is pasted anywhere on the page, but where something is written.
  const pasted = useRef(add);
  useEffect(() => {
    pasted.current = add;
  });
  useEffect(() => {
    if (!pastes) return;
    const onPaste = (event: ClipboardEvent): void => {
      const files = [...(event.clipboardData?.files ?? [])];
      if (files.length === 0 || (event.target instanceof Element && event.target.closest('input, textarea'))) return;
      event.preventDefault();
      void pasted.current(files);
    };
    window.addEventListener('paste', onPaste);
    return () => window.removeEventListener('paste', onPaste);
  }, [pastes]);
  const take = (input: HTMLInputElement): void => {
    void add(meant(fromInput(input.files)));
    input.value = '';
  };
  return (
    <section aria-label="Pages">
      <div className="flex flex-wrap items-start gap-5">
        {pages.value?.map((page, i) => (
          <PageCard
            key={page.id}
            page={page}
            number={i + 1}
            code={codeOf?.(i + 1)}
            onBin={(thrown) => putInBin(page, thrown)}
          />
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
            void fromTransfer(event.dataTransfer).then((given) => add(meant(given)));
          }}
        >
          {codeOf?.((pages.value?.length ?? 0) + 1) && (
            <p className="text-[14px] text-quiet">
              Write this in the corner of the sheet: {codeOf((pages.value?.length ?? 0) + 1)}
            </p>
          )}
          <p>{busy ? 'Putting the page away.' : 'A photograph of the page: drop it here, paste it, or'}</p>
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
              onClick={() => setWatching(true)}
            >
              <Camera size={17} aria-hidden /> Camera
            </button>
            <button
              type="button"
              className="btn-quiet btn max-sm:hidden"
              disabled={busy}
              onClick={() => folder.current?.click()}
            >
              <FolderOpen size={17} aria-hidden /> A folder
            </button>
            {canLinkFolders() && <ScannerFolder onFiles={(files) => void add(files)} />}
          </div>
          <input
            ref={folder}
            type="file"
            {...{ webkitdirectory: '' }}
            multiple
            hidden
            aria-label="Choose a folder of photographs"
            onChange={(event) => take(event.currentTarget)}
          />
          <input
            ref={chooser}
            type="file"
            accept="image/*,.heic,.heif"
            multiple
            hidden
            aria-label="Choose photographs of pages"
            onChange={(event) => take(event.currentTarget)}
          />
        </div>
      </div>
      {watching && <SheetCamera onTaken={(photo) => void add([photo])} onClose={() => setWatching(false)} />}
      {[...problems, ...(pages.problem ? [pages.problem] : [])].map((sentence) => (
        <div key={sentence} className="mt-3">
          <Notice>{sentence} Your session is kept.</Notice>
        </div>
      ))}
    </section>
  );
}

function PageCard({
  page,
  number,
  code,
  onBin,
}: {
  page: Page;
  number: number;
  code: string | undefined;
  /** With the drawings on it that were thrown away with it. */
  onBin: (thrown: readonly string[]) => void;
}) {
  const thumbnail = useImageUrl(imageKey('thumbnail', page.id));
  const [large, setLarge] = useState(false);
  /** The page goes: what of its drawings? */
  const [asked, setAsked] = useState(false);
  const drawings = page.sheet?.drawings.flatMap(({ drawing }) => drawing ?? []) ?? [];
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
        {code && ` · ${code}`}
        {page.horizon !== undefined && ', in a setting'}
        {page.thrownAway && ', sheet thrown away'}
        <button
          type="button"
          className="btn btn-square border-0 btn-ghost btn-sm"
          aria-label={`Put page ${number} in the bin`}
          onClick={() => (drawings.length > 0 ? setAsked(true) : onBin([]))}
        >
          <Trash2 size={15} aria-hidden />
        </button>
      </figcaption>
      <Link
        href={deskPage(page.sessionId, page.id)}
        className="inline-block link py-1 text-[14px]"
        aria-label={`Page ${String(number)} on the desk`}
      >
        {page.sheet
          ? `${String(page.sheet.drawings.length)} ${page.sheet.drawings.length === 1 ? 'drawing' : 'drawings'}`
          : 'Cut out its drawings'}
      </Link>
      {asked && (
        <div
          role="group"
          aria-label={`What of the drawings on page ${String(number)}`}
          className="max-w-[240px] text-[14px]"
        >
          <p>
            {drawings.length === 1
              ? 'A drawing of this session is'
              : `${String(drawings.length)} drawings of this session are`}{' '}
            on it. They count either way.
          </p>
          <div className="mt-1 flex flex-wrap gap-2">
            <button
              type="button"
              className="btn-quiet btn btn-sm max-sm:h-12"
              onClick={() => {
                setAsked(false);
                onBin([]);
              }}
            >
              Only the photograph goes
            </button>
            <button
              type="button"
              className="btn-quiet btn btn-sm max-sm:h-12"
              onClick={() => {
                setAsked(false);
                throwAway(page.sessionId, drawings).then(onBin, (error: unknown) =>
                  toastProblem(storageProblem(error)),
                );
              }}
            >
              The drawings were thrown away too
            </button>
            <button type="button" className="btn-quiet btn btn-sm max-sm:h-12" onClick={() => setAsked(false)}>
              Keep the page
            </button>
          </div>
        </div>
      )}
      {large && <PageClose page={page} number={number} onClose={() => setLarge(false)} />}
    </figure>
  );
}
