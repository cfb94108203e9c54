'use client';
import { useEffect, useRef, useState } from 'react';
import type { Corners } from '@/core/desk/quad';
import { type Look, looksWith, type Waiting, WAITING_WORDS, waitingFor } from '@/core/desk/steady';
import { Dialog } from '@/ui/Dialog';
import { listenToPedals } from '@/ui/input/pedals';
import { usePageKeys } from '@/ui/input/usePageKeys';
import { SheetOutline } from '@/ui/SheetOutline';
import { startSheetWorker } from '@/workers/clients';
import { openCamera, openSimulated, type SheetSource } from './sheetSource';

/** Long side of the frames that are looked at. */
const LOOK_PX = 640;
const JPEG_QUALITY = 0.92;
const SHOWN_TAKEN_MS = 700;

/** A live view that finds the sheet, waits until it is flat, sharp and still, and takes it by itself. */
export function SheetCamera({ onTaken, onClose }: { onTaken: (photo: File) => void; onClose: () => void }) {
  const screen = useRef<HTMLCanvasElement>(null);
  const [simulated, setSimulated] = useState(false);
  const [state, setState] = useState<Waiting | 'opening' | 'no camera'>('opening');
  const [corners, setCorners] = useState<Corners>();
  const take = useRef<() => void>(() => undefined);
  const told = useRef({ onTaken, onClose });
  useEffect(() => {
    told.current = { onTaken, onClose };
  });
  useEffect(() => {
    let current = true;
    let source: SheetSource | undefined;
    const worker = startSheetWorker();
    const small = new OffscreenCanvas(1, 1);
    let taken = false;
    const takeNow = (): void => {
      if (!source || taken) return;
      taken = true;
      setState('take');
      const { width, height } = source.size();
      const canvas = new OffscreenCanvas(width, height);
      const context = canvas.getContext('2d');
      if (!context) return;
      source.paint(context, width, height);
      canvas.convertToBlob({ type: 'image/jpeg', quality: JPEG_QUALITY }).then(
        (blob) => {
          told.current.onTaken(new File([blob], 'page.jpg', { type: 'image/jpeg' }));
          setTimeout(() => told.current.onClose(), SHOWN_TAKEN_MS);
        },
        () => (taken = false),
      );
    };
    take.current = takeNow;
    const watch = async (opened: SheetSource): Promise<void> => {
      let looks: Look[] = [];
      while (current && !taken) {
        const { width, height } = opened.size();
        const k = Math.min(1, LOOK_PX / Math.max(width, height));
        const [w, h] = [Math.round(width * k), Math.round(height * k)];
        const context = small.getContext('2d', { willReadFrequently: true });
        const shown = screen.current?.getContext('2d');
        if (!context || !shown) return;
        [small.width, small.height] = [w, h];
        opened.paint(context, w, h);
        const frame = context.getImageData(0, 0, w, h);
        if (screen.current && (screen.current.width !== w || screen.current.height !== h))
          [screen.current.width, screen.current.height] = [w, h];
        shown.putImageData(frame, 0, 0);
        const seen = await worker.api.look({ width: w, height: h, data: frame.data });
        if (!current || taken) return;
        looks = looksWith(looks, { ...seen, atMs: performance.now() });
        const waiting = waitingFor(looks);
        setCorners(seen.corners);
        setState(waiting);
        if (waiting === 'take') takeNow();
        // The screen goes on between two looks.
        await new Promise((resolve) => setTimeout(resolve, 60));
      }
    };
    (simulated ? openSimulated() : openCamera()).then(
      (opened) => {
        source = opened;
        if (!current) opened.stop();
        else watch(opened).catch(() => current && setState('no camera'));
      },
      () => current && setState('no camera'),
    );
    const stopPedals = listenToPedals(takeNow);
    return () => {
      current = false;
      stopPedals();
      source?.stop();
      worker.stop();
    };
  }, [simulated]);
  usePageKeys((key) => {
    if (key !== ' ' && key !== 'Enter') return false;
    take.current();
    return true;
  });
  const live = state !== 'opening' && state !== 'no camera';
  return (
    <Dialog title="A page in front of the camera" onClose={onClose} wide>
      {state === 'no camera' ? (
        <div className="max-w-[60ch]">
          <p role="status">
            There is no camera here, or its use was not allowed. A photograph by another device can be chosen or dropped
            beside the pages.
          </p>
          <button
            type="button"
            className="btn mt-3 max-sm:h-14"
            onClick={() => {
              setState('opening');
              setSimulated(true);
            }}
          >
            See how it goes with a made-up camera
          </button>
        </div>
      ) : (
        <>
          <div className="grid place-items-center bg-plate">
            <div className="relative">
              <canvas ref={screen} className="max-h-[62dvh] max-w-full" aria-label="What the camera shows" role="img" />
              {corners && <SheetOutline corners={corners} />}
            </div>
          </div>
          <p role="status" className="mt-3 min-h-[2lh] font-serif text-[18px]">
            {state === 'opening' ? 'Opening the camera.' : WAITING_WORDS[state]}
          </p>
          <div className="flex flex-wrap items-center gap-3">
            <button
              type="button"
              className="btn max-sm:h-14"
              disabled={!live || state === 'take'}
              onClick={() => take.current()}
            >
              Take it now <kbd className="kbd kbd-sm max-sm:hidden">Space</kbd>
            </button>
            {simulated && <span className="text-[14px] text-quiet">A made-up camera over a made-up sheet.</span>}
          </div>
        </>
      )}
    </Dialog>
  );
}
