'use client';
import { useCallback, useEffect, useRef, useState } from 'react';
import { namedInOrder, type Sheet, type SheetDrawing } from '@/core/desk/sheet';
import type { Drawing } from '@/core/journal/drawings';
import type { Page } from '@/core/journal/session';
import { changePage } from '@/storage/sessions/pages';
import { storageProblem } from '@/storage/problems';
import type { ObjectUrl } from '@/storage/hooks/useObjectUrl';
import { useWriting } from '@/storage/hooks/useWriting';
import { Notice } from '@/ui/Notice';
import { toastProblem } from '@/ui/toast/toast';
import { CornersEditor } from './CornersEditor';
import { DrawingsEditor } from './DrawingsEditor';
import { DrawingsBeside } from './DrawingsBeside';
import { type FlatSheet, useSheet } from './useSheet';

/** A sheet on its way: its corners first, then its drawings. */
export function SheetOnDesk({
  page,
  photo,
  drawn,
  left,
  shut,
}: {
  page: Page;
  photo: ObjectUrl;
  /** What was drawn in its session. */
  drawn: readonly Drawing[];
  /** Keys of the drawings that are on no other of its sheets. */
  left: readonly string[];
  /** Judging is shut: nothing is laid beside anything. */
  shut: boolean;
}) {
  const { find, snap, flatten, cut } = useSheet(photo.blob);
  const [sheet, setSheet] = useState<Sheet | undefined>(page.sheet);
  const [cornering, setCornering] = useState(page.sheet === undefined);
  const [flat, setFlat] = useState<FlatSheet>();
  const [failed, setFailed] = useState(false);
  const keep = useWriting(page.id, (next: Sheet) => {
    changePage(page.id, () => ({ sheet: next })).catch((error: unknown) => toastProblem(storageProblem(error)));
  });
  const change = useCallback(
    (next: Sheet): void => {
      setSheet(next);
      keep(next);
    },
    [keep],
  );
  // The same sheet is straightened once.
  const shape = sheet && JSON.stringify([sheet.corners, sheet.quarters, sheet.aspect]);
  const made = useRef<string>(undefined);
  const leftNow = useRef(left);
  useEffect(() => {
    leftNow.current = left;
  });
  useEffect(() => {
    if (cornering || !sheet || !shape || made.current === shape) return;
    made.current = shape;
    let current = true;
    const bring = async (): Promise<void> => {
      const done = await flatten(sheet);
      // What was put by hand stays.
      const boxes = sheet.drawings.length === 0 && current ? await cut(leftNow.current.length) : undefined;
      if (!current) return;
      setFlat(done);
      setFailed(false);
      if (boxes) change({ ...sheet, drawings: namedInOrder(boxes, leftNow.current) });
    };
    bring().catch(() => current && setFailed(true));
    return () => {
      current = false;
      made.current = undefined;
    };
    // eslint-disable-next-line react-hooks/exhaustive-deps -- `shape` says all that matters of the sheet
  }, [cornering, shape, flatten, cut, change]);

  if (cornering || !sheet)
    return (
      <CornersEditor
        photo={photo}
        page={page}
        start={sheet}
        find={find}
        snap={snap}
        onUse={(next) => {
          change({ ...next, drawings: sheet && sameCorners(sheet, next) ? sheet.drawings : [] });
          setCornering(false);
        }}
        onCancel={sheet ? () => setCornering(false) : undefined}
      />
    );
  if (failed)
    return (
      <div className="mt-3">
        <Notice>
          The sheet could not be straightened between these corners. The photograph is as it was:{' '}
          <button type="button" className="link" onClick={() => setCornering(true)}>
            move the corners
          </button>{' '}
          and try again.
        </Notice>
      </div>
    );
  if (!flat)
    return (
      <div
        className="mt-3 h-[66dvh] skeleton"
        role="status"
        aria-label="Straightening the sheet and finding its drawings"
      />
    );
  const setDrawings = (drawings: SheetDrawing[]): void => change({ ...sheet, drawings });
  return (
    <div className="mt-3 grid gap-x-8 gap-y-5 lg:grid-cols-[minmax(0,1fr)_420px]">
      <DrawingsEditor
        flat={flat}
        drawings={sheet.drawings}
        onChange={setDrawings}
        onAgain={(count) => {
          // A sheet that was turned meanwhile is cut by itself.
          cut(left.length, count).then(
            (boxes) => made.current === shape && setDrawings(namedInOrder(boxes, left)),
            () => made.current === shape && setFailed(true),
          );
        }}
        onTurn={() => {
          setFlat(undefined);
          change({ ...sheet, quarters: (sheet.quarters + 1) % 4, drawings: [] });
        }}
        onCorners={() => setCornering(true)}
        numbersOnly={shut}
      />
      <DrawingsBeside flat={flat} drawings={sheet.drawings} drawn={drawn} shut={shut} onChange={setDrawings} />
    </div>
  );
}

const sameCorners = (a: Sheet, b: Pick<Sheet, 'corners' | 'quarters' | 'aspect'>): boolean =>
  a.quarters === b.quarters && a.aspect === b.aspect && JSON.stringify(a.corners) === JSON.stringify(b.corners);
