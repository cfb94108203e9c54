'use client';
import dynamic from 'next/dynamic';
import { useCallback, useEffect, useRef, useState } from 'react';
import { mmPerPixel, type Sheet } from '@/core/desk/sheet';
import type { Drawing } from '@/core/journal/drawings';
import type { Page } from '@/core/journal/session';
import { sheetOfPage } from '@/core/strokes/sheetsDrawn';
import { inkOfPage } from '@/storage/sessions/strokes';
import { flatSheetKey, keepFlatSheet } from '@/storage/sessions/flatSheets';
import { changePage } from '@/storage/sessions/pages';
import { storageProblem } from '@/storage/problems';
import { measuringLocked } from '@/core/practice/rules/measuring';
import type { ObjectUrl } from '@/storage/hooks/useObjectUrl';
import { useWriting } from '@/storage/hooks/useWriting';
import { Notice } from '@/ui/Notice';
import { toastProblem } from '@/ui/toast/toast';
import { strokesPage } from '@/ui/referencePage';
import { CornersEditor } from './CornersEditor';
import { DrawingsEditor } from './DrawingsEditor';
import { DrawingsBeside } from './DrawingsBeside';
import { nameBoxes } from './nameBoxes';
import { useBoxSteps } from './useBoxSteps';
import { type FlatSheet, useSheet } from './useSheet';

const LookAt = dynamic(() => import('./look/LookAt').then((m) => m.LookAt));

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
  const { find, snap, flatten, cut, split, fit, setInk } = useSheet(photo.blob);
  /** The drawing that is looked at closely. */
  const [looked, setLooked] = useState<number>();
  const [sheet, setSheet] = useState<Sheet | undefined>(page.sheet);
  const [cornering, setCornering] = useState(page.sheet === undefined);
  const [flat, setFlat] = useState<FlatSheet>();
  const [failed, setFailed] = useState(false);
  /** Quarter turns that the sheet was given by its drawings. */
  const [turnedBy, setTurnedBy] = useState(0);
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
  const steps = useBoxSteps(sheet?.drawings ?? [], (drawings) => sheet && change({ ...sheet, drawings }));
  // The same sheet is straightened once.
  const shape = sheet && JSON.stringify([sheet.corners, sheet.quarters, sheet.aspect]);
  const made = useRef<string>(undefined);
  const now = useRef({ drawn, left });
  useEffect(() => {
    now.current = { drawn, left };
  });
  /** It was looked at once whether the sheet stands upright; then the learner's turns hold. */
  const stood = useRef(page.sheet !== undefined);
  useEffect(() => {
    if (cornering || !sheet || !shape || made.current === shape) return;
    made.current = shape;
    let current = true;
    const bring = async (): Promise<void> => {
      const done = await flatten(sheet);
      const drawnInk = await inkOfPage(page.id, done.width, done.height);
      if (drawnInk) await setInk(drawnInk);
      // What was put by hand stays.
      const boxes = sheet.drawings.length === 0 && current ? await cut(now.current.left.length) : undefined;
      const named = boxes && (await nameBoxes(boxes, now.current.drawn, now.current.left));
      if (!current) return;
      if (named && named.quarters !== 0 && !stood.current) {
        stood.current = true;
        setTurnedBy(named.quarters);
        change({ ...sheet, quarters: (sheet.quarters + named.quarters) % 4 });
        return;
      }
      stood.current = true;
      void keepFlatSheet(flatSheetKey(page.id, sheet), done.small);
      setFlat(done);
      setFailed(false);
      if (named) change({ ...sheet, drawings: named.drawings });
    };
    bring().catch(() => current && setFailed(true));
    return () => {
      current = false;
      made.current = undefined;
    };
    // eslint-disable-next-line react-hooks/exhaustive-deps -- `shape` says all that matters of the sheet
  }, [cornering, shape, flatten, cut, change, setInk, page.id]);

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
  const box = looked === undefined ? undefined : sheet.drawings.at(looked);
  const pose = drawn.find(({ drawing }) => drawing === box?.drawing);
  if (looked !== undefined && box && pose && !shut)
    return (
      <LookAt
        key={looked}
        flat={flat}
        box={box}
        number={looked + 1}
        mmPerPx={mmPerPixel(sheet, Math.max(flat.width, flat.height))}
        sessionId={page.sessionId}
        pose={pose}
        drawn={drawn}
        measurable={!measuringLocked(pose.exercise)}
        strokes={sheetOfPage(page.id) === undefined ? undefined : strokesPage(page.sessionId, pose.drawing)}
        fit={fit}
        steps={steps}
        onPoints={(points, words, met) =>
          steps.change(
            sheet.drawings.map((d, i) => (i === looked ? { ...d, points, ...(met !== undefined && { met }) } : d)),
            words,
          )
        }
        onClose={() => setLooked(undefined)}
      />
    );
  return (
    <div className="mt-3 grid gap-x-8 gap-y-5 lg:grid-cols-[minmax(0,1fr)_420px]">
      {turnedBy > 0 && (
        <p role="status" className="lg:col-span-2">
          The sheet {turnedBy === 2 ? 'stood on its head' : 'lay on its side'} in the photograph: it was turned by its
          drawings. Where that is wrong, “Turn the sheet” turns it on.
        </p>
      )}
      <DrawingsEditor
        flat={flat}
        drawings={sheet.drawings}
        steps={steps}
        split={split}
        onAgain={(count) => {
          // A sheet that was turned meanwhile is cut by itself.
          cut(left.length, count)
            .then((boxes) => nameBoxes(boxes, drawn, left))
            .then(
              ({ drawings }) => made.current === shape && steps.change(drawings, 'finding them again'),
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
      <DrawingsBeside
        flat={flat}
        drawings={sheet.drawings}
        drawn={drawn}
        shut={shut}
        onChange={(drawings) => steps.change(drawings, 'saying which they are')}
        onLook={setLooked}
      />
    </div>
  );
}

const sameCorners = (a: Sheet, b: Pick<Sheet, 'corners' | 'quarters' | 'aspect'>): boolean =>
  a.quarters === b.quarters && a.aspect === b.aspect && JSON.stringify(a.corners) === JSON.stringify(b.corners);
