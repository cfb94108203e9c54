import { MAX_FILES } from '@/core/references/imageFile';
import type { Picture, Rights } from '@/core/references/picture';
import { announce } from '@/storage/changes';
import { atomically, db, put } from '@/storage/db';
import type { Batch } from '@/storage/stores';

/** A file that was given, and where in a linked folder it stays. */
export interface Given {
  file: File;
  /** Its name as shown: for a folder or a ZIP with the path inside it. */
  name: string;
  inFolder?: NonNullable<Picture['inFolder']>;
}

/** Written at a time. */
const STRIDE = 64;
/** Files that wait longer than this are copied, so that a reload loses none; what is done sooner is spared the copying. */
const GRACE_MS = 4000;
/** Copies take up to this much room; beyond it files wait in memory and do not outlive a reload. */
const COPIED_BYTES = 2 * 1024 ** 3;
const MAX_NAME = 300;

/** Files given in this tab that are not prepared yet, by their id. */
const inMemory = new Map<string, File>();
export const fileInMemory = (id: string): File | undefined => inMemory.get(id);
export const forgetFile = (id: string): boolean => inMemory.delete(id);

const cutName = (name: string): string => name.slice(0, MAX_NAME).toWellFormed() || 'Picture';

/**
 * Take files in: they wait in the database and are prepared from there (see process.ts), which begins as soon as the first wait.
 * @param onStaged Called once the first files wait, and when all are copied or prepared.
 */
export async function stageFiles(
  given: readonly Given[],
  setId: string | null,
  rights: Rights | null,
  nowMs: number,
  onStaged: () => void,
  graceMs = GRACE_MS,
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
  await navigator.locks.request(stagingLock(batch.id), () => stage(batch, given, onStaged, graceMs));
  onStaged();
  return batch.id;
}

/** Held while files of a batch are handed in, by whichever tab does it. */
const stagingLock = (batchId: string): string => `fox-minute-staging-${batchId}`;
export async function isStaging(batchId: string): Promise<boolean> {
  const { held } = await navigator.locks.query();
  return held?.some(({ name }) => name === stagingLock(batchId)) ?? false;
}

async function stage(batch: Batch, given: readonly Given[], onStaged: () => void, graceMs: number): Promise<void> {
  await atomically(['batches'], (tx) => put(tx, 'batches', batch));
  for (let from = 0; from < Math.min(given.length, MAX_FILES); from += STRIDE) {
    const files = given.slice(from, Math.min(from + STRIDE, MAX_FILES));
    await atomically(['waiting'], async (tx) => {
      for (const [i, { file, name, inFolder }] of files.entries()) {
        const id = crypto.randomUUID();
        inMemory.set(id, file);
        await put(tx, 'waiting', {
          id,
          batchId: batch.id,
          position: from + i,
          name: cutName(name),
          ...(inFolder && { inFolder }),
        });
      }
    });
    if (from === 0) {
      announce('batches');
      onStaged();
    }
  }
  await new Promise((resolve) => setTimeout(resolve, graceMs));
  await copyWaiting(batch.id);
}

/** Copy the files of a batch that still wait. One that cannot be copied (no room, or gone) stays in memory, where reading it tells why. */
async function copyWaiting(batchId: string): Promise<void> {
  const range = IDBKeyRange.bound([batchId, 0], [batchId, Infinity]);
  const ids = await (await db()).getAllKeysFromIndex('waiting', 'byBatch', range);
  let bytes = 0;
  for (const id of ids) {
    const file = inMemory.get(id);
    if (!file) continue;
    bytes += file.size;
    if (bytes > COPIED_BYTES) return;
    await atomically(['waiting'], async (tx) => {
      const entry = await tx.objectStore('waiting').get(id);
      if (entry) await put(tx, 'waiting', { ...entry, file });
    }).catch(() => undefined);
  }
}
