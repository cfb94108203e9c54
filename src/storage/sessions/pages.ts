import type { Page } from '@/core/journal/session';
import { announce } from '@/storage/changes';
import { atomically, changeRecord, db, put } from '@/storage/db';
import { imageKey } from '@/storage/images';

/** Photographed pages of a session in the order they were added, without those in the bin. */
export async function listPages(sessionId: string): Promise<Page[]> {
  const pages = await (await db()).getAllFromIndex('pages', 'bySession', sessionId);
  return pages.filter((p) => p.binnedAtMs === null).sort((a, b) => a.addedAtMs - b.addedAtMs);
}

/** Ids of the pages of a session, those in the bin among them. */
export async function pageIds(sessionId: string): Promise<Set<string>> {
  return new Set(await (await db()).getAllKeysFromIndex('pages', 'bySession', sessionId));
}

/** Keep a page with its photograph and thumbnail, all or nothing. */
export async function addPage(page: Page, image: Blob, thumbnail: Blob): Promise<void> {
  await atomically(['pages', 'images'], (tx) =>
    Promise.all([
      put(tx, 'pages', page),
      put(tx, 'images', image, imageKey('page', page.id)),
      put(tx, 'images', thumbnail, imageKey('thumbnail', page.id)),
    ]),
  );
  announce('pages');
}

/** Every page, without those in the bin. */
export async function allPages(): Promise<Page[]> {
  return (await (await db()).getAll('pages')).filter((p) => p.binnedAtMs === null);
}

/** Pages in the bin, the latest first. */
export async function listBinnedPages(): Promise<Page[]> {
  const pages = await (await db()).getAll('pages');
  return pages.filter((p) => p.binnedAtMs !== null).sort((a, b) => (b.binnedAtMs ?? 0) - (a.binnedAtMs ?? 0));
}

/** Say something else of a page: what to fix, what was laid over it. */
export async function changePage(id: string, change: (page: Page) => Partial<Page>): Promise<void> {
  await changeRecord('pages', id, (page) => page && { ...page, ...change(page) });
  announce('pages');
}

/** Say that a page belongs to another session, or to none. Which of a session's drawings are on it is to be said anew. */
export const movePage = (id: string, sessionId: string): Promise<void> =>
  changePage(id, ({ sheet }) => ({
    sessionId,
    ...(sheet && { sheet: { ...sheet, drawings: sheet.drawings.map((box) => ({ ...box, drawing: null })) } }),
  }));

/** Put a page into the bin, or take it out with null. */
export const binPage = (id: string, binnedAtMs: number | null): Promise<void> => changePage(id, () => ({ binnedAtMs }));
