import { noteSentence } from '@/core/references/imageFile';
import type { ImageProblem } from '@/core/references/imageProblem';
import { FIGURES_FROM_FILES } from '@/core/interchange/figurePicture';
import { MOST_FIGURES, newPicture, type Picture, type PictureSet, type SetFigure } from '@/core/references/picture';
import { type Preparer, startPreparer } from '@/workers/prepareFile';
import type { Preparation, PreparedPicture } from '@/workers/picture.worker';
import { announce, announceRecords } from '@/storage/changes';
import { atomically, db, put, type WriteTransaction } from '@/storage/db';
import type { Batch, SmallImage, Waiting } from '@/storage/stores';
import { smallImage } from '@/storage/images';
import { putPicture } from '@/storage/pictures/pictures';
import { isQuotaError } from '@/storage/problems';
import { fileInMemory, forgetFile, isStaging } from './stage';

/** Written in one transaction: few enough that a crash repeats little work, enough that the disk is not asked for every picture. */
const WRITTEN_TOGETHER = 24;
/** Read from the waiting line at a time. */
const STRIDE = 48;
/** Notes and picture ids kept of one batch. */
const MAX_NOTES = 500;
/** Views are told of progress this often: telling costs what it takes to draw them. */
const TELL_EVERY_MS = 500;
/** One tab prepares at a time; what others are given waits in the same line. */
const LOCK = 'fox-minute-intake';

interface Outcome {
  waiting: Waiting;
  file: File | undefined;
  preparation: Preparation;
  /** Its thumbnail as it is kept. */
  small?: SmallImage;
  /** The figure it was saved from, as a set keeps it. */
  figure?: SetFigure;
}

/** A picture's record from what was read off its file. */
function pictureFrom(
  { name, inFolder, position }: Waiting,
  file: File,
  prepared: PreparedPicture,
  batch: Batch,
  nowMs: number,
): Picture {
  const { type, widthPx, heightPx, hash, likeness, tone, takenAtMs, image } = prepared;
  return newPicture({
    id: crypto.randomUUID(),
    setIds: batch.setId === null ? [] : [batch.setId],
    name,
    type,
    widthPx,
    heightPx,
    hash,
    likeness,
    bytes: (image ?? file).size,
    addedAtMs: nowMs + position,
    takenAtMs,
    binnedAtMs: null,
    ...(batch.rights && { rights: batch.rights }),
    found: { tone: tone.tone },
    sure: { tone: 0.9 },
    measures: { mean: tone.mean, spread: tone.spread },
    ...(inFolder && { inFolder }),
  });
}

interface Written {
  changed: string[];
  added: string[];
  problems: Batch['problems'];
  notes: string[];
}

/** A figure into a set, or into the one for figures from files; once. @returns Whether there was room. */
async function putFigure(
  tx: WriteTransaction,
  figure: SetFigure,
  setId: string | null,
  nowMs: number,
): Promise<boolean> {
  const id = setId ?? FIGURES_FROM_FILES.id;
  const set: PictureSet = (await tx.objectStore('sets').get(id)) ?? {
    ...FIGURES_FROM_FILES,
    createdAtMs: nowMs,
    binnedAtMs: null,
  };
  const figures = set.figures ?? [];
  if (figures.some((one) => one.id === figure.id)) return true;
  if (figures.length >= MOST_FIGURES) return false;
  await put(tx, 'sets', { ...set, binnedAtMs: null, figures: [...figures, figure] });
  return true;
}

/** One file into the library as part of a transaction: added, found to be there, or left out. */
async function writeOne(
  tx: WriteTransaction,
  outcome: Outcome,
  batch: Batch,
  nowMs: number,
  to: Written,
): Promise<void> {
  const { waiting, file, preparation } = outcome;
  const leaveOut = (problem: ImageProblem): unknown => to.problems.push({ name: waiting.name, problem });
  await tx.objectStore('waiting').delete(waiting.id);
  if (!file) leaveOut({ kind: 'not copied' });
  else if (!preparation.ok) leaveOut(preparation.problem);
  else {
    const { picture: prepared } = preparation;
    if (outcome.figure && (await putFigure(tx, outcome.figure, batch.setId, nowMs))) {
      to.notes.push(`“${waiting.name}” holds a figure: it is in the set as that figure, to be turned and moved.`);
      return;
    }
    const same = await tx.objectStore('pictures').index('byHash').get(prepared.hash);
    if (same) {
      // The file is here: it comes out of the bin and into this set, and that is said.
      const setIds = batch.setId === null ? same.setIds : [...new Set([...same.setIds, batch.setId])];
      const inFolder = waiting.inFolder ?? same.inFolder;
      await put(tx, 'pictures', { ...same, setIds, binnedAtMs: null, ...(inFolder && { inFolder }) });
      to.changed.push(same.id);
      if (!waiting.inFolder || same.inFolder?.path !== waiting.inFolder.path)
        leaveOut({ kind: 'already there', as: same.name });
      return;
    }
    const picture = pictureFrom(waiting, file, prepared, batch, nowMs);
    const image = waiting.inFolder ? undefined : (prepared.image ?? file);
    await putPicture(tx, picture, image, outcome.small as SmallImage);
    to.added.push(picture.id);
    if (prepared.notes.length > 0) to.notes.push(noteSentence(waiting.name, prepared.notes));
  }
}

/** Write what was prepared, with the batch's count, all or nothing. */
async function writeTogether(outcomes: readonly Outcome[], batchId: string, nowMs: number): Promise<void> {
  const written: Written = { changed: [], added: [], problems: [], notes: [] };
  const wrote = await atomically(['waiting', 'pictures', 'images', 'batches', 'sets'], async (tx) => {
    const batch = await tx.objectStore('batches').get(batchId);
    // Paused or canceled meanwhile: what was prepared waits on, or is dropped.
    if (batch?.state !== 'running') return false;
    for (const outcome of outcomes) await writeOne(tx, outcome, batch, nowMs, written);
    await put(tx, 'batches', {
      ...batch,
      done: batch.done + outcomes.length,
      added: batch.added + written.added.length,
      pictureIds: [...batch.pictureIds, ...written.added],
      problems: [...batch.problems, ...written.problems],
      notes: [...batch.notes, ...written.notes].slice(0, MAX_NOTES),
    });
    return true;
  });
  if (!wrote) return;
  for (const { waiting } of outcomes) forgetFile(waiting.id);
  if (outcomes.some(({ figure }) => figure)) announce('sets');
  tell([...written.added, ...written.changed]);
}

let untold: string[] = [];
let toldAtMs = 0;
/** Tell views what changed, now and then; with `now` whatever they have not been told. */
function tell(ids: readonly string[], now = false): void {
  untold.push(...ids);
  if (!now && Date.now() - toldAtMs < TELL_EVERY_MS) return;
  if (untold.length > 0) announceRecords('pictures', untold);
  announce('batches');
  untold = [];
  toldAtMs = Date.now();
}

/** Write what was prepared; when there is no room for all together, one by one, and what does not fit is left out by name. */
async function write(outcomes: readonly Outcome[], batchId: string, nowMs: number): Promise<void> {
  try {
    await writeTogether(outcomes, batchId, nowMs);
  } catch (error) {
    if (!isQuotaError(error)) throw error;
    for (const outcome of outcomes)
      await writeTogether([outcome], batchId, nowMs).catch((again: unknown) => {
        if (!isQuotaError(again)) throw again;
        return writeTogether(
          [{ ...outcome, preparation: { ok: false, problem: { kind: 'no room' } } }],
          batchId,
          nowMs,
        );
      });
  }
}

/** The oldest batch that is neither paused nor done. */
export async function nextBatch(): Promise<Batch | undefined> {
  const batches = await (await db()).getAll('batches');
  return batches.filter((b) => b.state === 'running').sort((a, b) => a.startedAtMs - b.startedAtMs)[0];
}

async function waitingOf(batchId: string): Promise<Waiting[]> {
  const range = IDBKeyRange.bound([batchId, 0], [batchId, Infinity]);
  return (await db()).getAllFromIndex('waiting', 'byBatch', range, STRIDE);
}

/** The figure a picture holds as a set keeps it; undefined for one that is not known here. */
async function figureOf(held: PreparedPicture['figure']): Promise<SetFigure | undefined> {
  if (!held) return undefined;
  const { setFigures } = await import('@/storage/references/describeFigures');
  return (await setFigures([held.reference], [held.name?.slice(0, 120)]).catch(() => [])).at(0);
}

/** Prepare a stretch of the line. @returns Whether anything waited, and whether it can be read in this tab. */
async function processStretch(
  batch: Batch,
  preparer: Preparer,
  signal: AbortSignal,
): Promise<'none' | 'elsewhere' | 'some'> {
  const line = await waitingOf(batch.id);
  const staging = await isStaging(batch.id);
  // A batch is there before its files are: nothing waits yet, and it is not done.
  if (line.length === 0) return staging && batch.done < batch.total ? 'elsewhere' : 'none';
  let outcomes: Outcome[] = [];
  const readable: { waiting: Waiting; file: File; name: string }[] = [];
  for (const waiting of line) {
    const file = waiting.file ?? fileInMemory(waiting.id);
    if (file) readable.push({ waiting, file, name: waiting.name });
    else if (!staging) outcomes.push({ waiting, file, preparation: { ok: false, problem: { kind: 'not copied' } } });
  }
  if (readable.length + outcomes.length === 0) return 'elsewhere';
  let writing: Promise<void> = Promise.resolve();
  const flush = (): Promise<void> => {
    const together = outcomes;
    outcomes = [];
    writing = writing.then(() => (together.length > 0 ? write(together, batch.id, Date.now()) : undefined));
    return writing;
  };
  await preparer.all(readable, signal, async ({ waiting, file }, preparation) => {
    const small = preparation.ok ? await smallImage(preparation.picture.thumbnail) : undefined;
    const figure = preparation.ok ? await figureOf(preparation.picture.figure) : undefined;
    outcomes.push({ waiting, file, preparation, ...(small && { small }), ...(figure && { figure }) });
    if (outcomes.length < WRITTEN_TOGETHER) return;
    // The next pictures are prepared while these are written; a failure shows at the flush after.
    const before = writing;
    flush().catch(() => undefined);
    await before;
    if ((await (await db()).get('batches', batch.id))?.state !== 'running')
      throw new DOMException('paused or canceled', 'AbortError');
  });
  await flush();
  return 'some';
}

/** A batch is done when nothing of it waits. Files that were never handed over, since their page was closed, are told. */
async function finish(batchId: string): Promise<void> {
  await atomically(['batches'], async (tx) => {
    const batch = await tx.objectStore('batches').get(batchId);
    if (batch?.state !== 'running') return;
    const lost = batch.total - batch.done;
    const problems = lost > 0 ? [{ name: `${String(lost)} more`, problem: { kind: 'not copied' as const } }] : [];
    await put(tx, 'batches', {
      ...batch,
      done: batch.total,
      problems: [...batch.problems, ...problems],
      state: 'done',
    });
  });
  tell([], true);
}

/** Work through what waits, as long as anything does. Does nothing while another tab is at it. */
export async function processWaiting(signal: AbortSignal): Promise<void> {
  await navigator.locks.request(LOCK, { ifAvailable: true }, async (lock) => {
    if (!lock) return;
    const preparer = startPreparer();
    try {
      while (!signal.aborted) {
        const batch = await nextBatch();
        if (!batch) return;
        try {
          const did = await processStretch(batch, preparer, signal);
          if (did === 'some') continue;
          // The tab that was given the files has them; it goes on.
          if (did === 'elsewhere') return;
        } catch (error) {
          if (error instanceof DOMException && error.name === 'AbortError') continue;
          throw error;
        }
        await finish(batch.id);
      }
    } finally {
      tell([], true);
      preparer.stop();
    }
  });
}
