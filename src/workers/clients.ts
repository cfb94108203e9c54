import * as Comlink from 'comlink';
import type { Stamp } from '@/core/clock/gaps';
import type { AlikeApi } from './alike.worker';
import type { ArchiveApi } from './archive.worker';
import type { FigureApi } from './figure.worker';
import type { LandmarksApi } from './landmarks.worker';
import type { MotionApi } from './motion.worker';
import type { PictureApi } from './picture.worker';
import type { SheetApi } from './sheet.worker';
import type { ZipApi } from './zip.worker';

export interface Client<T> {
  api: Comlink.Remote<T>;
  /** Stop at once; what was under way never answers. */
  stop: () => void;
}

/** Wraps a worker. If its script can't be loaded or run, calls reject instead of waiting forever. */
function client<T>(worker: Worker): Client<T> {
  let runs = false;
  worker.addEventListener('message', () => (runs = true), { once: true });
  const failed = new Promise<never>((_, reject) => {
    worker.addEventListener('error', (event) => {
      // A worker that has answered survives an error of its own.
      if (!runs)
        reject(new Error('a worker could not be started', { cause: event.message || 'its script was not loaded' }));
    });
  });
  // With no call pending, this rejection has no handler: don't report it.
  failed.catch(() => undefined);
  const remote = Comlink.wrap<T>(worker);
  const api = new Proxy(remote, {
    get: (target, name) => {
      const call: unknown = Reflect.get(target, name);
      if (typeof call !== 'function' || typeof name !== 'string' || name === 'then') return call;
      return (...args: unknown[]) => Promise.race([Reflect.apply(call, target, args) as Promise<unknown>, failed]);
    },
  });
  return { api, stop: () => worker.terminate() };
}

export const startPictureWorker = (): Client<PictureApi> =>
  client(new Worker(new URL('./picture.worker.ts', import.meta.url), { type: 'module', name: 'pictures' }));

export const startFigureWorker = (): Client<FigureApi> =>
  client(new Worker(new URL('./figure.worker.ts', import.meta.url), { type: 'module', name: 'figures' }));

export const startMotionWorker = (): Client<MotionApi> =>
  client(new Worker(new URL('./motion.worker.ts', import.meta.url), { type: 'module', name: 'motion' }));

export const startArchiveWorker = (): Client<ArchiveApi> =>
  client(new Worker(new URL('./archive.worker.ts', import.meta.url), { type: 'module', name: 'archive' }));

/** Built apart, as a classic script in public/landmarks (scripts/landmarks.mjs): its runtime cannot live in a module. */
export const startLandmarksWorker = (): Client<LandmarksApi> =>
  client(new Worker('/landmarks/worker.js', { name: 'landmarks' }));

export const startSheetWorker = (): Client<SheetApi> =>
  client(new Worker(new URL('./sheet.worker.ts', import.meta.url), { type: 'module', name: 'sheets' }));

export const startAlikeWorker = (): Client<AlikeApi> =>
  client(new Worker(new URL('./alike.worker.ts', import.meta.url), { type: 'module', name: 'alike' }));

export const startZipWorker = (): Client<ZipApi> =>
  client(new Worker(new URL('./zip.worker.ts', import.meta.url), { type: 'module', name: 'zip' }));

/** A canvas handed over to a worker. */
export const handOver = (canvas: HTMLCanvasElement): OffscreenCanvas => {
  const drawn = canvas.transferControlToOffscreen();
  return Comlink.transfer(drawn, [drawn]);
};

/** A function handed to a worker. */
export const callback = <T extends object>(f: T): T & Comlink.ProxyMarked => Comlink.proxy(f);

/** Between two ticks of a clock that runs, and of one that stands. */
const TICK_MS = 100;
const STILL_TICK_MS = 1000;

export interface Ticks {
  /** Tick seldom while nothing runs, or as often as before. */
  setStill: (still: boolean) => void;
  stop: () => void;
}

/** Ticks of about a tenth of a second that go on in a hidden tab. */
export function startClock(onTick: (stamp: Stamp) => void): Ticks {
  const worker = new Worker(new URL('./clock.worker.ts', import.meta.url), { type: 'module', name: 'clock' });
  worker.onmessage = (event: MessageEvent<Stamp>) => onTick(event.data);
  worker.postMessage(TICK_MS);
  return {
    setStill: (still) => worker.postMessage(still ? STILL_TICK_MS : TICK_MS),
    stop: () => worker.terminate(),
  };
}
