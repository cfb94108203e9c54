import type { Route } from 'next';
import { parsePictureReference } from '@/core/references/picture';

/** The page of what a drawing was made from. */
export function referencePage(referenceId: string): Route {
  const pictureId = parsePictureReference(referenceId);
  return pictureId === undefined
    ? `/poses/figure?id=${encodeURIComponent(referenceId)}`
    : `/poses/picture?id=${encodeURIComponent(pictureId)}`;
}

/** The Desk with a page on it. */
export const deskPage = (sessionId: string, pageId: string): Route =>
  `/desk?session=${encodeURIComponent(sessionId)}&page=${encodeURIComponent(pageId)}` as Route;
