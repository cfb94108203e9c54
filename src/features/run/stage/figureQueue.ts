import type { Appearance } from '@/core/figure/picture/appearance';
import { type Client, startFigureWorker } from '@/workers/clients';
import type { FigureApi } from '@/workers/figure.worker';

const DRAFT = { longSidePx: 700, ground: true } as const;

export interface FigureQueue {
  draft: (id: string, appearance: Appearance) => Promise<Blob>;
  finish: (id: string, appearance: Appearance) => Promise<Blob>;
  stop: () => void;
}

/**
 * Drafts and finished pictures of figures, each kind in a worker of its own and one after another, so that a draft never waits for a
 * finished picture. What is no longer wanted when its turn comes is passed over: it rejects.
 */
export function figureQueue(
  isWanted: (id: string) => boolean,
  start: () => Client<FigureApi> = startFigureWorker,
): FigureQueue {
  const clients: Client<FigureApi>[] = [];
  const lane = () => {
    let client: Client<FigureApi> | undefined;
    let turn: Promise<unknown> = Promise.resolve();
    return (id: string, work: (api: Client<FigureApi>['api']) => Promise<Blob>): Promise<Blob> => {
      const result = turn.then(() => {
        if (!isWanted(id)) throw new Error('no longer wanted');
        if (!client) clients.push((client = start()));
        return work(client.api);
      });
      turn = result.catch(() => undefined);
      return result;
    };
  };
  const drafts = lane();
  const finished = lane();
  return {
    draft: (id, appearance) => drafts(id, (api) => api.draft(id, appearance, DRAFT)),
    finish: (id, appearance) => finished(id, (api) => api.render(id, appearance)),
    stop: () => clients.splice(0).forEach((client) => client.stop()),
  };
}
