import { freshKeptDrawing, type KeptDrawing, keptDrawingId, saysNothing } from '@/core/journal/keptDrawing';
import { announce } from '@/storage/changes';
import { atomically, db, put, type WriteTransaction } from '@/storage/db';

/** What was said of drawings of a session. */
export async function keptDrawingsOf(sessionId: string): Promise<KeptDrawing[]> {
  return (await db()).getAllFromIndex('drawings', 'bySession', sessionId);
}

/** What was said of any drawing. */
export async function allKeptDrawings(): Promise<KeptDrawing[]> {
  return (await db()).getAll('drawings');
}

/** What is said of a drawing by now. */
const keptIn = async (tx: WriteTransaction, sessionId: string, drawing: string): Promise<KeptDrawing> =>
  (await tx.objectStore('drawings').get(keptDrawingId(sessionId, drawing))) ?? freshKeptDrawing(sessionId, drawing);

/** Write what is said of a drawing; nothing where nothing is said any more. */
async function keepOrForget(tx: WriteTransaction, kept: KeptDrawing): Promise<void> {
  if (saysNothing(kept)) await tx.objectStore('drawings').delete(kept.id);
  else await put(tx, 'drawings', kept);
}

/** Say something else of a drawing; where nothing is said any more nothing is kept, and where the same is said nobody is told. */
export async function changeKeptDrawing(
  sessionId: string,
  drawing: string,
  change: (before: KeptDrawing) => KeptDrawing,
): Promise<void> {
  const changed = await atomically(['drawings'], async (tx) => {
    const before = await keptIn(tx, sessionId, drawing);
    const after = change(before);
    if (after === before) return false;
    await keepOrForget(tx, after);
    return true;
  });
  if (changed) announce('drawings');
}

/** Say of drawings of a session at once that they were thrown away, or were not. @returns Those of which it was not said before. */
export async function throwAway(sessionId: string, drawings: readonly string[], thrown = true): Promise<string[]> {
  const changed = await atomically(['drawings'], async (tx) => {
    const out: string[] = [];
    for (const drawing of drawings) {
      const before = await keptIn(tx, sessionId, drawing);
      if ((before.thrownAway === true) === thrown) continue;
      await keepOrForget(tx, { ...before, thrownAway: thrown || undefined });
      out.push(drawing);
    }
    return out;
  });
  announce('drawings');
  return changed;
}
