import type { Appearance } from '@/core/figure/picture/appearance';
import { type Client, startFigureWorker } from '@/workers/clients';
import type { FigureApi } from '@/workers/figure.worker';

const DRAFT = { longSidePx: 700, ground: true } as const;
/** After a finished picture, the machine is left to the one who draws for as long as it took, up to this. */
const MOST_REST_MS = 8000;
/** So often it is looked whether a picture has become due while the machine is left alone. */
const LOOK_MS = 250;

/** A picture is shown now or next; it comes later; nobody wants it any more. */
export type Wanted = 'due' | 'later' | 'no';

export interface FigureQueue {
  draft: (id: string, appearance: Appearance) => Promise<Blob>;
  finish: (id: string, appearance: Appearance) => Promise<Blob>;
  stop: () => void;
}

const sleep = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));

/**
 * Drafts and finished pictures of figures, each kind in a worker of its own and one after another, so that a draft never waits for a
 * finished picture. What is no longer wanted when its turn comes is passed over: it rejects. Between finished pictures that are not
 * due the machine is left alone for a while.
 */
export function figureQueue(
  wanted: (id: string) => Wanted,
  start: () => Client<FigureApi> = startFigureWorker,
): FigureQueue {
  const clients: Client<FigureApi>[] = [];
  const lane = (patient: boolean) => {
    let client: Client<FigureApi> | undefined;
    let turn: Promise<unknown> = Promise.resolve();
    let restUntilMs = 0;
    return (id: string, work: (api: Client<FigureApi>['api']) => Promise<Blob>): Promise<Blob> => {
      const result = turn.then(async () => {
        while (patient && wanted(id) === 'later' && performance.now() < restUntilMs) await sleep(LOOK_MS);
        if (wanted(id) === 'no') throw new Error('no longer wanted');
        if (!client) clients.push((client = start()));
        const fromMs = performance.now();
        const picture = await work(client.api);
        const nowMs = performance.now();
        restUntilMs = nowMs + Math.min(MOST_REST_MS, nowMs - fromMs);
        return picture;
      });
      turn = result.catch(() => undefined);
      return result;
    };
  };
  const drafts = lane(false);
  const finished = lane(true);
  return {
    draft: (id, appearance) => drafts(id, (api) => api.draft(id, appearance, DRAFT)),
    finish: (id, appearance) => finished(id, (api) => api.render(id, appearance)),
    stop: () => clients.splice(0).forEach((client) => client.stop()),
  };
}
