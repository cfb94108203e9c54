import { atomically, changeRecord, db, put } from '@/storage/db';

/** Rendered views are kept up to this size in all; the longest unused go first. */
const MAX_BYTES = 80_000_000;

/** Of the figures as this build makes them; empty where nothing was built. */
const EDITION = process.env['FIGURES_EDITION'] ?? '';

let forgetting: Promise<void> | undefined;
/** Forget pictures of figures as an older build made them: the answer key of today would not lie on them. Looked at once a page. */
export function forgetOlderRenders(edition = EDITION): Promise<void> {
  forgetting ??= atomically(['renders', 'settings'], async (tx) => {
    if ((await tx.objectStore('settings').get('figures')) === edition) return;
    await tx.objectStore('renders').clear();
    await put(tx, 'settings', edition, 'figures');
  }).catch(() => {
    forgetting = undefined;
  });
  return forgetting;
}

export async function loadRender(key: string, nowMs: number): Promise<Blob | undefined> {
  await forgetOlderRenders();
  const render = await (await db()).get('renders', key);
  // When it was used is written afterwards: nobody waits for that, and losing it costs little.
  if (render)
    void changeRecord('renders', key, (before) => before && { ...before, usedAtMs: nowMs }, { named: true }).catch(
      () => undefined,
    );
  return render?.image;
}

/** Which of the renders, given with their size and last use, must go so that the rest fits. */
export function toEvict(
  renders: readonly { key: string; bytes: number; usedAtMs: number }[],
  maxBytes: number,
): string[] {
  let bytes = renders.reduce((sum, r) => sum + r.bytes, 0);
  const out: string[] = [];
  for (const { key, bytes: size } of [...renders].sort((a, b) => a.usedAtMs - b.usedAtMs)) {
    if (bytes <= maxBytes) break;
    out.push(key);
    bytes -= size;
  }
  return out;
}

export async function saveRender(key: string, image: Blob, nowMs: number): Promise<void> {
  await forgetOlderRenders();
  await atomically(
    ['renders'],
    async (tx) => {
      await put(tx, 'renders', { image, usedAtMs: nowMs }, key);
      const store = tx.objectStore('renders');
      const [keys, values] = await Promise.all([store.getAllKeys(), store.getAll()]);
      const known = keys.map((k, i) => ({ key: k, bytes: values[i].image.size, usedAtMs: values[i].usedAtMs }));
      for (const old of toEvict(known, MAX_BYTES)) await store.delete(old);
    },
    { durability: 'relaxed' },
  );
}
