/**
 * Runs in a page of the app: puts a session of a plan where Start puts it, so that /run begins it.
 * @param {object} plan
 * @returns {Promise<{ id: string, startedAtMs: number }>}
 */
export async function keepPlan(plan) {
  const open = indexedDB.open('fox-minute');
  await new Promise((resolve) => (open.onsuccess = resolve));
  const tx = open.result.transaction('sessions', 'readwrite');
  const id = crypto.randomUUID();
  const startedAtMs = Date.now();
  const log = [{ type: 'start', atMs: 0 }];
  tx.objectStore('sessions').put({ id, plan, log, startedAtMs, lastSeenMs: 0, status: 'running', note: '' });
  await new Promise((resolve) => (tx.oncomplete = resolve));
  open.result.close();
  sessionStorage.setItem('fox-minute-started', id);
  return { id, startedAtMs };
}

/** A plan of some blocks, for measuring and trying. */
export const planOf = (...blocks) => ({
  version: 2,
  title: 'Tried',
  why: 'To be tried.',
  seed: 1,
  availableMs: 3600_000,
  blocks,
});
