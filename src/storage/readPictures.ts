import { limbDirections } from '@/core/body/limbs';
import { READ_BY, readBody } from '@/core/body/readBody';
import type { FactValues } from '@/core/references/facts';
import type { Picture } from '@/core/references/picture';
import { type Client, startLandmarksWorker } from '@/workers/clients';
import type { FoundBodies, LandmarksApi } from '@/workers/landmarks.worker';
import { announceRecords } from './changes';
import { atomically, db } from './db';
import { pictureImage } from './pictureImage';

/** One tab reads at a time. */
const LOCK = 'fox-minute-reading';

/** A picture's fields from what was found in it. What pixels told stays; what the learner said is not touched. */
export function readingOf(
  { found, sure, measures, widthPx, heightPx }: Picture,
  { body, people }: FoundBodies,
): Partial<Picture> {
  const ofPixels = (all: Record<string, unknown>): Record<string, never> =>
    Object.fromEntries(['tone', 'light', 'lightFrom'].flatMap((k) => (k in all ? [[k, all[k]]] : []))) as Record<
      string,
      never
    >;
  if (!body) return { found: ofPixels(found), sure: ofPixels(sure), readBy: READ_BY };
  const reading = readBody(body, people);
  const facts: FactValues = { ...ofPixels(found), ...reading.facts };
  return {
    found: facts,
    sure: { ...ofPixels(sure), ...(reading.sure as Record<string, number>) },
    measures: {
      mean: measures?.mean ?? 0,
      spread: measures?.spread ?? 0,
      limbs: limbDirections(body.points, widthPx / heightPx),
    },
    readBy: READ_BY,
  };
}

/** Keep what was found; points set by hand are never overwritten. */
async function keep(id: string, result: FoundBodies): Promise<void> {
  await atomically(['pictures', 'bodies'], async (tx) => {
    const picture = await tx.objectStore('pictures').get(id);
    const before = await tx.objectStore('bodies').get(id);
    if (!picture) return;
    if (before?.by === 'hand') {
      await tx.objectStore('pictures').put({ ...picture, readBy: READ_BY });
      return;
    }
    await tx.objectStore('pictures').put({ ...picture, ...readingOf(picture, result) });
    if (result.body) await tx.objectStore('bodies').put({ id, ...result.body, by: 'model' });
  });
  announceRecords('pictures', [id]);
  announceRecords('bodies', [id]);
}

export const needsReading = ({ readBy, binnedAtMs, inFolder }: Picture): boolean =>
  readBy < READ_BY && binnedAtMs === null && inFolder?.gone !== true;

/** The next few to read, the newest last, so that the store is not gone through for every one. */
async function linedUp(skip: ReadonlySet<string>): Promise<Picture[]> {
  const pictures = await (await db()).getAll('pictures');
  return pictures
    .filter((p) => needsReading(p) && !skip.has(p.id))
    .sort((a, b) => a.addedAtMs - b.addedAtMs)
    .slice(-40);
}

let client: Client<LandmarksApi> | undefined;
/** The worker is kept while the page lives: starting it costs seconds and 300 MB are given back when it stops. */
export function landmarks(): LandmarksApi {
  client ??= startLandmarksWorker();
  return client.api as unknown as LandmarksApi;
}
export function stopLandmarks(): void {
  client?.stop();
  client = undefined;
}

/** Read pictures that nobody has read yet, one after another, until all are or the signal says stop. */
export async function readPictures(signal: AbortSignal): Promise<void> {
  await navigator.locks.request(LOCK, { ifAvailable: true }, async (lock) => {
    if (!lock) return;
    const unreadable = new Set<string>();
    try {
      let line = await linedUp(unreadable);
      while (!signal.aborted && line.length > 0) {
        const picture = line.pop() as Picture;
        // A picture in a folder that is not open now waits until it is.
        const image = await pictureImage(picture);
        if (!image) unreadable.add(picture.id);
        else {
          const result = await landmarks().find(image, 'full');
          if (signal.aborted) return;
          await keep(picture.id, result);
        }
        if (line.length === 0) line = await linedUp(unreadable);
      }
    } finally {
      stopLandmarks();
    }
  });
}
