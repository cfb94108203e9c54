import { BIN_DAYS } from '@/core/bin';
import { sheetOfPage } from '@/core/strokes/sheetsDrawn';
import { announce } from './changes';
import { db } from './db';
import { imageKey } from './images';

/** Delete for good what has been in the bin for longer than BIN_DAYS: sets (their pictures stay in the library), pictures, pages, plans. */
export async function emptyOldBin(nowMs: number): Promise<number> {
  const before = nowMs - BIN_DAYS * 86_400_000;
  const old = ({ binnedAtMs }: { binnedAtMs: number | null }): boolean => binnedAtMs !== null && binnedAtMs < before;
  const tx = (await db()).transaction(
    ['sets', 'pictures', 'pages', 'bodies', 'images', 'plans', 'strokes'],
    'readwrite',
  );
  const sets = new Set((await tx.objectStore('sets').getAll()).filter(old).map((s) => s.id));
  const pictures = (await tx.objectStore('pictures').getAll()).filter(old);
  const pages = (await tx.objectStore('pages').getAll()).filter(old);
  const plans = (await tx.objectStore('plans').getAll()).filter(old);
  for (const { id } of plans) await tx.objectStore('plans').delete(id);
  for (const id of sets) await tx.objectStore('sets').delete(id);
  for (const { id } of pictures) await tx.objectStore('bodies').delete(id);
  for (const [store, kind, records] of [
    ['pictures', 'picture', pictures],
    ['pages', 'page', pages],
  ] as const)
    for (const { id } of records) {
      await tx.objectStore(store).delete(id);
      await tx.objectStore('images').delete(imageKey(kind, id));
      await tx.objectStore('images').delete(imageKey('thumbnail', id));
    }
  // A sheet on the screen goes with its strokes: else it would be made a page again.
  for (const { id, sessionId } of pages) {
    const sheet = sheetOfPage(id);
    if (sheet === undefined) continue;
    const strokes = await tx.objectStore('strokes').index('bySession').getAll(sessionId);
    for (const stroke of strokes) if (stroke.sheet === sheet) await tx.objectStore('strokes').delete(stroke.id);
  }
  await tx.done;
  const count = sets.size + plans.length + pictures.length + pages.length;
  if (count > 0) announce('sets', 'pictures', 'pages', 'plans');
  return count;
}
