import type { Route } from 'next';
import { parsePictureReference } from '@/core/references/picture';

/** The page of what a drawing was made from. */
export function referencePage(referenceId: string): Route {
  const pictureId = parsePictureReference(referenceId);
  return pictureId === undefined
    ? `/poses/figure?id=${encodeURIComponent(referenceId)}`
    : `/poses/picture?id=${encodeURIComponent(pictureId)}`;
}

/** A drawing that was made on the screen, stroke by stroke. */
export const strokesPage = (sessionId: string, drawing: string): Route =>
  `/desk/strokes?session=${encodeURIComponent(sessionId)}&drawing=${encodeURIComponent(drawing)}` as Route;

/** The Desk with a page on it. */
export const deskPage = (sessionId: string, pageId: string): Route =>
  `/desk?session=${encodeURIComponent(sessionId)}&page=${encodeURIComponent(pageId)}` as Route;
