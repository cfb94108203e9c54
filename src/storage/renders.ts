import { db } from './db';

/** Rendered views kept at most; the longest unused go first. */
const MAX_RENDERS = 200;

export async function loadRender(referenceId: string, nowMs: number): Promise<Blob | undefined> {
  const tx = (await db()).transaction('renders', 'readwrite', { durability: 'relaxed' });
  const render = await tx.store.get(referenceId);
  if (render) await tx.store.put({ ...render, usedAtMs: nowMs }, referenceId);
  await tx.done;
  return render?.image;
}

export async function saveRender(referenceId: string, image: Blob, nowMs: number): Promise<void> {
  const tx = (await db()).transaction('renders', 'readwrite', { durability: 'relaxed' });
  await tx.store.put({ image, usedAtMs: nowMs }, referenceId);
  const keys = await tx.store.getAllKeys();
  if (keys.length > MAX_RENDERS) {
    const values = await tx.store.getAll();
    const byAge = keys.map((key, i) => ({ key, usedAtMs: values[i].usedAtMs })).sort((a, b) => a.usedAtMs - b.usedAtMs);
    for (const { key } of byAge.slice(0, keys.length - MAX_RENDERS)) await tx.store.delete(key);
  }
  await tx.done;
}
