import { allIn, type Body, MOST_OTHERS, peopleIn } from '@/core/body/body';
import { isOneBody } from '@/core/body/oneBody';
import { needsReading, readingOf } from '@/core/body/pictureReading';
import { READ_BY } from '@/core/body/readBody';
import type { GrayPicture } from '@/core/body/readLight';
import type { Picture } from '@/core/references/picture';
import { grayOf } from '@/core/references/tone';
import { type Client, startLandmarksWorker } from '@/workers/clients';
import type { Box, FoundBodies, LandmarkModel, LandmarksApi } from '@/workers/landmarks.worker';
import { announceRecords } from '@/storage/changes';
import { atomically, db, put } from '@/storage/db';
import { loadBody } from './bodies';
import { remember } from './history';
import { imageKey, loadImage } from '@/storage/images';
import { pictureImage } from './pictureImage';

/** One tab reads at a time; another waits until it may go on. */
const LOCK = 'fox-minute-reading';

/** Lightness of a picture's thumbnail. */
async function grayThumbnail(pictureId: string): Promise<GrayPicture | undefined> {
  const blob = await loadImage(imageKey('thumbnail', pictureId));
  if (!blob) return undefined;
  const bitmap = await createImageBitmap(blob);
  const { width, height } = bitmap;
  const context = new OffscreenCanvas(width, height).getContext('2d', { willReadFrequently: true });
  if (!context) return undefined;
  context.drawImage(bitmap, 0, 0);
  bitmap.close();
  return { width, height, data: grayOf(context.getImageData(0, 0, width, height).data) };
}

/** Keep what was found; points set by hand are never overwritten. */
async function keepReading(id: string, result: FoundBodies): Promise<void> {
  const gray = await grayThumbnail(id).catch(() => undefined);
  await atomically(['pictures', 'bodies'], async (tx) => {
    const picture = await tx.objectStore('pictures').get(id);
    const before = await tx.objectStore('bodies').get(id);
    if (!picture) return;
    if (before?.by === 'hand') {
      await put(tx, 'pictures', { ...picture, readBy: READ_BY });
      return;
    }
    const { body, others } = result;
    await put(tx, 'pictures', { ...picture, ...readingOf(picture, { body, people: 1 + others.length }, gray) });
    if (body) await put(tx, 'bodies', { id, ...body, by: 'model', others });
  });
  announceRecords('pictures', [id]);
  announceRecords('bodies', [id]);
}

/** The next few to read, the newest last, so that the store is not gone through for every one. */
async function linedUp(skip: ReadonlySet<string>): Promise<Picture[]> {
  const pictures = await (await db()).getAll('pictures');
  return pictures
    .filter((p) => needsReading(p) && !skip.has(p.id))
    .sort((a, b) => a.addedAtMs - b.addedAtMs)
    .slice(-40);
}

/** The worker takes seconds to start and holds 300 MB: it stays a while after its last use. */
const IDLE_MS = 20_000;
let client: Client<LandmarksApi> | undefined;
let users = 0;
let idle: ReturnType<typeof setTimeout> | undefined;

async function findBodies(image: Blob, model: LandmarkModel, box?: Box): Promise<FoundBodies> {
  clearTimeout(idle);
  users++;
  client ??= startLandmarksWorker();
  try {
    return await client.api.find(image, model, box);
  } finally {
    users--;
    if (users === 0)
      idle = setTimeout(() => {
        client?.stop();
        client = undefined;
      }, IDLE_MS);
  }
}

/** Read pictures that nobody has read yet, one after another, until all are or the signal says stop. */
export async function readPictures(signal: AbortSignal): Promise<void> {
  await navigator.locks.request(LOCK, { signal }, async () => {
    const unreadable = new Set<string>();
    let line = await linedUp(unreadable);
    while (!signal.aborted && line.length > 0) {
      const picture = line.pop() as Picture;
      // A picture in a folder that is not open now waits until it is.
      const image = await pictureImage(picture);
      if (!image) unreadable.add(picture.id);
      else await keepReading(picture.id, await findBodies(image, 'full'));
      if (line.length === 0) line = await linedUp(unreadable);
    }
  });
}

/** Read one picture ahead of the others, since it is looked at. */
export async function readNow(picture: Picture): Promise<void> {
  const image = await pictureImage(picture);
  if (image) await keepReading(picture.id, await findBodies(image, 'full'));
}

/** Bodies known of a picture, without the one with these points. */
async function besides({ id, widthPx, heightPx }: Picture, points: Body['points']): Promise<FoundBodies['others']> {
  const body = await loadBody(id);
  return body
    ? allIn(body)
        .filter((one) => !isOneBody(one.points, points, widthPx / heightPx))
        .slice(0, MOST_OTHERS)
    : [];
}

/** Look at one picture again, on the learner's word: with the larger model, or where they framed it. @returns Whether a body was found. */
export async function findAgain(picture: Picture, model: LandmarkModel, box?: Box): Promise<boolean> {
  const image = await pictureImage(picture);
  if (!image) return false;
  const found = await findBodies(image, model, box);
  if (!found.body) return false;
  // Who was found before is still there when one is framed.
  const result = box ? { ...found, others: await besides(picture, found.body.points) } : found;
  const { body: points, others } = result;
  if (!points) return false;
  // What was set by hand gives way, because this was asked for; undo brings it back.
  await keepBody({ id: picture.id, ...points, by: 'model', others }, 'Body found again');
  return true;
}

/** Keep a body set by hand or chosen among several, and read the picture's facts from it; to be undone as one step. */
export async function keepBody(body: Body, words = 'Points of the body moved'): Promise<void> {
  const gray = await grayThumbnail(body.id).catch(() => undefined);
  const before = await exchangeBody(body.id, body, (picture) =>
    readingOf(picture, { body, people: peopleIn(body) }, gray),
  );
  if (!before) return;
  remember({
    words,
    undo: async () => {
      await exchangeBody(body.id, before.body, () => before.fields);
    },
    redo: async () => {
      await exchangeBody(body.id, body, () => before.after);
    },
  });
}

interface BodyBefore {
  body: Body | undefined;
  /** The fields that were read from it, before and after. */
  fields: Partial<Picture>;
  after: Partial<Picture>;
}

/** Put another body, or none, in place of a picture's, with what is read from it. @returns What was there. */
async function exchangeBody(
  id: string,
  body: Body | undefined,
  update: (picture: Picture) => Partial<Picture>,
): Promise<BodyBefore | undefined> {
  const before = await atomically(['pictures', 'bodies'], async (tx): Promise<BodyBefore | undefined> => {
    const picture = await tx.objectStore('pictures').get(id);
    if (!picture) return undefined;
    const was = await tx.objectStore('bodies').get(id);
    const after = update(picture);
    await put(tx, 'pictures', { ...picture, ...after });
    if (body) await put(tx, 'bodies', body);
    else await tx.objectStore('bodies').delete(id);
    const { found, sure, measures, readBy } = picture;
    return { body: was, fields: { found, sure, measures, readBy }, after };
  });
  announceRecords('pictures', [id]);
  announceRecords('bodies', [id]);
  return before;
}
