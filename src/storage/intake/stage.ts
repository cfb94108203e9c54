import { MAX_FILES } from '@/core/references/imageFile';
import type { Picture, Rights } from '@/core/references/picture';
import { announce } from '../changes';
import { atomically, type Batch, db, type Waiting } from '../db';

/** A file that was given, and where in a linked folder it stays. */
export interface Given {
  file: File;
  /** Its name as shown: for a folder or a ZIP with the path inside it. */
  name: string;
  inFolder?: NonNullable<Picture['inFolder']>;
}

/** Copied at a time. */
const STRIDE = 48;
/** Copies of files that wait take up to this much room; beyond it they wait in memory and do not outlive a reload. */
const COPIED_BYTES = 2 * 1024 ** 3;
const MAX_NAME = 300;

/** Files that could not be copied, by their id, while this page lives. */
const inMemory = new Map<string, File>();
export const fileInMemory = (id: string): File | undefined => inMemory.get(id);
export const forgetFile = (id: string): boolean => inMemory.delete(id);

export const cutName = (name: string): string => [...name].slice(0, MAX_NAME).join('').slice(0, MAX_NAME) || 'Picture';

/**
 * Take files in: they wait in the database, so that a reload loses none, and are prepared from there (see process.ts). Begins as soon as the
 * first are copied.
 * @param onStaged Called once the first files wait.
 */
export async function stageFiles(
  given: readonly Given[],
  setId: string | null,
  rights: Rights | null,
  nowMs: number,
  onStaged: () => void,
): Promise<string> {
  const batch: Batch = {
    id: crypto.randomUUID(),
    setId,
    startedAtMs: nowMs,
    total: given.length,
    done: Math.max(0, given.length - MAX_FILES),
    added: 0,
    pictureIds: [],
    problems: given.slice(MAX_FILES).map(({ name }) => ({ name: cutName(name), problem: { kind: 'too many' } })),
    notes: [],
    state: 'running',
    rights,
    seen: false,
  };
  await navigator.locks.request(stagingLock(batch.id), () => stage(batch, given, onStaged));
  onStaged();
  return batch.id;
}

/** Held while files of a batch are handed in, by whichever tab does it. */
const stagingLock = (batchId: string): string => `fox-minute-staging-${batchId}`;
export async function isStaging(batchId: string): Promise<boolean> {
  const { held } = await navigator.locks.query();
  return held?.some(({ name }) => name === stagingLock(batchId)) ?? false;
}

async function stage(batch: Batch, given: readonly Given[], onStaged: () => void): Promise<void> {
  await (await db()).put('batches', batch);
  let bytes = 0;
  for (let from = 0; from < Math.min(given.length, MAX_FILES); from += STRIDE) {
    const files = given.slice(from, Math.min(from + STRIDE, MAX_FILES));
    const waiting = files.map(({ file, name, inFolder }, i): Waiting => {
      bytes += file.size;
      const id = crypto.randomUUID();
      // A file in a linked folder is read from there; it needs no copy.
      const copied = bytes <= COPIED_BYTES;
      if (!copied) inMemory.set(id, file);
      return {
        id,
        batchId: batch.id,
        position: from + i,
        name: cutName(name),
        ...(copied && { file }),
        ...(inFolder && { inFolder }),
      };
    });
    await keepWaiting(waiting);
    if (from === 0) {
      announce('batches');
      onStaged();
    }
  }
  announce('batches');
}

/** Let files wait; those that cannot be copied (no room, or gone) wait in memory, where reading them will tell why. */
async function keepWaiting(waiting: readonly Waiting[]): Promise<void> {
  const put = (list: readonly Waiting[]): Promise<void> =>
    atomically(['waiting'], async (tx) => {
      for (const entry of list) void tx.objectStore('waiting').put(entry);
    });
  try {
    await put(waiting);
  } catch {
    for (const { id, file } of waiting) if (file) inMemory.set(id, file);
    await put(waiting.map(({ file: _, ...rest }) => rest));
  }
}
