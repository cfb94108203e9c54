import { problemSentence } from '@/core/references/imageFile';
import { NO_RIGHTS, type Rights } from '@/core/references/picture';
import { announce, announceRecords } from '@/storage/changes';
import { atomically, db, put } from '@/storage/db';
import type { Batch } from '@/storage/stores';
import { forgetFile } from './stage';

/** Batches newest first. */
export async function listBatches(): Promise<Batch[]> {
  return (await (await db()).getAll('batches')).sort((a, b) => b.startedAtMs - a.startedAtMs);
}

export async function changeBatch(id: string, update: (batch: Batch) => Partial<Batch>): Promise<void> {
  await atomically(['batches'], async (tx) => {
    const batch = await tx.objectStore('batches').get(id);
    if (batch) await put(tx, 'batches', { ...batch, ...update(batch) });
  });
  announce('batches');
}

/** Stop a batch: what was added stays, what waits is dropped. */
export async function cancelBatch(id: string): Promise<void> {
  await atomically(['batches', 'waiting'], async (tx) => {
    const batch = await tx.objectStore('batches').get(id);
    if (!batch) return;
    await put(tx, 'batches', { ...batch, state: 'canceled' });
    const range = IDBKeyRange.bound([id, 0], [id, Infinity]);
    for (const key of await tx.objectStore('waiting').index('byBatch').getAllKeys(range)) {
      forgetFile(key);
      await tx.objectStore('waiting').delete(key);
    }
  });
  announce('batches');
}

/** Sets some of the rights of every picture that a batch added or is still adding. The rest of the batch's rights stay. */
export async function setBatchRights(id: string, part: Partial<Rights>): Promise<void> {
  let changed: string[] = [];
  await atomically(['batches', 'pictures'], async (tx) => {
    const batch = await tx.objectStore('batches').get(id);
    if (!batch) return;
    const rights = { ...(batch.rights ?? NO_RIGHTS), ...part };
    await put(tx, 'batches', { ...batch, rights });
    changed = batch.pictureIds;
    for (const pictureId of changed) {
      const picture = await tx.objectStore('pictures').get(pictureId);
      if (picture) await put(tx, 'pictures', { ...picture, rights });
    }
  });
  announce('batches');
  announceRecords('pictures', changed);
}

/** What became of a batch, as a text to save. */
export function batchReport(batch: Batch): string {
  const lines = [
    `Pictures given: ${String(batch.total)}. Added: ${String(batch.added)}. Left out: ${String(batch.problems.length)}.`,
    ...(batch.state === 'canceled' ? ['The rest was canceled; what was added stays.'] : []),
    '',
    ...batch.problems.map(({ name, problem }) => problemSentence(name, problem)),
    ...(batch.notes.length > 0 ? ['', 'Taken in, and worth a word:', ...batch.notes] : []),
  ];
  return `${lines.join('\n')}\n`;
}
