import type { Sheet } from '@/core/desk/sheet';
import { imageKey, loadImage } from '@/storage/images';
import { loadRender, saveRender } from '@/storage/references/renders';
import { startSheetWorker } from '@/workers/clients';

type Shape = Pick<Sheet, 'corners' | 'quarters' | 'aspect'>;
const PREFIX = 'sheet/';

/** The name of a page's straightened sheet among the renders: another where its corners are others. */
export const flatSheetKey = (pageId: string, { corners, quarters, aspect }: Shape): string =>
  `${PREFIX}${pageId}/${JSON.stringify({ corners, quarters, aspect })}`;

/** What is still to be straightened, oldest first. */
const waiting: (() => Promise<void>)[] = [];
let working = false;

/** One sheet after another, what was asked for last first: a drawing that is opened large never waits for a wall of small ones. */
async function work(): Promise<void> {
  if (working) return;
  working = true;
  for (let job = waiting.pop(); job; job = waiting.pop()) await job();
  working = false;
}

/**
 * A small picture of a straightened sheet: as it was kept, else made now and kept.
 * @param key See `flatSheetKey`.
 * @param gone Once aborted, nothing more is made for it.
 * @returns undefined where the photograph is not there.
 */
export async function loadFlatSheet(key: string, gone: AbortSignal): Promise<Blob | undefined> {
  const kept = await loadRender(key, Date.now());
  if (kept) return kept;
  return new Promise((resolve, reject) => {
    waiting.push(() => (gone.aborted ? Promise.resolve(undefined) : makeFlatSheet(key)).then(resolve, reject));
    void work();
  });
}

async function makeFlatSheet(key: string): Promise<Blob | undefined> {
  // Of two that ask for the same, the second finds what the first made.
  const kept = await loadRender(key, Date.now());
  if (kept) return kept;
  const slash = key.indexOf('/', PREFIX.length);
  const photo = await loadImage(imageKey('page', key.slice(PREFIX.length, slash)));
  if (!photo) return undefined;
  const worker = startSheetWorker();
  try {
    const { small } = await worker.api.flatten(photo, JSON.parse(key.slice(slash + 1)) as Shape);
    await keepFlatSheet(key, small);
    return small;
  } finally {
    worker.stop();
  }
}

/** Keep a small picture of a sheet that was straightened anyway. It can always be made again: losing it costs a second. */
export const keepFlatSheet = (key: string, small: Blob): Promise<void> =>
  saveRender(key, small, Date.now()).catch(() => undefined);
