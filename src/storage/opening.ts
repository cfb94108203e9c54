import { tidyOutFiles } from '@/workers/outFile';
import { emptyOldBin } from './bin';
import { onBlocked } from './db';
import { seedOnFirstVisit } from './seed';

/**
 * On opening the program: the demo learner on the very first visit, and the bin emptied of what is due. Each place tells of storage
 * problems where it needs storage; here there is nothing to tell yet.
 * @param tellBlocked Called where another tab holds an older version.
 */
export async function openRecords(nowMs: number, tellBlocked: () => void): Promise<void> {
  onBlocked(tellBlocked);
  await seedOnFirstVisit(nowMs)
    .then(() => emptyOldBin(nowMs))
    .then(() => tidyOutFiles(nowMs))
    .catch(() => undefined);
}
