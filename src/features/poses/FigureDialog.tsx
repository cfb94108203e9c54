'use client';
import { RotateCcw, RotateCw } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { useCallback, useEffect, useRef, useState } from 'react';
import { toast } from 'sonner';
import { figureReferenceId, parseFigureReference } from '@/core/figure/reference';
import { durationWords } from '@/core/practice/duration';
import { singlePosePlan } from '@/core/practice/singlePose';
import { storageProblem } from '@/storage/problems';
import { knownFacts, loadReferenceImage, shippedPicture } from '@/storage/references';
import { startSession } from '@/storage/startSession';
import { unlockSound } from '@/ui/sound/cuePlayer';
import { type Client, startFigureWorker } from '@/workers/clients';
import type { FigureApi } from '@/workers/figure.worker';

const TURN_DEG = 15;
const LENGTHS_MS = [30_000, 60_000, 120_000, 300_000];

const wrap = (deg: number): number => ((((deg + 180) % 360) + 360) % 360) - 180;

/** One figure, large: turn it in steps, draw it from where it stands. A rough picture comes first, then the finished one. */
export function FigureDialog({ referenceId, onClose }: { referenceId: string; onClose: () => void }) {
  const router = useRouter();
  const dialog = useRef<HTMLDialogElement>(null);
  const [id, setId] = useState(referenceId);
  const facts = knownFacts(id);
  const picture = useFigurePicture(id);

  useEffect(() => {
    dialog.current?.showModal();
  }, []);

  const turn = useCallback((byDeg: number) => {
    setId((before) => {
      const reference = parseFigureReference(before);
      if (!reference) return before;
      const { view } = reference;
      return figureReferenceId({ ...reference, view: { ...view, azimuthDeg: wrap(view.azimuthDeg + byDeg) } });
    });
  }, []);
  const draw = (drawMs: number): void => {
    unlockSound();
    startSession(singlePosePlan(id, drawMs)).then(
      () => router.push('/run'),
      (error: unknown) => toast.error(storageProblem(error)),
    );
  };
  return (
    <dialog
      ref={dialog}
      className="modal"
      aria-label={facts?.name}
      onClose={onClose}
      onKeyDown={(event) => {
        if (event.key === 'ArrowLeft') turn(-TURN_DEG);
        if (event.key === 'ArrowRight') turn(TURN_DEG);
      }}
    >
      <div className="grid max-h-[96dvh] w-[min(1060px,96vw)] grid-cols-[1fr_290px] gap-6 overflow-auto border border-rule bg-ground p-5 max-sm:grid-cols-1">
        <div className="relative grid h-[min(74dvh,680px)] place-items-center bg-plate max-sm:h-[46dvh]">
          {picture.url && (
            <img
              src={picture.url}
              alt={`${facts?.name ?? 'Figure'}, ${facts?.viewName ?? ''} view`}
              className="absolute inset-0 h-full w-full object-contain p-3"
            />
          )}
          {picture.busy && (
            <p role="status" className="absolute bottom-3 rounded bg-sheet px-3 py-1">
              Turning the clay. {picture.url ? 'This is the rough view.' : ''}
            </p>
          )}
          {picture.failed && (
            <p role="alert">This browser could not render the view. Turn back to the first one; it is always there.</p>
          )}
        </div>
        <div className="flex flex-col gap-4">
          <div>
            <h2 className="text-[26px] leading-tight">{facts?.name}</h2>
            <p className="text-quiet">
              {facts?.family}, {facts?.viewName}
              {facts && (facts.facing === 'left' || facts.facing === 'right') ? `, facing ${facts.facing}` : ''}
            </p>
          </div>
          <div className="flex gap-3">
            <button type="button" className="btn-quiet btn max-sm:h-14" onClick={() => turn(-TURN_DEG)}>
              <RotateCcw size={17} aria-hidden /> Turn <kbd className="kbd kbd-sm">Left</kbd>
            </button>
            <button type="button" className="btn-quiet btn max-sm:h-14" onClick={() => turn(TURN_DEG)}>
              <RotateCw size={17} aria-hidden /> Turn <kbd className="kbd kbd-sm">Right</kbd>
            </button>
          </div>
          <div>
            <p className="font-semibold">Draw this view now</p>
            <div className="mt-2 flex flex-wrap gap-2">
              {LENGTHS_MS.map((ms) => (
                <button key={ms} type="button" className="btn max-sm:h-14" onClick={() => draw(ms)}>
                  {durationWords(ms)}
                </button>
              ))}
            </div>
          </div>
          <form method="dialog" className="mt-auto">
            <button className="btn-quiet btn max-sm:h-14">Close</button>
          </form>
        </div>
      </div>
    </dialog>
  );
}

interface FigurePicture {
  url: string | undefined;
  busy: boolean;
  failed: boolean;
}

function useFigurePicture(id: string): FigurePicture {
  const client = useRef<Client<FigureApi>>(undefined);
  const [picture, setPicture] = useState<FigurePicture & { id: string }>({
    id,
    url: undefined,
    busy: true,
    failed: false,
  });
  useEffect(
    () => () => {
      client.current?.stop();
      client.current = undefined;
    },
    [],
  );
  useEffect(() => {
    let current = true;
    const urls: string[] = [];
    const show = (blob: Blob, busy: boolean): void => {
      if (!current) return;
      const url = URL.createObjectURL(blob);
      urls.push(url);
      setPicture({ id, url, busy, failed: false });
    };
    // A new view makes the old one's work pointless: the worker is replaced, which stops it at once.
    const worker = (): Client<FigureApi> => {
      client.current ??= startFigureWorker();
      return client.current;
    };
    const render = async (wanted: string): Promise<Blob> => {
      if (current) setPicture((before) => ({ ...before, busy: true }));
      const rough = await worker().api.render(wanted, true);
      show(rough, true);
      return worker().api.render(wanted, false);
    };
    // Turning quickly through views renders only the one that is stopped at.
    const wait = shippedPicture(id) ? 0 : 220;
    const timer = setTimeout(() => {
      loadReferenceImage(id, render).then(
        (blob) => blob && show(blob, false),
        () => current && setPicture({ id, url: undefined, busy: false, failed: true }),
      );
    }, wait);
    return () => {
      current = false;
      clearTimeout(timer);
      client.current?.stop();
      client.current = undefined;
      urls.forEach((url) => URL.revokeObjectURL(url));
    };
  }, [id]);
  return picture.id === id ? picture : { url: undefined, busy: true, failed: false };
}
