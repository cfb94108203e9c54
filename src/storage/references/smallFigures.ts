import { STUDIO } from '@/core/figure/picture/appearance';
import { type Client, startFigureWorker } from '@/workers/clients';
import type { FigureApi } from '@/workers/figure.worker';
import { keptRender } from './references';

const IDLE_MS = 20_000;
let client: Client<FigureApi> | undefined;
let idle: ReturnType<typeof setTimeout> | undefined;
let queue: Promise<unknown> = Promise.resolve();

/** The small cut-out of a figure that did not ship: from the cache, or drawn in a worker, one after another. */
export function smallFigure(referenceId: string, covered: boolean): Promise<Blob> {
  const make = (): Promise<Blob> => {
    const next = queue.then(() => {
      clearTimeout(idle);
      client ??= startFigureWorker();
      return client.api.draft(referenceId, { ...STUDIO, covered }, { longSidePx: 320, ground: false });
    });
    queue = next
      .catch(() => undefined)
      .then(() => {
        idle = setTimeout(() => {
          client?.stop();
          client = undefined;
        }, IDLE_MS);
      });
    return next;
  };
  return keptRender(`small:${referenceId}${covered ? '+covered' : ''}`, make);
}
