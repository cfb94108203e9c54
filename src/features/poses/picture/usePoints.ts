'use client';
import { useCallback, useEffect, useMemo, useState } from 'react';
import { toast, toastProblem } from '@/ui/toast/toast';
import { type Body, lookedAtOther } from '@/core/body/body';
import { liftBody, movePoint, swapSides, templateBody } from '@/core/body/lift';
import type { PointName } from '@/core/body/points';
import type { Picture, PictureBox } from '@/core/references/picture';
import { loadBody } from '@/storage/pictures/bodies';
import { needsReading } from '@/core/body/pictureReading';
import { findAgain, keepBody, readNow } from '@/storage/pictures/readPictures';
import { useStored } from '@/storage/hooks/useStored';
import { useWriting } from '@/storage/hooks/useWriting';
import type { LandmarkModel } from '@/workers/landmarks.worker';

/** By then the store has told what it keeps. */
const KEPT_MS = 400;

export interface Points {
  body: Body | undefined;
  busy: boolean;
  move: (name: PointName, x: number, y: number) => void;
  /** Let a segment point the other way, toward the eye or away from it. */
  flip: (name: PointName) => void;
  swap: () => void;
  place: () => void;
  find: (model: LandmarkModel, box?: PictureBox) => void;
  /** Look at another of the people in the picture, by its place among the others. */
  choose: (index: number) => void;
}

/** A picture's body: found, corrected by hand, or placed by hand. */
export function usePoints(picture: Picture): Points {
  const { id, widthPx, heightPx } = picture;
  const stored = useStored(() => loadBody(id), ['bodies'], [id]).value;
  const [moved, setMoved] = useState<Body>();
  const [busy, setBusy] = useState(false);
  const body = moved?.id === id ? moved : stored;
  const others = body?.others;
  const aspect = widthPx / heightPx;

  const unread = needsReading(picture);
  useEffect(() => {
    if (!unread) return;
    // By hand works without; the list of pictures tries again and tells.
    readNow(picture).catch(() => undefined);
  }, [unread, id]); // eslint-disable-line react-hooks/exhaustive-deps -- once for each unread picture, whatever else of it changes

  // Written when the hand rests.
  const keep = useWriting(id, (next: Body) => {
    keepBody(next).then(
      // What is kept holds from here on, so that undoing shows.
      () => setTimeout(() => setMoved((now) => (now === next ? undefined : now)), KEPT_MS),
      () => toastProblem('The points could not be saved. What was kept before is safe; try again.'),
    );
  });
  const write = useCallback(
    (next: Body): void => {
      setMoved(next);
      keep(next);
    },
    [keep],
  );
  const byHand = useCallback(
    (points: Body['points'], space: Body['space'], switched?: ReadonlySet<PointName>): void =>
      write({
        id,
        points,
        space: liftBody(points, aspect, space, switched),
        score: 1,
        by: 'hand',
        ...(others && { others }),
      }),
    [id, aspect, others, write],
  );
  return useMemo(
    (): Points => ({
      body,
      busy,
      move: (name, x, y) => body && byHand(movePoint(body.points, name, x, y), body.space),
      flip: (name) => body && byHand(body.points, body.space, new Set([name])),
      swap: () => body && write({ ...body, points: swapSides(body.points), space: swapSides(body.space), by: 'hand' }),
      place() {
        const { points, space } = templateBody(aspect);
        byHand(points, space);
      },
      choose(index) {
        if (!body) return;
        keepBody(lookedAtOther(body, index), 'Another person looked at').then(
          () => setMoved(undefined),
          () => toastProblem('The choice could not be saved. The one before is still looked at; try again.'),
        );
      },
      find(model, box) {
        setBusy(true);
        findAgain(picture, model, box)
          .then(
            (found) => {
              setMoved(undefined);
              if (!found) toast('No person was found there. Place the points by hand, or frame another part.');
            },
            () => toastProblem('The part that finds poses could not be loaded. Placing points by hand works.'),
          )
          .finally(() => setBusy(false));
      },
    }),
    [body, busy, byHand, write, picture, aspect],
  );
}
