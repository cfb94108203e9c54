'use client';
import { useEffect } from 'react';
import { posesDrawn } from '@/core/journal/drawings';
import type { Session } from '@/core/journal/session';
import { USUAL_SHEET } from '@/core/practice/paper/sheet';
import { type DrawnSheet, sheetAsPage, sheetPageId, sheetsDrawn } from '@/core/strokes/sheetsDrawn';
import { storageProblem } from '@/storage/problems';
import { addPage, pageIds } from '@/storage/sessions/pages';
import { countStrokes, strokesOf } from '@/storage/sessions/strokes';
import { useStored } from '@/storage/hooks/useStored';
import { PAPER_COLORS } from '@/ui/ink/grain';
import { paintStroke } from '@/ui/ink/paintInk';
import { toastProblem } from '@/ui/toast/toast';

const THUMBNAIL_PX = 360;

/** A sheet of strokes as a picture, and small. */
async function pictureOf(
  session: Session,
  drawn: DrawnSheet,
): Promise<{ page: ReturnType<typeof sheetAsPage>['page']; image: Blob; thumbnail: Blob } | undefined> {
  const { page, perMm } = sheetAsPage(session, session.plan, drawn);
  const paper = session.plan.sheet?.paper ?? USUAL_SHEET.paper;
  const canvas = new OffscreenCanvas(page.widthPx, page.heightPx);
  const ink = new OffscreenCanvas(page.widthPx, page.heightPx);
  // What is only encoded stays in memory: a graphics card would have it brought there and back.
  const [onto, inked] = [canvas, ink].map((one) => one.getContext('2d', { willReadFrequently: true }));
  if (!onto || !inked) return undefined;
  for (const stroke of drawn.strokes) paintStroke({ context: inked, perMm, leastPx: 2, paper }, stroke);
  onto.fillStyle = PAPER_COLORS[paper];
  onto.fillRect(0, 0, canvas.width, canvas.height);
  onto.drawImage(ink, 0, 0);
  const k = THUMBNAIL_PX / Math.max(canvas.width, canvas.height);
  const small = new OffscreenCanvas(Math.round(canvas.width * k), Math.round(canvas.height * k));
  small.getContext('2d', { willReadFrequently: true })?.drawImage(canvas, 0, 0, small.width, small.height);
  const [image, thumbnail] = await Promise.all([
    canvas.convertToBlob({ type: 'image/png' }),
    small.convertToBlob({ type: 'image/webp', quality: 0.85 }),
  ]);
  return { page, image, thumbnail };
}

/** Put the sheets of a session that were drawn on the screen into the journal as its pages; those that are there, or were binned, stay. */
async function keepSheets(session: Session): Promise<void> {
  const strokes = await strokesOf(session.id);
  if (strokes.length === 0) return;
  const there = await pageIds(session.id);
  const drawings = posesDrawn(session).map(({ drawing }) => drawing);
  for (const drawn of sheetsDrawn(strokes, drawings)) {
    if (there.has(sheetPageId(session.id, drawn.sheet))) continue;
    const made = await pictureOf(session, drawn);
    if (made) await addPage(made.page, made.image, made.thumbnail);
  }
}

const underWay = new Map<string, Promise<void>>();

/** The sheets of a finished session become its pages as soon as one looks for them. */
export function useSheetsAsPages(session: Session): void {
  // They may come later than the session: out of an archive, or with the demo.
  const some = useStored(() => countStrokes(session.id), ['strokes'], [session.id]).value ?? 0;
  useEffect(() => {
    if (some === 0 || session.status !== 'kept' || underWay.has(session.id)) return;
    underWay.set(
      session.id,
      keepSheets(session)
        .catch((error: unknown) => {
          toastProblem(storageProblem(error));
        })
        .finally(() => underWay.delete(session.id)),
    );
  }, [session, some]);
}
