import type { InkStroke } from '@/core/strokes/inkStroke';
import { isLying, sheetSizeMm, strokesOnSheet } from '@/core/strokes/sheetOf';
import { inkOfStrokes, sheetOfPage } from '@/core/strokes/sheetsDrawn';
import { loadSession } from './sessions';
import { atomically, db, put } from '@/storage/db';

/** Strokes on the screen of a session, in the order they were made, those that were taken back among them. */
export async function strokesOf(sessionId: string): Promise<InkStroke[]> {
  // Ids sort by turn.
  return (await db()).getAllFromIndex('strokes', 'bySession', sessionId);
}

/** How many strokes of a session there are. */
export const countStrokes = async (sessionId: string): Promise<number> =>
  (await db()).countFromIndex('strokes', 'bySession', sessionId);

/** Keep one stroke, at once and for good: what is on the sheet outlives a crash. Nobody is told while it is drawn. */
export const keepStroke = (stroke: InkStroke): Promise<void> =>
  atomically(['strokes'], (tx) => put(tx, 'strokes', stroke), { durability: 'strict' });

/**
 * What is ink on a page that was a sheet on the screen, by its strokes.
 * @param width Of the mask, pixels, as `height`.
 * @returns undefined for a photograph, or where the strokes are gone.
 */
export async function inkOfPage(pageId: string, width: number, height: number): Promise<Uint8Array | undefined> {
  const sheet = sheetOfPage(pageId);
  if (sheet === undefined) return undefined;
  const sessionId = pageId.slice(0, pageId.lastIndexOf('-sheet-'));
  const [session, strokes] = await Promise.all([loadSession(sessionId), strokesOf(sessionId)]);
  const seen = strokesOnSheet(strokes, sheet);
  return session && seen.length > 0
    ? inkOfStrokes(seen, sheetSizeMm(session.plan, isLying(seen)), width, height)
    : undefined;
}

/** Sessions that have strokes, each with the keys of the drawings they are of. */
export async function sessionsWithStrokes(): Promise<Map<string, Set<string>>> {
  const found = new Map<string, Set<string>>();
  // A stroke at a time: all of them together may be more than fits.
  for (
    let cursor = await (await db()).transaction('strokes').store.openCursor();
    cursor;
    cursor = await cursor.continue()
  ) {
    const { sessionId, drawing } = cursor.value;
    const known = found.get(sessionId) ?? new Set<string>();
    found.set(sessionId, known.add(drawing));
  }
  return found;
}
