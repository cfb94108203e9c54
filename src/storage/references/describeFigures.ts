import type { FigureFacts } from '@/core/figure/catalogue/reference';
import type { SetFigure } from '@/core/references/picture';
import { startFigureWorker } from '@/workers/clients';
import type { FigureApi } from '@/workers/figure.worker';

/** Figures with their poses' own data, worked out in a worker. */
export async function describeFigures(ids: readonly string[]): Promise<ReturnType<FigureApi['describe']>> {
  const client = startFigureWorker();
  try {
    return await client.api.describe(ids);
  } finally {
    client.stop();
  }
}

/**
 * Figures as a set keeps them, with the facts they are chosen by.
 * @param names What each is called; missing is the pose's own name.
 */
export async function setFigures(
  ids: readonly string[],
  names: readonly (string | undefined)[] = [],
): Promise<SetFigure[]> {
  const client = startFigureWorker();
  try {
    const facts: FigureFacts[] = await client.api.facts(ids);
    return facts.map(({ name, viewName, facing, difficulty }, i) => ({
      id: ids[i],
      name: names[i] ?? name,
      viewName,
      facing,
      difficulty,
    }));
  } finally {
    client.stop();
  }
}
